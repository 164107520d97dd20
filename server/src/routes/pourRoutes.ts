import {
  changesSchema,
  discardSchema,
  idSchema,
  newPourSchema,
  parseOrRefuse,
  pouredAt,
  pourFaults,
  refuseNewFaults,
} from '@zero-pour/contracts';
import { FLAW_KINDS } from '@zero-pour/core';
import { Router } from 'express';
import { z } from 'zod';
import { findByWords } from '../db/findStore';
import { addPour, findPour, markDiscarded, searchPours } from '../db/pourStore';
import { changePour } from '../services/changePour';
import { snapshotUsed } from '../services/usedItems';
import type { Services } from './services';

const searchSchema = z.strictObject({
  text: z.string().max(200).default(''),
  alloyId: idSchema.nullable().default(null),
  flaw: z.enum(FLAW_KINDS).nullable().default(null),
  limit: z.coerce.number().int().min(1).max(200).default(50),
  offset: z.coerce.number().int().min(0).max(1e6).default(0),
});
const findSchema = z.strictObject({ words: z.string().trim().min(1).max(200) });

export function pourRoutes({ db }: Services): Router {
  const router = Router();

  router.get('/pours', async (request, response) => {
    response.json(await searchPours(db, parseOrRefuse(searchSchema, request.query)));
  });

  router.post('/pours', async (request, response) => {
    const { id, doc } = parseOrRefuse(newPourSchema, request.body);
    refuseNewFaults([], pourFaults(doc));
    await db.transaction(async (tx) => {
      const used = pouredAt(doc) === undefined ? undefined : await snapshotUsed(tx, doc);
      await addPour(tx, { id, doc, used, at: new Date().toISOString() });
    });
    response.status(201).json(await findPour(db, id));
  });

  router.get('/pours/:id', async (request, response) => {
    response.json(await findPour(db, parseOrRefuse(idSchema, request.params.id)));
  });

  router.patch('/pours/:id', async (request, response) => {
    const { changes } = parseOrRefuse(changesSchema, request.body);
    response.json(await changePour(db, parseOrRefuse(idSchema, request.params.id), changes));
  });

  router.put('/pours/:id/discarded', async (request, response) => {
    const id = parseOrRefuse(idSchema, request.params.id);
    await markDiscarded(db, id, parseOrRefuse(discardSchema, request.body).discarded);
    response.json(await findPour(db, id));
  });

  router.get('/find', async (request, response) => {
    const { words } = parseOrRefuse(findSchema, request.query);
    response.json({ hits: await findByWords(db, words) });
  });

  return router;
}
