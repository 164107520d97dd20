import { mkdir } from 'node:fs/promises';
import type { Server } from 'node:http';
import path from 'node:path';
import { pino, type Logger } from 'pino';
import { createApp } from './app';
import { openDatabase } from './db/database';
import { lockFolder } from './db/folderLock';
import { BlobFiles } from './files/blobFiles';
import type { Services } from './routes/services';
import { readShopState } from './routes/shopRoutes';

export interface StartOptions {
  dataFolder: string;
  webFolder: string;
  port: number;
  demoShop: Services['demoShop'];
  log?: Logger;
}

export interface RunningShop {
  address: string;
  services: Services;
  stop(): Promise<void>;
}

/** Only this machine reaches the application. */
const HOST = '127.0.0.1';

/** Takes the data folder, opens the database and serves. Throws FolderTakenError when another process has it. */
export async function startShop(options: StartOptions): Promise<RunningShop> {
  await mkdir(options.dataFolder, { recursive: true });
  const lock = await lockFolder(options.dataFolder);
  try {
    const { db, migration } = await openDatabase(path.join(options.dataFolder, 'database'));
    const services: Services = {
      db,
      migration,
      files: new BlobFiles(path.join(options.dataFolder, 'files')),
      demoShop: options.demoShop,
      log: options.log ?? pino({ level: process.env['ZP_LOG'] ?? 'warn' }),
    };
    await warmUp(services);
    const server = createApp(services, options.webFolder).listen(options.port, HOST);
    await listening(server);
    const { port } = server.address() as { port: number };
    return {
      address: `http://${HOST}:${port}`,
      services,
      stop: async () => {
        await close(server);
        await db.close();
        await lock.release();
      },
    };
  } catch (error) {
    await lock.release();
    throw error;
  }
}

/** The first answers take several times as long as later ones: that is spent here, before anybody waits for them. */
async function warmUp({ db }: Services): Promise<void> {
  for (let n = 0; n < 3; n++) await readShopState(db);
}

function listening(server: Server): Promise<void> {
  return new Promise((resolve, reject) => {
    server.once('listening', resolve);
    server.once('error', reject);
  });
}

/** Answers what is under way, then closes idle connections. */
function close(server: Server): Promise<void> {
  return new Promise((resolve) => {
    server.close(() => resolve());
    server.closeIdleConnections();
    setTimeout(() => server.closeAllConnections(), 3000).unref();
  });
}
