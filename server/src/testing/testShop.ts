import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { pino } from 'pino';
import { startShop, type RunningShop } from '../start';

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

/** A shop on a new data folder and a free port, spoken to over HTTP as the page does. */
export async function openTestShop(given?: string): Promise<TestShop> {
  const folder = given ?? (await mkdtemp(path.join(tmpdir(), 'zero-pour-test-')));
  const shop = await startShop({
    dataFolder: folder,
    webFolder: path.join(folder, 'no-page'),
    port: 0,
    demoShop: async () => (await import('@zero-pour/demo')).createDemoShop(new Date()),
    log: pino({ level: 'silent' }),
  });
  return {
    shop,
    folder,
    ask: async (method, at, body, headers = {}) => {
      const raw = body instanceof Uint8Array;
      const init: RequestInit = {
        method,
        headers: { ...(raw ? {} : { 'Content-Type': 'application/json' }), ...headers },
      };
      if (body !== undefined) init.body = raw ? (body as Uint8Array<ArrayBuffer>) : JSON.stringify(body);
      const response = await fetch(`${shop.address}/api${at}`, init);
      const text = await response.text();
      const isJson = response.headers.get('content-type')?.includes('json') ?? false;
      return { status: response.status, body: (isJson ? JSON.parse(text) : text) as never };
    },
    close: async () => {
      await shop.stop();
      if (!given) await rm(folder, { recursive: true, force: true });
    },
  };
}
