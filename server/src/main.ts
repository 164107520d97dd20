import { Refusal } from '@zero-pour/contracts';
import path from 'node:path';
import { FolderTakenError } from './db/folderTaken';
import { FolderRefusedError } from './db/migrations';
import { prepareDemoFolder } from './demoFolder';
import { asRefusal } from './services/asRefusal';
import { importShop } from './services/importShop';
import type { Services } from './routes/services';
import { localAddresses } from './network/localAddresses';
import { startStandIns } from './standIns/standInApp';
import { ROOT } from './root';
import { startShop, type RunningShop, type StartOptions } from './start';
import { startRescue } from './damage/rescue';
import { ShopDamagedError } from './damage/shopDamaged';
import { pino } from 'pino';

const wantsDemo = process.argv.includes('--demo');
const dataFolder = path.resolve(process.env['ZP_DATA'] ?? path.join(ROOT, wantsDemo ? 'data-demo' : 'data'));
const port = Number(process.env['ZP_PORT'] ?? 4680);

/** ZP_DEMO_NOW dates the demo from another moment, for pictures that can be made again. */
const demoNow = new Date(process.env['ZP_DEMO_NOW'] ?? Date.now());
/** A day as "2026-11-27". */
const DAY = new Intl.DateTimeFormat('sv-SE');

async function demoShop() {
  const { createDemoShop } = await import('@zero-pour/demo');
  return createDemoShop(demoNow);
}

/** Runs under the folder's lock, before it is opened. */
async function prepareDemo(): Promise<void> {
  const aside = await prepareDemoFolder(dataFolder, DAY.format(demoNow));
  if (aside !== null) console.log(`The demo of an earlier day is kept in ${aside}; a new one is made.`);
}

/** Fills an empty shop; one that was filled earlier today is kept as it is. */
async function fillDemo(services: Services): Promise<void> {
  try {
    await importShop(services.db, services.files, demoShop);
  } catch (error) {
    if (!(error instanceof Refusal) || error.code !== 'SHOP_NOT_EMPTY') throw error;
  }
}

function stopOnSignal(shop: RunningShop): void {
  let stopping = false;
  for (const signal of ['SIGINT', 'SIGTERM'] as const) {
    process.on(signal, () => {
      if (stopping) return;
      stopping = true;
      void shop.stop().then(() => process.exit(0));
    });
  }
}

/** The shop's database is damaged: the choice is made in the browser, where the shop would be. */
async function rescued(options: StartOptions, damage: ShopDamagedError): Promise<RunningShop> {
  const log = pino({ level: process.env['ZP_LOG'] ?? 'warn' });
  const { address, done } = await startRescue(options, damage, log);
  console.error(`${damage.message} Nothing of it is shown before you choose how to go on, at ${address}, or by npm run restore -- --back.`); // prettier-ignore
  return done;
}

function leaveAtOnce(): void {
  console.error(`Another Zero Pour has taken ${dataFolder}. This one stops, so that nothing is mixed up.`);
  process.exit(1);
}

try {
  // Beside the demo a kiln, a thermometer and a balance that are none; any free port but the one that is asked for.
  const standIns = wantsDemo ? await startStandIns(Number(process.env['ZP_STAND_INS'] ?? 0)) : undefined;
  const options: StartOptions = {
    dataFolder,
    webFolder: path.join(ROOT, 'web/dist'),
    port,
    demoShop,
    onLost: leaveAtOnce,
    databaseUrl: process.env['DATABASE_URL'],
    networkAddresses: () => localAddresses(process.env['ZP_NETWORK_ADDRESS']),
    priceFeed: process.env['ZP_PRICE_FEED'],
    standIns: standIns?.address ?? process.env['ZP_STAND_INS_AT'],
    ...(wantsDemo ? { prepare: prepareDemo, fill: fillDemo } : {}),
  };
  const shop = await startShop(options).catch((error: unknown) => {
    if (error instanceof ShopDamagedError && !options.databaseUrl) return rescued(options, error);
    throw error;
  });
  stopOnSignal(shop);
  console.log(`Zero Pour is at ${shop.address}${wantsDemo ? ' (demo shop)' : ''}. Stop it with Ctrl+C.`);
} catch (error) {
  const { code } = error as { code?: string };
  if (error instanceof FolderTakenError || error instanceof FolderRefusedError) console.error(error.message);
  else if (code === 'EADDRINUSE')
    console.error(`Port ${port} is taken by another program. Set ZP_PORT to another one.`);
  else console.error(asRefusal(error)?.message ?? (error instanceof Error ? error.message : error));
  process.exit(1);
}
