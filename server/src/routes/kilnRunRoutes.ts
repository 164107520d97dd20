import { idSchema, newKilnRunSchema, parseOrRefuse, type KilnCurve } from '@zero-pour/contracts';
import { Router } from 'express';
import Papa from 'papaparse';
import { z } from 'zod';
import { keepKilnRun, linkKilnRun, listKilnRuns, readKilnCurve, removeKilnRun } from '../db/kilnRunStore';
import type { Services } from './services';

/** A chart shows no more; a fall of two minutes within a day is still in it. */
const CHART_ROWS = 1500;
const linkSchema = z.strictObject({ pourId: idSchema.nullable() });

/** What was written down of the shop's kilns. */
export function kilnRunRoutes({ db }: Services): Router {
  const router = Router();
  const idOf = (params: { id: string }): string => parseOrRefuse(idSchema, params.id);

  router.get('/kiln-runs', async (_request, response) => {
    response.json({ runs: await listKilnRuns(db) });
  });
  router.get('/kiln-runs/:id', async (request, response) => {
    response.json(await readKilnCurve(db, idOf(request.params), CHART_ROWS));
  });
  router.get('/kiln-runs/:id/readings.csv', async (request, response) => {
    const curve = await readKilnCurve(db, idOf(request.params), Infinity);
    response
      .attachment(`${curve.run.name.replace(/\.\w+$/, '')}.csv`)
      .type('text/csv')
      .send(csvOf(curve));
  });
  router.put('/kiln-runs/:id', async (request, response) => {
    const run = parseOrRefuse(newKilnRunSchema, request.body);
    response.json(await db.transaction((tx) => keepKilnRun(tx, idOf(request.params), run)));
  });
  router.put('/kiln-runs/:id/pour', async (request, response) => {
    const { pourId } = parseOrRefuse(linkSchema, request.body);
    response.json(await linkKilnRun(db, idOf(request.params), pourId));
  });
  router.delete('/kiln-runs/:id', async (request, response) => {
    await removeKilnRun(db, idOf(request.params));
    response.status(204).end();
  });
  return router;
}

/** Moments, °C; an empty cell where the machine wrote no set point. It reads back as any log does. */
function csvOf({ run, atS, tempC, setC }: KilnCurve): string {
  const start = Date.parse(run.startedAt);
  return Papa.unparse({
    fields: ['time', 'temperature (C)', 'set point (C)'],
    data: atS.map((at, n) => [
      new Date(start + at * 1000).toISOString(),
      tempC[n]!.toFixed(1),
      setC[n]?.toFixed(1) ?? '',
    ]),
  });
}
