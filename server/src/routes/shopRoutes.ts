import {
  idSchema,
  parseOrRefuse,
  settingsSchema,
  shopKindSchema,
  type ShopState,
} from '@zero-pour/contracts';
import { Router } from 'express';
import type { Database } from '../db/database';
import { listHistory } from '../db/historyStore';
import { listPatterns } from '../db/patternStore';
import { listOpenPours } from '../db/pourStore';
import { keepSettings, readSettings } from '../db/settingsStore';
import { findItem, keepItem, listShop, removeItem } from '../db/shopStore';
import { importShop } from '../services/importShop';
import type { Services } from './services';

/** Everything that a page needs to begin. */
export async function readShopState(db: Database): Promise<ShopState> {
  return {
    settings: await readSettings(db),
    lists: await listShop(db),
    patterns: await listPatterns(db),
    openPours: await listOpenPours(db),
  };
}

/** Everything at the start, settings, and the things of the shop by kind. */
export function shopRoutes({ db, files, demoShop }: Services): Router {
  const router = Router();

  router.get('/shop', async (_request, response) => {
    response.json(await readShopState(db));
  });

  router.put('/settings', async (request, response) => {
    const settings = parseOrRefuse(settingsSchema, request.body);
    await keepSettings(db, settings);
    response.json(settings);
  });

  router.put('/shop/:kind/:id', async (request, response) => {
    const kind = parseOrRefuse(shopKindSchema, request.params.kind);
    const id = parseOrRefuse(idSchema, request.params.id);
    await keepItem(db, kind, { ...request.body, id });
    response.json(await findItem(db, kind, id));
  });

  router.delete('/shop/:kind/:id', async (request, response) => {
    await removeItem(
      db,
      parseOrRefuse(shopKindSchema, request.params.kind),
      parseOrRefuse(idSchema, request.params.id),
    );
    response.status(204).end();
  });

  router.get('/shop/:kind/:id/history', async (request, response) => {
    const kind = parseOrRefuse(shopKindSchema, request.params.kind);
    response.json(await listHistory(db, kind, parseOrRefuse(idSchema, request.params.id)));
  });

  router.post('/demo', async (_request, response) => {
    await importShop(db, files, demoShop);
    response.json(await readShopState(db));
  });

  return router;
}
