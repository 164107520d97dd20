import { idSchema, newPatternSchema, parseOrRefuse, patternChangeSchema } from '@zero-pour/contracts';
import { Router } from 'express';
import { addPattern, changePattern } from '../db/patternStore';
import type { Services } from './services';

export function patternRoutes({ db }: Services): Router {
  const router = Router();

  router.post('/patterns', async (request, response) => {
    const pattern = parseOrRefuse(newPatternSchema, request.body);
    response.status(201).json(await addPattern(db, pattern, new Date().toISOString()));
  });

  router.put('/patterns/:id', async (request, response) => {
    const change = parseOrRefuse(patternChangeSchema, request.body);
    response.json(await changePattern(db, parseOrRefuse(idSchema, request.params.id), change));
  });

  return router;
}
