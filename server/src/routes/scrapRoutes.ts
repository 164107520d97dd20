import { parseOrRefuse, takeScrapsSchema, takeSheetSchema } from '@zero-pour/contracts';
import express, { Router } from 'express';
import { takeScraps, takeSheet } from '../services/takeScraps';
import { keepableOnly } from './keepable';
import type { Services } from './services';

/** Years of scraps come in one request. */
const JSON_LIMIT = '80mb';

/** Old records, taken in whole; they are taken back with the record of their taking-in. */
export function scrapRoutes({ db }: Services): Router {
  const router = Router();
  router.post('/scraps', express.json({ limit: JSON_LIMIT }), keepableOnly, async (request, response) => {
    const batch = await takeScraps(db, parseOrRefuse(takeScrapsSchema, request.body));
    response.status(201).json(batch);
  });
  router.post(
    '/scraps/sheet',
    express.json({ limit: JSON_LIMIT }),
    keepableOnly,
    async (request, response) => {
      const batch = await takeSheet(db, parseOrRefuse(takeSheetSchema, request.body));
      response.status(201).json(batch);
    },
  );
  return router;
}
