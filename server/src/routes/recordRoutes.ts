import { idSchema, parseOrRefuse, recordKindSchema } from '@zero-pour/contracts';
import { Router } from 'express';
import { keepRecord, listRecords, listYields, removeRecord } from '../db/recordStore';
import { listPouredPrints, listPouredSizes, listPrintsOfPattern } from '../db/tellsStore';
import { takeBackScraps } from '../services/takeScraps';
import { baseOf, etagOf } from './revision';
import type { Services } from './services';

/** Trials, tests and measured series, and what the pours say of resins and sizes. */
export function recordRoutes({ db }: Services): Router {
  const router = Router();
  const named = (params: { kind: string; id: string }) => ({
    kind: parseOrRefuse(recordKindSchema, params.kind),
    id: parseOrRefuse(idSchema, params.id),
  });

  router.get('/records', async (_request, response) => {
    response.json(await listRecords(db));
  });

  router.put('/records/:kind/:id', async (request, response) => {
    const { kind, id } = named(request.params);
    const base = baseOf(request);
    const kept = await db.transaction((tx) => keepRecord(tx, kind, { ...request.body, id }, base));
    response.set('ETag', etagOf(kept.revision)).json(kept.record);
  });

  router.delete('/records/:kind/:id', async (request, response) => {
    const { kind, id } = named(request.params);
    // What old records brought goes with the record of their taking-in.
    if (kind === 'scrapBatch') await takeBackScraps(db, id);
    else await removeRecord(db, kind, id);
    response.status(204).end();
  });

  router.get('/yields', async (_request, response) => {
    response.json(await listYields(db));
  });

  router.get('/sizes', async (_request, response) => {
    response.json(await listPouredSizes(db));
  });

  router.get('/prints', async (_request, response) => {
    response.json(await listPouredPrints(db));
  });

  router.get('/prints/of/:patternId', async (request, response) => {
    response.json(await listPrintsOfPattern(db, parseOrRefuse(idSchema, request.params.patternId)));
  });

  return router;
}
