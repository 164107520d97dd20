import type { Server } from 'node:http';
import path from 'node:path';
import { pino, type Logger } from 'pino';
import { createApp } from './app';
import { isEmptyShop } from './archive/restoreShop';
import { BackupKeeper } from './backup/backupKeeper';
import { ShopLook } from './damage/watch';
import type { Database } from './db/database';
import { ServerLine } from './db/serverLine';
import { identifyShop } from './db/identityStore';
import { KilnWatch } from './devices/kilnWatch';
import type { Services } from './routes/services';
import { ChangesTold } from './services/changesTold';
import { localAddresses, type LocalAddress } from './network/localAddresses';
import { NetworkDoor } from './network/networkDoor';
import { ReadingRuns } from './services/readings';
import { readShopState } from './services/readShopState';
import { openShop } from './openShop';

export interface StartOptions {
  dataFolder: string;
  webFolder: string;
  port: number;
  demoShop: Services['demoShop'];
  log?: Logger;
  /** A PostgreSQL server's address; the embedded database in the data folder when there is none. */
  databaseUrl?: string | undefined;
  /** Work on the folder before it is opened, while nobody else can have it. */
  prepare?: () => Promise<void>;
  /** Somebody decided to go on with what a damaged database still has. */
  acceptLoss?: boolean | undefined;
  /** Backups by themselves, and a journal of what is accepted between them; absent: yes. */
  keepsBackups?: boolean;
  /** Fills an opened shop before anybody is answered. */
  fill?: (services: Services) => Promise<void>;
  /** Address of a feed of metal prices; undefined: the stand-in. */
  priceFeed?: string | undefined;
  /** Where the stand-ins of devices answer, when they run beside this server. */
  standIns?: string | undefined;
  /** Addresses that the shop may be opened on; absent: those that this machine has. */
  networkAddresses?: (() => LocalAddress[]) | undefined;
  /** The folder has become another's all the same: nothing may be written any more. */
  onLost?: () => void;
}

export interface RunningShop {
  address: string;
  services: Services;
  stop(): Promise<void>;
}

/** Only this machine reaches the application. */
const HOST = '127.0.0.1';

/**
 * Takes the data folder, opens the database and serves. Throws FolderTakenError when another process has the folder,
 * FolderRefusedError when it is not a shop's, ShopDamagedError when its database lost something.
 */
export async function startShop(options: StartOptions): Promise<RunningShop> {
  const log = options.log ?? pino({ level: process.env['ZP_LOG'] ?? 'warn' });
  const { db, migration, files, close: leave } = await openShop({ ...options, log });
  const undo: (() => Promise<void>)[] = [leave];
  const stop = async (): Promise<void> => {
    for (const step of undo.splice(0).reverse()) await step();
  };
  try {
    const readings = new ReadingRuns(db, files);
    undo.push(() => readings.stop());
    const devices = new KilnWatch(db, log);
    const changes = new ChangesTold();
    const network = new NetworkDoor({
      db,
      folder: path.join(options.dataFolder, 'network'),
      log,
      addresses: options.networkAddresses ?? localAddresses,
      now: () => new Date(),
    });
    const shopId = await identifyShop(db);
    const { dataFolder, databaseUrl } = options;
    const backups = await BackupKeeper.open({ db, files, dataFolder, shopId, log, isShared: databaseUrl !== undefined }); // prettier-ignore
    undo.push(() => backups.stop());
    const look = new ShopLook(db, files, log);
    undo.push(() => look.stop());
    const services: Services = {
      db,
      migration,
      shopId,
      backups,
      look,
      dataFolder,
      isServer: databaseUrl !== undefined,
      startedAt: new Date(),
      keepsJournal: (options.keepsBackups ?? true) && databaseUrl === undefined,
      files,
      readings,
      devices,
      changes,
      network,
      standIns: options.standIns,
      demoShop: options.demoShop,
      log,
      priceFeed: options.priceFeed,
    };
    await options.fill?.(services);
    await warmUp(db);
    const server = createApp(services, options.webFolder).listen(options.port, HOST);
    closeSlowSenders(server);
    await listening(server);
    undo.push(() => close(server));
    undo.push(() => devices.stop());
    undo.push(async () => changes.stop());
    undo.push(() => network.stop());
    await network.begin((door) => createApp(services, options.webFolder, door));
    const lead = leading(services, options.keepsBackups ?? true);
    if (databaseUrl === undefined) await lead(true);
    else undo.push(joinOthers(databaseUrl, changes, lead));
    const { port } = server.address() as { port: number };
    return { address: `http://${HOST}:${port}`, services, stop };
  } catch (error) {
    await stop();
    throw error;
  }
}

/** Of all processes on one database one follows the kilns' devices, makes backups, and reads through what is kept. */
function leading({ db, devices, backups, look, log }: Services, keepsBackups: boolean) {
  // Whatever a kiln is read to do may have been written down.
  devices.listen(() => devices.states().some(({ reading }) => reading !== null) && backups.touch());
  return async (leads: boolean): Promise<void> => {
    await devices
      .follow(leads)
      .catch((error: unknown) => log.error({ err: error }, 'devices are not followed'));
    if (!keepsBackups) return;
    if (leads) backups.begin(await isEmptyShop(db));
    else backups.pause();
    if (leads) look.begin();
    else look.pause();
  };
}

/** On a PostgreSQL server there may be others: they are told what is kept here and the other way round. Returns how to leave. */
function joinOthers(
  databaseUrl: string,
  changes: ChangesTold,
  lead: (leads: boolean) => Promise<void>,
): () => Promise<void> {
  let turn: Promise<void> = Promise.resolve();
  const line = new ServerLine(databaseUrl, {
    onNotice: (text) => changes.hear(text),
    onLead: (leads) => void (turn = turn.then(() => lead(leads)).catch(() => undefined)),
  });
  changes.passOn = (text) => line.notify(text);
  return () => line.stop().then(() => turn);
}

/** The first answers take several times as long as later ones: that is spent here, before anybody waits for them. */
async function warmUp(db: Database): Promise<void> {
  for (let n = 0; n < 3; n++) await readShopState(db);
}

/** Who sends his request drop by drop holds a connection for so long, and no longer; a whole shop as a zip takes minutes. Its head has Node's own minute. */
function closeSlowSenders(server: Server): void {
  server.requestTimeout = 15 * 60_000;
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
