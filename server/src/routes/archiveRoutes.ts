import { Router } from 'express';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { readArchive } from '../archive/readArchive';
import { takeOut } from '../backup/takeOut';
import { readShopState } from '../services/readShopState';
import { TABLE_NAMES, tableCsv } from '../services/tables';
import type { Services } from './services';

/** A day as "2026-11-27". */
const DAY = new Intl.DateTimeFormat('sv-SE');

/** The whole shop as one zip, out and in; and every table of it. */
export function archiveRoutes(services: Services): Router {
  const { db, files, log } = services;
  const router = Router();

  router.get('/archive.zip', async (_request, response) => {
    const zip = takeOut(services);
    // All is read before anything is sent, so that what is wrong with it is still said as a sentence.
    const first = await zip.next();
    response.attachment(`zero-pour ${DAY.format(new Date())}.zip`).type('application/zip');
    const all = async function* (): AsyncGenerator<Uint8Array> {
      if (!first.done) yield first.value;
      yield* zip;
    };
    await pipeline(Readable.from(all()), response).catch((error: unknown) => {
      log.warn({ err: error }, 'an archive was not handed out whole');
      response.destroy();
    });
  });

  router.get('/tables', (_request, response) => void response.json(TABLE_NAMES));
  router.get('/tables/:name.csv', async (request, response) => {
    const { name } = request.params;
    response
      .attachment(`${name}.csv`)
      .type('text/csv')
      .send(await tableCsv(db, name));
  });

  router.post('/archive', async (request, response) => {
    const aside = await files.keepAside(request);
    try {
      await readArchive(db, files, aside.file);
    } finally {
      await aside.remove();
    }
    response.json(await readShopState(db));
  });
  return router;
}
