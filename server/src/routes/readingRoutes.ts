import { hashSchema, parseOrRefuse, Refusal } from '@zero-pour/contracts';
import { KEPT_JOB_NAMES } from '@zero-pour/jobs';
import { Router } from 'express';
import { z } from 'zod';
import { findReading } from '../db/readingStore';
import { keepMade } from '../services/readings';
import type { Services } from './services';

const wishSchema = z.strictObject({ job: z.enum(KEPT_JOB_NAMES), input: z.unknown() });
const madeSchema = wishSchema.extend({ output: z.unknown() });

/** What long computations said: kept ones by key, asked for, or brought by a page that worked them out. */
export function readingRoutes({ db, readings }: Services): Router {
  const router = Router();

  router.get('/readings/:key', async (request, response) => {
    const output = await findReading(db, parseOrRefuse(hashSchema, request.params.key));
    response.json({ output: output ?? null });
  });

  router.post('/readings', async (request, response) => {
    const { job, input } = parseOrRefuse(wishSchema, request.body);
    response.json(await readings.ask(job, input));
  });

  router.put('/readings/:key', async (request, response) => {
    const key = parseOrRefuse(hashSchema, request.params.key);
    const made = parseOrRefuse(madeSchema, request.body);
    if ((await keepMade(db, made as Parameters<typeof keepMade>[1])) !== key)
      throw new Refusal('HASH_MISMATCH');
    response.json({ key });
  });

  return router;
}
