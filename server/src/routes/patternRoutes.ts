import {
  idSchema,
  keptAnalysisSchema,
  newPatternSchema,
  parseOrRefuse,
  patternChangeSchema,
} from '@zero-pour/contracts';
import { ANALYSIS_VERSION } from '@zero-pour/core';
import { Router } from 'express';
import { findAnalysis, keepAnalysis, listKnownParts } from '../db/analysisStore';
import { addPattern, changePattern, findPattern } from '../db/patternStore';
import { baseOf, etagOf } from './revision';
import type { Services } from './services';

export function patternRoutes({ db }: Services): Router {
  const router = Router();

  router.post('/patterns', async (request, response) => {
    const pattern = parseOrRefuse(newPatternSchema, request.body);
    response.status(201).json(await addPattern(db, pattern, new Date().toISOString()));
  });

  router.put('/patterns/:id', async (request, response) => {
    const change = parseOrRefuse(patternChangeSchema, request.body);
    const id = parseOrRefuse(idSchema, request.params.id);
    const base = baseOf(request);
    const kept = await db.transaction((tx) => changePattern(tx, id, change, base));
    response.set('ETag', etagOf(kept.revision)).json(kept.pattern);
  });

  router.get('/patterns/known', async (_request, response) => {
    response.json({ parts: await listKnownParts(db) });
  });

  router.get('/patterns/:id/analysis', async (request, response) => {
    const pattern = await findPattern(db, parseOrRefuse(idSchema, request.params.id));
    response.json({ kept: await findAnalysis(db, pattern, ANALYSIS_VERSION) });
  });

  router.put('/patterns/:id/analysis', async (request, response) => {
    const kept = parseOrRefuse(keptAnalysisSchema, request.body);
    const id = parseOrRefuse(idSchema, request.params.id);
    await db.transaction(async (tx) => keepAnalysis(tx, await findPattern(tx, id), kept));
    response.json(await findPattern(db, id));
  });

  return router;
}
