import { readdir, readFile } from 'node:fs/promises';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { gzipSync } from 'node:zlib';
import { chromium, type Browser } from '@playwright/test';
import { CHROMIUM_ARGS, chromiumPath } from '../e2e/browser';
import { startShop } from '../e2e/startShop';
import { median, ms, table } from './table';

const RUNS = 7;
/** Drawn by the processor: without software WebGL, which the board does not use. */
const ARGS = [...CHROMIUM_ARGS.filter((arg) => !/angle|swiftshader|gpu/.test(arg)), '--disable-gpu'];
const ASSETS = fileURLToPath(new URL('../web/dist/assets/', import.meta.url));

/** Notes, by the page's own clock, when the first pour has been painted. */
const WATCH = `new MutationObserver((_, watch) => {
  if (!document.querySelector('a[aria-label^="Open pour"]')) return;
  watch.disconnect();
  requestAnimationFrame(() => requestAnimationFrame(() => { window.boardShownMs = performance.now(); }));
}).observe(document, { childList: true, subtree: true });`;

/** From asking for the board until its pours are painted, in an open window with nothing of the page in its cache; then again. */
async function visit(
  browser: Browser,
  address: string,
): Promise<{ firstMs: number; againMs: number; scripts: string[] }> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  await page.addInitScript(WATCH);
  await page.goto(`${address}/api/health`);
  const scripts: string[] = [];
  page.on('response', (response) => {
    if (response.url().endsWith('.js')) scripts.push(path.basename(new URL(response.url()).pathname));
  });
  const shown = async (): Promise<number> => {
    await page.goto(address);
    await page
      .getByRole('link', { name: /^Open pour/ })
      .first()
      .waitFor();
    await page.waitForTimeout(500);
    return (await page.evaluate('window.boardShownMs')) as number;
  };
  const firstMs = await shown();
  const needed = [...scripts];
  const againMs = await shown();
  await context.close();
  return { firstMs, againMs, scripts: needed };
}

/** From a key pressed in a stage to the changed number on the ticket, two frames later at the most. */
async function typing(browser: Browser, address: string): Promise<number> {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  // The loader of this script names inner functions through a helper that the page does not have.
  await page.addInitScript('globalThis.__name = (named) => named');
  const { openPours } = (await (await page.request.get(`${address}/api/shop`)).json()) as {
    openPours: { id: string; number: number }[];
  };
  await page.goto(`${address}/pours/${openPours.find((p) => p.number === 30)?.id}/invest`);
  const field = page.getByRole('textbox', { name: 'Water ÷ powder' });
  await field.focus();
  await field.fill('0.4');
  const times: number[] = [];
  for (let n = 0; n < 10; n++) {
    const took = await field.evaluate(
      (input: HTMLInputElement, value) => {
        const powder = [...document.querySelectorAll('.ticket .row')].find((row) =>
          row.textContent?.startsWith('Powder'),
        );
        const before = powder?.textContent;
        return new Promise<number>((resolve) => {
          const began = performance.now();
          input.value = value;
          input.dispatchEvent(new Event('input', { bubbles: true }));
          const look = (): void => {
            if (powder?.textContent !== before) resolve(performance.now() - began);
            else requestAnimationFrame(look);
          };
          look();
        });
      },
      n % 2 ? '0.41' : '0.39',
    );
    times.push(took);
  }
  await page.close();
  return median(times);
}

const gzipped = async (names: readonly string[]): Promise<number> => {
  const present = new Set(await readdir(ASSETS));
  const files = [...new Set(names)].filter((name) => present.has(name));
  const sizes = await Promise.all(
    files.map(async (name) => gzipSync(await readFile(path.join(ASSETS, name))).length),
  );
  return sizes.reduce((sum, size) => sum + size, 0);
};

/** Starting, the first visit to the board, its scripts, and typing; beside the limits set for them. */
export async function measurePage(): Promise<string> {
  const shop = await startShop({ demo: true });
  const executablePath = chromiumPath();
  const browser = await chromium.launch({
    args: ARGS,
    ...(executablePath ? { executablePath } : {}),
  });
  try {
    const visits: Awaited<ReturnType<typeof visit>>[] = [];
    for (let n = 0; n < RUNS; n++) visits.push(await visit(browser, shop.address));
    const first = visits[0]!;
    const middle = (key: 'firstMs' | 'againMs'): string => ms(median(visits.map((v) => v[key])));
    const rows = [
      { what: 'Start with a new demo shop, until it answers', measured: ms(shop.startMs), limit: '' },
      { what: 'The very first visit to the board', measured: ms(first.firstMs), limit: '1000 ms' },
      {
        what: `A first visit, nothing in the cache, median of ${RUNS}`,
        measured: middle('firstMs'),
        limit: '1000 ms',
      },
      { what: `The board again, median of ${RUNS}`, measured: middle('againMs'), limit: '' },
      {
        what: 'Scripts of that visit, gzipped',
        measured: `${((await gzipped(first.scripts)) / 1000).toFixed(0)} kB`,
        limit: '300 kB',
      },
      {
        what: 'A key typed in a stage until the ticket shows it',
        measured: ms(await typing(browser, shop.address)),
        limit: 'at once',
      },
    ];
    return `## The page\n\n${table(rows)}`;
  } finally {
    await browser.close();
    await shop.stop();
  }
}
