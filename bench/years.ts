import { mkdtemp, rm, stat } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { chromium } from '@playwright/test';
import { pino } from 'pino';
import { CHROMIUM_ARGS, chromiumPath } from '../e2e/browser';
import { sizeOfTree } from '../server/src/files/room';
import { startShop, type RunningShop } from '../server/src/start';
import { createTestDatabase, dropTestDatabase } from '../server/src/testing/testDatabase';
import { fillYears } from './fillYears';
import { median, ms, table } from './table';

/** Pours and patterns of shops of different ages. */
const SHOPS = [[100, 20], [1000, 200], [10_000, 2000]] as const; // prettier-ignore
const ASKED = 15;
const WEB = path.resolve(import.meta.dirname, '../web/dist');
const kb = (bytes: number): string => `${Math.round(bytes / 1000)} kB`;

interface Asked {
  p95: number;
  bytes: number;
}
async function ask(address: string, at: (n: number) => string): Promise<Asked> {
  const times: number[] = [];
  let bytes = 0;
  for (let n = 0; n < ASKED; n++) {
    const began = performance.now();
    bytes = (await (await fetch(`${address}/api${at(n)}`)).arrayBuffer()).byteLength;
    times.push(performance.now() - began);
  }
  times.sort((a, b) => a - b);
  return { p95: times[Math.floor(0.95 * (ASKED - 1))]!, bytes };
}

/** From the address to what a person came for, and what was sent until then, the page's own code apart. */
async function open(
  address: string,
  at: string,
  selector: string,
): Promise<{ tookMs: number; bytes: number }> {
  const browser = await chromium.launch({ executablePath: chromiumPath(), args: CHROMIUM_ARGS });
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(`${address}/api/health`);
    let bytes = 0;
    page.on('response', async (response) => {
      if (response.url().includes('/api/') && !response.url().endsWith('/changes')) bytes += (await response.body().catch(() => Buffer.alloc(0))).length; // prettier-ignore
    });
    const began = performance.now();
    await page.goto(`${address}${at}`);
    await page.locator(selector).first().waitFor();
    return { tookMs: performance.now() - began, bytes };
  } finally {
    await browser.close();
  }
}

/** A change sent while a page asks for all that it begins with. */
async function changeMeanwhile(address: string): Promise<number> {
  const { openPours } = (await (await fetch(`${address}/api/shop`)).json()) as {
    openPours: { id: string }[];
  };
  const times: number[] = [];
  for (let n = 0; n < ASKED; n++) {
    const others = ['/shop', '/prints', '/sizes', '/records', '/yields'].map((at) => fetch(`${address}/api${at}`).then((answer) => answer.arrayBuffer())); // prettier-ignore
    const began = performance.now();
    const body = JSON.stringify({ changes: [{ path: ['brief', 'note'], version: 2, value: `note ${n}` }] });
    await (await fetch(`${address}/api/pours/${openPours[0]!.id}`, { method: 'PATCH', headers: { 'Content-Type': 'application/json' }, body })).arrayBuffer(); // prettier-ignore
    times.push(performance.now() - began);
    await Promise.all(others);
  }
  return median(times);
}

/** Bytes of the database: of its folder, or as the server says. */
async function databaseBytes({ services }: RunningShop, dataFolder: string): Promise<number> {
  if (!services.isServer) return sizeOfTree(path.join(dataFolder, 'database'));
  const { rows } = await services.db.query<{ bytes: number }>(
    'SELECT pg_database_size(current_database())::float8 AS bytes',
  );
  return rows[0]!.bytes;
}

async function measure(shop: RunningShop, dataFolder: string): Promise<Record<string, string>> {
  const { address } = shop;
  const board = await open(address, '/', 'a[aria-label^="Open pour"]');
  const record = await open(address, '/record', '.pours tbody tr');
  const patterns = await open(address, '/patterns', '.index tbody tr');
  const known = await ask(address, () => '/patterns/known');
  const start = await ask(address, () => '/shop');
  const lines = await ask(address, () => '/record?limit=25');
  const prints = await ask(address, () => '/prints');
  const word = await ask(address, () => '/find?words=regatta');
  const rare = await ask(address, (n) => `/find?words=xylophone${n}`);
  const misspelt = await ask(address, () => '/find?words=regata');
  const searched = await ask(address, () => '/record?limit=25&text=regatta');
  const changed = await changeMeanwhile(address);
  const began = performance.now();
  const { file } = await shop.services.backups.makeNow();
  const backupS = (performance.now() - began) / 1000;
  return {
    'board shown': `${ms(board.tookMs)}, ${kb(board.bytes)}`,
    'record shown': `${ms(record.tookMs)}, ${kb(record.bytes)}`,
    'patterns shown': `${ms(patterns.tookMs)}, ${kb(patterns.bytes)}`,
    'what is known of patterns (p95)': ms(known.p95),
    'start (p95)': `${ms(start.p95)}, ${kb(start.bytes)}`,
    'record’s lines (p95)': `${ms(lines.p95)}, ${kb(lines.bytes)}`,
    'prints (p95)': `${ms(prints.p95)}, ${kb(prints.bytes)}`,
    'a word (p95)': ms(word.p95),
    'nowhere (p95)': ms(rare.p95),
    'misspelt (p95)': ms(misspelt.p95),
    'record searched (p95)': ms(searched.p95),
    'a change meanwhile (median)': ms(changed),
    'a backup': `${backupS.toFixed(0)} s, ${Math.round((await stat(file)).size / 1e6)} MB`,
    database: `${Math.round((await databaseBytes(shop, dataFolder)) / 1e6)} MB`,
  };
}

/**
 * How a shop feels when it is young, and after years: the same questions of 100, 1,000 and 10,000 pours. On the server of
 * ZP_TEST_DATABASE_URL, where there is one, else embedded.
 */
export async function measureYears(): Promise<string> {
  const columns: Record<string, Record<string, string>> = {};
  for (const [pours, patterns] of SHOPS) {
    const dataFolder = await mkdtemp(path.join(tmpdir(), 'zero-pour-years-'));
    const databaseUrl = await createTestDatabase(`zp_years_${pours}`);
    const shop = await startShop({ dataFolder, databaseUrl, webFolder: WEB, port: 0, log: pino({ level: 'silent' }), keepsBackups: false, demoShop: async () => (await import('@zero-pour/demo')).createDemoShop(new Date()) }); // prettier-ignore
    try {
      await fetch(`${shop.address}/api/demo`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
      });
      await fillYears(shop.services.db, pours, patterns);
      columns[`${pours} pours, ${patterns} patterns`] = await measure(shop, dataFolder);
    } finally {
      await shop.stop();
      if (databaseUrl) await dropTestDatabase(databaseUrl);
      await rm(dataFolder, { recursive: true, force: true });
    }
  }
  const names = Object.keys(Object.values(columns)[0]!);
  return table(names.map((asked) => ({ asked, ...Object.fromEntries(Object.entries(columns).map(([of, row]) => [of, row[asked]!])) }))); // prettier-ignore
}
