import { idSchema, parseOrRefuse, settingsSchema, shopKindSchema } from '@zero-pour/contracts';
import { Router } from 'express';
import { listHistory } from '../db/historyStore';
import { keepSettings } from '../db/settingsStore';
import { findItem, keepItem, removeItem } from '../db/shopStore';
import { askPrices } from '../services/priceFeed';
import { importShop } from '../services/importShop';
import { readShopState } from '../services/readShopState';
import { baseOf, etagOf } from './revision';
import type { Services } from './services';

/** Everything at the start, settings, and the things of the shop by kind. */
export function shopRoutes({ db, files, demoShop, priceFeed, devices }: Services): Router {
  const router = Router();

  router.get('/shop', async (_request, response) => {
    response.json(await readShopState(db));
  });

  router.get('/prices', async (_request, response) => {
    response.json(await askPrices(priceFeed, new Date()));
  });

  router.put('/settings', async (request, response) => {
    const settings = parseOrRefuse(settingsSchema, request.body);
    const revision = await db.transaction((tx) => keepSettings(tx, settings, baseOf(request)));
    response.set('ETag', etagOf(revision));
    response.json(settings);
  });

  router.put('/shop/:kind/:id', async (request, response) => {
    const kind = parseOrRefuse(shopKindSchema, request.params.kind);
    const id = parseOrRefuse(idSchema, request.params.id);
    const kept = await db.transaction(async (tx) => {
      const revision = await keepItem(tx, kind, { ...request.body, id }, baseOf(request));
      return { revision, item: await findItem(tx, kind, id) };
    });
    if (kind === 'kiln') await devices.look();
    response.set('ETag', etagOf(kept.revision)).json(kept.item);
  });

  router.delete('/shop/:kind/:id', async (request, response) => {
    const kind = parseOrRefuse(shopKindSchema, request.params.kind);
    await removeItem(db, kind, parseOrRefuse(idSchema, request.params.id));
    if (kind === 'kiln') await devices.look();
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
