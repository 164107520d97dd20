import { idSchema, parseOrRefuse } from '@zero-pour/contracts';
import { CAST_CLASSES } from '@zero-pour/core';
import { learnCauses, tellHeats } from '@zero-pour/plan';
import { Router } from 'express';
import { z } from 'zod';
import { readSettings } from '../db/settingsStore';
import { listMadeWith } from '../db/recordSearch';
import { listHeatCasts, listOpenings, listToldCauses } from '../db/tellsStore';
import type { Services } from './services';

/** So many openings of a metal say what is usual of it. */
const OPENINGS = 200;
const alloySchema = z.strictObject({ alloyId: idSchema });
/** So many pours of a metal and class say where its temperatures' window lies. */
const HEATS = 200;
const heatsSchema = z.strictObject({ alloyId: idSchema, castClass: z.enum(CAST_CLASSES), except: idSchema });
const exceptSchema = z.strictObject({ except: idSchema.optional() });

/** What the shop's castings taught, added up here: a page asks for what it shows, and never has them all. */
export function castRoutes({ db }: Services): Router {
  const router = Router();

  router.get('/casts/lessons', async (request, response) => {
    const { except } = parseOrRefuse(exceptSchema, request.query);
    const { settings } = await readSettings(db);
    response.json(learnCauses(await listToldCauses(db, except), settings.causeTables));
  });

  router.get('/casts/openings', async (request, response) => {
    const { alloyId } = parseOrRefuse(alloySchema, request.query);
    response.json(await listOpenings(db, alloyId, OPENINGS));
  });

  router.get('/casts/heats', async (request, response) => {
    const { alloyId, castClass, except } = parseOrRefuse(heatsSchema, request.query);
    response.json((await listHeatCasts(db, { alloyId, castClass, except }, HEATS)).flatMap(tellHeats));
  });

  router.get('/casts/made-with', async (_request, response) => {
    response.json(await listMadeWith(db));
  });

  return router;
}
