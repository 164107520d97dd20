import { namedBackupSchema, parseOrRefuse, Refusal, setBackupsSchema } from '@zero-pour/contracts';
import { Router, type RequestHandler } from 'express';
import { existsSync } from 'node:fs';
import path from 'node:path';
import { readArchive } from '../archive/readArchive';
import { backupMoment } from '../backup/keepRule';
import { aboutShop, safetyOf } from '../services/aboutShop';
import { readShopState } from '../services/readShopState';
import type { Services } from './services';

/** Asked with a body, but nothing of it is the shop's own: results are worked out again, ways in are this machine's. */
const NOT_THE_SHOPS = /^\/((readings|sign-in|network|devices)(\/|$)|safekeeping(\/(backup|look))?$)/;
const METHODS = ['POST', 'PUT', 'PATCH', 'DELETE'] as const;
type Changing = (typeof METHODS)[number];
const isChanging = (method: string): method is Changing => (METHODS as readonly string[]).includes(method);

/** Whatever an answered request kept is written down, until a backup holds it. */
export const noteChanges =
  ({ backups, keepsJournal }: Pick<Services, 'backups' | 'keepsJournal'>): RequestHandler =>
  (request, response, next) => {
    const { method, path: at, url } = request;
    if (isChanging(method) && !NOT_THE_SHOPS.test(at))
      response.on('finish', () => {
        if (response.statusCode >= 400) return;
        const type = request.get('Content-Type');
        backups.note(
          {
            at: new Date().toISOString(),
            method,
            url,
            ...(type ? { type } : {}),
            ...(request.body === undefined ? {} : { body: request.body as unknown }),
          },
          keepsJournal,
        );
      });
    next();
  };

/** How the shop is kept safe, and what else a person who keeps its machine wants to know. Changed on this machine only. */
export function safekeepingRoutes(services: Services, version: string, isHere: boolean): Router {
  const { db, files, backups, look } = services;
  const router = Router();
  const hereOnly: RequestHandler = (_request, _response, next) => {
    if (!isHere) throw new Refusal('ONLY_HERE');
    next();
  };

  router.get('/safety', async (_request, response) => {
    response.json(await safetyOf(services));
  });
  router.get('/about', hereOnly, async (_request, response) => {
    response.json(await aboutShop(services, version));
  });
  router.put('/safekeeping', hereOnly, async (request, response) => {
    await backups.set(parseOrRefuse(setBackupsSchema, request.body));
    response.json(await aboutShop(services, version));
  });
  router.post('/safekeeping/backup', hereOnly, async (_request, response) => {
    await backups.makeNow();
    response.json(await aboutShop(services, version));
  });
  router.post('/safekeeping/look', hereOnly, async (_request, response) => {
    await look.lookNow();
    response.json(await aboutShop(services, version));
  });
  router.post('/safekeeping/restore', hereOnly, async (request, response) => {
    const { name } = parseOrRefuse(namedBackupSchema, request.body);
    const file = path.join(backups.folder, name);
    // A backup's name holds no way out of the folder.
    if (!backupMoment(name) || !existsSync(file))
      throw new Refusal('BACKUP_NONE', { name, folder: backups.folder });
    await readArchive(db, files, file);
    response.json(await readShopState(db));
  });
  return router;
}
