// npm run screenshots: one picture of each main view, from the demo shop on a fixed afternoon.
import { mkdir } from 'node:fs/promises';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { chromium, type Page } from '@playwright/test';
import { CHROMIUM_ARGS, chromiumPath } from './browser';
import { startShop } from './startShop';

/** A Tuesday at the bench: one flask in the kiln, one plate on the printer. */
const NOW = new Date(2026, 10, 24, 16, 54);
const OUT = fileURLToPath(new URL('../docs/screenshots/', import.meta.url));

interface View {
  name: string;
  at: string;
  size?: { width: number; height: number };
  full?: boolean;
  before?: (page: Page) => Promise<void>;
}

/** The cufflinks hung by their shapes. */
const hangTree = async (page: Page): Promise<void> => {
  await page.getByRole('button', { name: 'Hang them in this flask' }).click();
  await page.locator('.frame[data-ready="true"]').waitFor({ timeout: 60_000 });
  await page.getByText('Parts apart.').waitFor({ timeout: 30_000 });
  await page.getByRole('heading', { name: 'Hung by their real shapes' }).hover();
  await page.mouse.wheel(0, 260);
  await page.waitForTimeout(800);
};
/** A plan of the weeks beside what stands. */
const proposePlan = async (page: Page): Promise<void> => {
  await page.getByRole('button', { name: 'Civil hours' }).click();
  await page.getByRole('button', { name: 'Take this plan' }).waitFor({ timeout: 90_000 });
};
/** Two steps side by side, and a timer. */
/** The flask's section in the middle of its peak. */
const openHeat = async (page: Page): Promise<void> => {
  const slider = page.getByRole('slider', { name: 'Hours after kiln in' });
  await slider.waitFor({ timeout: 60_000 });
  await slider.fill('22');
  await slider.blur();
};
const beginCleaning = async (page: Page): Promise<void> => {
  for (const key of [' ', 'ArrowRight', ' ', 't']) await page.keyboard.press(key);
};

/** Opens a pattern, and waits until it has been read. */
const openPattern =
  (name: string) =>
  async (page: Page): Promise<void> => {
    await page.getByRole('link', { name }).click();
    await page.locator('.histogram').waitFor({ timeout: 120_000 });
    await page.locator('.key .ramp').waitFor({ timeout: 30_000 });
  };

/** The ways up of the band, the safest taken. */
const searchWays = async (page: Page): Promise<void> => {
  await page.locator('.part[data-ready="true"]').waitFor({ timeout: 30_000 });
  await page.getByRole('button', { name: 'Search', exact: true }).click();
  await page.getByRole('button', { name: 'Take safest' }).click({ timeout: 60_000 });
  await page.getByRole('button', { name: 'Propose gates' }).click();
  await page.getByRole('cell', { name: /^Mass 1,/ }).waitFor({ timeout: 60_000 });
  await page.getByText('It fills.').waitFor({ timeout: 60_000 });
  await page.getByText(/\d+ supports:/).waitFor({ timeout: 30_000 });
  await page.mouse.wheel(0, -2000);
};

const openTuning = async (page: Page): Promise<void> => {
  await page.getByRole('link', { name: 'Skerry Wax 55' }).click();
  await page.locator('.frame[data-ready="true"]').waitFor({ timeout: 30_000 });
};
/** What a good casting costs, opened. */
const openCost = async (page: Page): Promise<void> => {
  const cost = page.getByRole('region', { name: 'What it costs' });
  await cost.getByRole('button').first().click();
  await page.waitForTimeout(500);
  await cost.evaluate((of) => of.scrollIntoView());
};

/** One pour, shown step by step as far as its flask. */
const beShown = async (page: Page): Promise<void> => {
  await page.keyboard.press('?');
  await page.getByRole('button', { name: 'Show me one pour' }).click();
  const guided = page.getByRole('region', { name: 'One pour, step by step' });
  for (let step = 1; step < 5; step++) {
    const fill = guided.getByRole('button', { name: 'Fill it in for me' });
    await page.waitForTimeout(500);
    if (await fill.isVisible()) await fill.click();
    await guided.getByRole('button', { name: /^(Next|Pass over)$/ }).click();
  }
  await guided.getByRole('button', { name: 'Fill it in for me' }).click();
  await guided.getByText('That is told.').waitFor();
};
const noteIt = async (page: Page): Promise<void> => {
  await page.getByRole('button', { name: 'Note it' }).click();
  await page.getByLabel('A line').fill('Gloss gone after nine minutes, the room is warm.');
};
const openOldRecords = async (page: Page): Promise<void> => {
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Open a table (CSV)' }).click();
  await (await chooser).setFiles(fileURLToPath(new URL('../demo/scraps/pours-2025.csv', import.meta.url)));
  await page.getByText('40 pours').waitFor();
};

const showWhy = async (page: Page): Promise<void> => {
  const heading = page.getByRole('heading', { name: /^Why: misrun/ });
  await heading.waitFor();
  await heading.evaluate((of) => of.scrollIntoView());
};

const views = (pours: ReadonlyMap<number, string>): View[] => {
  const id = (number: number): string => pours.get(number)!;
  const pour = (number: number): string => `/pours/${id(number)}`;
  return [
    { name: 'board', at: '/', size: { width: 1280, height: 1040 }, before: proposePlan },
    { name: 'week', at: '/week' },
    { name: 'board-phone', at: '/', size: { width: 390, height: 844 } },
    {
      name: 'pour-burnout',
      at: `${pour(29)}/burnout`,
      size: { width: 1280, height: 1000 },
      before: openHeat,
    },
    { name: 'pour-sprue', at: `${pour(29)}/sprue`, size: { width: 1280, height: 1000 }, before: hangTree },
    { name: 'pour-scale', at: `${pour(31)}/scale`, size: { width: 1280, height: 980 } },
    {
      name: 'pour-way-up',
      at: `${pour(31)}/wayUp`,
      size: { width: 1280, height: 1000 },
      before: searchWays,
    },
    { name: 'capture-phone', at: '/', size: { width: 390, height: 844 }, before: noteIt },
    {
      name: 'pour-result',
      at: `${pour(22)}/result`,
      before: (page) => page.locator('.model .part[data-ready="true"]').first().waitFor(),
    },
    { name: 'old-records', at: '/record/old', size: { width: 1280, height: 1300 }, before: openOldRecords },
    { name: 'pattern-thickness', at: '/patterns', before: openPattern('Sea-holly trellis drop') },
    { name: 'why', at: `${pour(22)}/result`, size: { width: 1280, height: 900 }, before: showWhy },
    { name: 'labels', at: `${pour(29)}/labels` },
    { name: 'resins-ranking', at: '/resins' },
    { name: 'tuning', at: '/resins', before: openTuning },
    { name: 'cost', at: `${pour(22)}/result`, before: openCost },
    { name: 'record', at: '/record' },
    { name: 'bench', at: `${pour(31)}/bench/clean`, before: beginCleaning },
    // The last: it begins a pour.
    { name: 'guided', at: '/', before: beShown },
  ];
};

process.env['ZP_DEMO_NOW'] = NOW.toISOString();
const shop = await startShop({ demo: true });
const executablePath = chromiumPath();
const browser = await chromium.launch({ args: CHROMIUM_ARGS, ...(executablePath ? { executablePath } : {}) });
try {
  await mkdir(OUT, { recursive: true });
  const { pours } = (await (await fetch(`${shop.address}/api/pours`)).json()) as {
    pours: { number: number; id: string }[];
  };
  const only = process.argv[2];
  for (const view of views(new Map(pours.map((p) => [p.number, p.id])))) {
    if (only && !view.name.includes(only)) continue;
    const page = await browser.newPage({
      viewport: view.size ?? { width: 1280, height: 800 },
      serviceWorkers: 'block',
    });
    page.on('pageerror', (error) => console.error(view.name, error.message));
    // What is offered to newcomers once is not what the views are of.
    await page.addInitScript(() => localStorage.setItem('zp-guide-offered', 'false'));
    await page.clock.setFixedTime(NOW);
    // Answers are of that moment too: a screen whose clock is not the machine's says so.
    await page.route(/\/api\/(?!changes|devices\/stream)/, async (route) => {
      const response = await route.fetch();
      await route.fulfill({
        response,
        headers: { ...response.headers(), date: new Date(NOW).toUTCString() },
      });
    });
    await page.goto(`${shop.address}${view.at}`);
    await page.waitForLoadState('networkidle');
    await view.before?.(page);
    const slow = page.locator('[data-ready]');
    if ((await slow.count()) > 0)
      await page.locator('[data-ready="true"]').first().waitFor({ timeout: 30_000 });
    await page.waitForTimeout(700);
    await page.screenshot({ path: path.join(OUT, `${view.name}.png`) });
    await page.close();
    console.log(view.name);
  }
} finally {
  await browser.close();
  await shop.stop();
}
