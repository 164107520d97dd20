import {
  changesSchema,
  discardSchema,
  FACT_NAMES,
  FACT_NUMBERS,
  groupsQuerySchema,
  idSchema,
  newPourSchema,
  parseOrRefuse,
  pointsQuerySchema,
  pouredAt,
  pourFaults,
  recordQuerySchema,
  refuseNewFaults,
  type FactName,
} from '@zero-pour/contracts';
import { METRIC, shownUnit } from '@zero-pour/core';
import { Router } from 'express';
import Papa from 'papaparse';
import { z } from 'zod';
import { findByWords } from '../db/findStore';
import { addPour, findPour, findPourId, markDiscarded } from '../db/pourStore';
import { readSettings } from '../db/settingsStore';
import { listGroups, listPoints } from '../db/recordSums';
import { recordRows, searchLines, searchPours, type RecordRow } from '../db/recordSearch';
import { changePour } from '../services/changePour';
import { snapshotUsed } from '../services/usedItems';
import type { Services } from './services';

/** As many digits as the database's numbers have for sure. */
const numberSchema = z.coerce.number().int().min(1).max(1e9);
const findSchema = z.strictObject({ words: z.string().trim().min(1).max(200) });

export function pourRoutes({ db }: Services): Router {
  const router = Router();

  router.get('/pours', async (request, response) => {
    response.json(await searchPours(db, parseOrRefuse(recordQuerySchema, request.query)));
  });

  router.get('/record', async (request, response) => {
    response.json(await searchLines(db, parseOrRefuse(recordQuerySchema, request.query)));
  });

  router.get('/pours.csv', async (request, response) => {
    const query = parseOrRefuse(recordQuerySchema, request.query);
    const parts = [csvOf([TITLES])];
    for await (const rows of recordRows(db, query)) parts.push(csvOf(rows.map(cells)));
    response.attachment('record.csv').type('text/csv').send(parts.join('\r\n'));
  });

  router.get('/pours/points', async (request, response) => {
    response.json(await listPoints(db, parseOrRefuse(pointsQuerySchema, request.query)));
  });

  router.get('/pours/groups', async (request, response) => {
    const query = parseOrRefuse(groupsQuerySchema, request.query);
    const { settings } = await readSettings(db);
    response.json(await listGroups(db, query, settings.timeZone));
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

  router.get('/pours/number/:number', async (request, response) => {
    const number = parseOrRefuse(numberSchema, request.params.number);
    response.json({ id: await findPourId(db, number) });
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
    response.json(await findByWords(db, words));
  });

  return router;
}

const titleOf = (name: FactName): string => {
  const { label, unit } = FACT_NUMBERS[name];
  const { suffix } = shownUnit(unit, METRIC);
  return suffix ? `${label} (${suffix})` : label;
};
/** The record as a table: one pour a line, its numbers under their units; what is not known is empty. */
const TITLES = ['pour', 'poured', 'castings', 'metal', 'class', 'resin', ...FACT_NAMES.map(titleOf), 'found'];
const cells = ({ number, pouredAt: at, patterns, alloy, castClass, resin, facts }: RecordRow): unknown[] => [
  number,
  at?.toISOString() ?? '',
  patterns ?? '',
  alloy ?? '',
  castClass ?? '',
  resin ?? '',
  ...FACT_NAMES.map((name) => facts?.[name] ?? ''),
  facts?.words ?? '',
];
const csvOf = (lines: unknown[][]): string => Papa.unparse(lines, { escapeFormulae: true });
