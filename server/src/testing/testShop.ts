import { randomUUID } from 'node:crypto';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { pino } from 'pino';
import { startShop, type RunningShop } from '../start';
import { createTestDatabase, dropTestDatabase } from './testDatabase';

export interface TestShop {
  shop: RunningShop;
  folder: string;
  /** Asks the API; the body is parsed when there is one. */
  ask(
    method: string,
    at: string,
    body?: unknown,
    headers?: Record<string, string>,
  ): Promise<{ status: number; body: never }>;
  close(): Promise<void>;
}

/** Databases on the server by the data folder that they belong to, so that a folder can be opened again. */
const databases = new Map<string, string>();

/** Revisions of what was put into each folder's shop, as a page that stays open knows them. */
const revisionsIn = new Map<string, Map<string, string>>();

/** The database of a data folder: one of its own on the server under test, or the embedded one in it. */
async function databaseOf(folder: string): Promise<string | undefined> {
  const known = databases.get(folder);
  if (known) return known;
  const url = await createTestDatabase(`zp_${randomUUID().replaceAll('-', '')}`);
  if (url) databases.set(folder, url);
  return url;
}

/** A shop on a new data folder and a free port, spoken to over HTTP as the page does. */
export async function openTestShop(given?: string): Promise<TestShop> {
  const folder = given ?? (await mkdtemp(path.join(tmpdir(), 'zero-pour-test-')));
  const databaseUrl = await databaseOf(folder);
  const shop = await startShop({
    dataFolder: folder,
    webFolder: path.join(folder, 'no-page'),
    port: 0,
    databaseUrl,
    priceFeed: undefined,
    networkAddresses: () => [{ address: '127.0.0.1', name: 'lo' }],
    demoShop: async () => (await import('@zero-pour/demo')).createDemoShop(new Date()),
    log: pino({ level: 'silent' }),
  });
  // As the page does: a whole thing is written over the state that was last answered.
  const revisions = revisionsIn.get(folder) ?? new Map<string, string>();
  revisionsIn.set(folder, revisions);
  return {
    shop,
    folder,
    ask: async (method, at, body, headers = {}) => {
      const raw = body instanceof Uint8Array;
      const base = method === 'PUT' ? revisions.get(at) : undefined;
      const init: RequestInit = {
        method,
        headers: {
          ...(raw ? {} : { 'Content-Type': 'application/json' }),
          ...(base === undefined ? {} : { 'If-Match': base }),
          ...headers,
        },
      };
      if (body !== undefined) init.body = raw ? (body as Uint8Array<ArrayBuffer>) : JSON.stringify(body);
      const response = await fetch(`${shop.address}/api${at}`, init);
      const text = await response.text();
      const revision = response.headers.get('etag');
      if (method === 'PUT' && response.ok && revision !== null) revisions.set(at, revision);
      const isJson = response.headers.get('content-type')?.includes('json') ?? false;
      return { status: response.status, body: (isJson ? JSON.parse(text) : text) as never };
    },
    close: async () => {
      await shop.stop();
      if (databaseUrl) await dropTestDatabase(databaseUrl);
      databases.delete(folder);
      revisionsIn.delete(folder);
      if (!given) await rm(folder, { recursive: true, force: true });
    },
  };
}
