import type { Server } from 'node:http';
import type { Logger } from 'pino';
import { BlobFiles } from '../files/blobFiles';
import path from 'node:path';
import { startShop, type RunningShop, type StartOptions } from '../start';
import { findWayBack, putBack, type WayBack } from './putBack';
import { replay } from './replay';
import { rescueApp } from './rescueApp';
import type { ShopDamagedError } from './shopDamaged';

const HOST = '127.0.0.1';

/** Puts the newest whole backup back and what was accepted since over it. Returns what was done, in sentences. */
export async function putShopBack(options: StartOptions, way: WayBack, log: Logger): Promise<string[]> {
  const { dataFolder } = options;
  const aside = await putBack(dataFolder, way, log, new Date());
  const shop = await startShop({ ...options, port: 0, keepsBackups: false });
  try {
    const { put, refused } = await replay(
      dataFolder,
      shop.address,
      BlobFiles.beside(path.join(dataFolder, 'files')),
    );
    return [
      `The shop is back as the backup ${path.basename(way.file)} has it.`,
      `${put} changes that were accepted since were put over it${refused > 0 ? `; ${refused} stood already or fit nothing there, and were left out` : ''}.`,
      `The damaged database is kept in ${aside}.`,
    ];
  } finally {
    await shop.stop();
  }
}

export interface Rescue {
  address: string;
  /** The shop, once somebody chose a way on and it worked. */
  done: Promise<RunningShop>;
  stop(): Promise<void>;
}

/** Serves the rescue page where the shop would be, until the shop itself can be. */
export async function startRescue(
  options: StartOptions,
  damage: ShopDamagedError,
  log: Logger,
): Promise<Rescue> {
  let way: WayBack | null | undefined;
  let doing: string | null = null;
  let failed: string | null = null;
  let resolve!: (shop: RunningShop) => void;
  const done = new Promise<RunningShop>((give) => (resolve = give));
  const goOn = async (what: 'back' | 'goOn'): Promise<void> => {
    if (doing !== null) return;
    doing =
      what === 'back' ? 'The backup is put back, and what was accepted since …' : 'Opening what is there …';
    try {
      if (what === 'back') for (const said of await putShopBack(options, way!, log)) console.log(said);
      // The page asks again by itself, and finds the shop.
      await close(server);
      resolve(await startShop({ ...options, port, acceptLoss: what === 'goOn' }));
    } catch (error) {
      log.error({ err: error }, 'the shop was not put back');
      [doing, failed] = [null, `That did not work: ${(error as Error).message}`];
      if (!server.listening) server.listen(port, HOST);
    }
  };
  const app = rescueApp({ sentence: damage.message, opens: damage.opens, wayBack: () => way, choose: (what) => void goOn(what), doing: () => doing, failed: () => failed }); // prettier-ignore
  const server = app.listen(options.port, HOST);
  await new Promise<void>((begun, failed) => {
    server.once('listening', begun);
    server.once('error', failed);
  });
  const { port } = server.address() as { port: number };
  void findWayBack(options.dataFolder).then(
    (found) => (way = found),
    (error: unknown) => {
      log.error({ err: error }, 'backups could not be looked through');
      way = null;
    },
  );
  return { address: `http://${HOST}:${port}`, done, stop: () => close(server) };
}

/** After what is being answered is answered. */
function close(server: Server): Promise<void> {
  return new Promise((closed) => {
    server.close(() => closed());
    server.closeIdleConnections();
    setTimeout(() => server.closeAllConnections(), 500).unref();
  });
}
