import { idSchema, parseOrRefuse } from '@zero-pour/contracts';
import { learnCauses } from '@zero-pour/plan';
import { Router } from 'express';
import { z } from 'zod';
import { listToldCauses } from '../db/tellsStore';
import type { Services } from './services';

const exceptSchema = z.strictObject({ except: idSchema.optional() });

/** What the shop's castings taught, added up here: a page asks for what it shows, and never has them all. */
export function castRoutes({ db }: Services): Router {
  const router = Router();

  router.get('/casts/lessons', async (request, response) => {
    const { except } = parseOrRefuse(exceptSchema, request.query);
    response.json(learnCauses(await listToldCauses(db), except));
  });

  return router;
}
