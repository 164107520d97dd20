import { idSchema, newPatternSchema, parseOrRefuse, patternChangeSchema } from '@zero-pour/contracts';
import { Router } from 'express';
import { z } from 'zod';
import {
  addPattern,
  changePattern,
  findPattern,
  listPatternPage,
  listPatternsNamed,
} from '../db/patternStore';
import { listKnownParts } from '../db/readingStore';
import { baseOf, etagOf } from './revision';
import type { Services } from './services';

/** So many names fit an address with room to spare. */
const NAMED_MOST = 100;
const pageSchema = z.strictObject({ after: idSchema.optional(), ids: z.string().transform((ids) => ids.split(',')).pipe(z.array(idSchema).max(NAMED_MOST)).optional() }); // prettier-ignore

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

  router.get('/patterns', async (request, response) => {
    const { after, ids } = parseOrRefuse(pageSchema, request.query);
    response.json(ids ? await listPatternsNamed(db, ids) : await listPatternPage(db, after ?? null));
  });

  router.get('/patterns/known', async (_request, response) => {
    response.json({ parts: await listKnownParts(db) });
  });

  router.get('/patterns/:id', async (request, response) => {
    response.json(await findPattern(db, parseOrRefuse(idSchema, request.params.id)));
  });

  return router;
}
