import { Refusal } from '@zero-pour/contracts';
import { existsSync } from 'node:fs';
import { mkdir, readFile, rm, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { FolderTakenError } from './db/folderLock';
import { importShop } from './services/importShop';
import { startShop, type RunningShop } from './start';

const root = fileURLToPath(new URL('../../', import.meta.url));
const wantsDemo = process.argv.includes('--demo');
const dataFolder = path.resolve(process.env['ZP_DATA'] ?? path.join(root, wantsDemo ? 'data-demo' : 'data'));
const port = Number(process.env['ZP_PORT'] ?? 4680);

/** The demo is made for the day it is started on; a folder from another day is made anew. */
const DAY_FILE = 'demo-day.txt';
/** ZP_DEMO_NOW dates the demo from another moment, for pictures that can be made again. */
const demoNow = new Date(process.env['ZP_DEMO_NOW'] ?? Date.now());
const today = demoNow.toDateString();

async function demoShop() {
  const { createDemoShop } = await import('@zero-pour/demo');
  return createDemoShop(demoNow);
}

/** Clears a demo of another day; never touches a folder that is not a demo. */
async function prepareDemoFolder(): Promise<void> {
  const marker = path.join(dataFolder, DAY_FILE);
  const day = await readFile(marker, 'utf8').catch(() => null);
  if (day === null && existsSync(dataFolder)) {
    throw new Error(`${dataFolder} holds no demo shop. Name another folder in ZP_DATA for the demo.`);
  }
  if (day !== today) await rm(dataFolder, { recursive: true, force: true });
  await mkdir(dataFolder, { recursive: true });
  await writeFile(marker, today);
}

/** Fills an empty shop; one that was filled earlier today is kept as it is. */
async function fillDemo({ services }: RunningShop): Promise<void> {
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

try {
  if (wantsDemo) await prepareDemoFolder();
  const shop = await startShop({ dataFolder, webFolder: path.join(root, 'web/dist'), port, demoShop });
  stopOnSignal(shop);
  if (wantsDemo) await fillDemo(shop);
  console.log(`Zero Pour is at ${shop.address}${wantsDemo ? ' (demo shop)' : ''}. Stop it with Ctrl+C.`);
} catch (error) {
  const { code } = error as { code?: string };
  if (error instanceof FolderTakenError) console.error(error.message);
  else if (code === 'EADDRINUSE')
    console.error(`Port ${port} is taken by another program. Set ZP_PORT to another one.`);
  else console.error(error instanceof Error ? error.message : error);
  process.exit(1);
}
