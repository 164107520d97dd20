import { expect, test, type Page } from '@playwright/test';
import { mkdtemp, rm } from 'node:fs/promises';
import { createServer } from 'node:http';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { type } from './fields';
import { startShop, type StartedShop } from './startShop';

let folder: string;
let demo: StartedShop;
let port: number;
test.beforeAll(async () => {
  folder = await mkdtemp(path.join(tmpdir(), 'zero-pour-'));
  demo = await startShop({ demo: true, dataFolder: path.join(folder, 'demo') });
  port = Number(new URL(demo.address).port);
});
test.afterAll(async () => {
  await demo.stop();
  await rm(folder, { recursive: true, force: true });
});
const startDemo = () => startShop({ demo: true, dataFolder: path.join(folder, 'demo'), port });
const startOwn = () => startShop({ demo: false, dataFolder: path.join(folder, 'own'), port });

const PIECES = 300;
interface PrintedPour {
  id: string;
  number: number;
  doc: {
    brief: { lines: { count: number }[] };
    print: { startedAt: string; finishedAt?: string; pieces: Record<string, { outcome: string }> };
  };
}
async function shopOf(page: Page): Promise<{
  openPours: PrintedPour[];
  lists: { flask: { id: string; name: string }[] };
}> {
  return (await page.request.get(`${demo.address}/api/shop`)).json();
}
const notKept = (page: Page) => page.getByRole('button', { name: 'not kept' });

test('three hundred entries typed without a server are kept, the impossible one comes back with its reason', async ({
  page,
}) => {
  const { id, doc } = (await shopOf(page)).openPours.find(
    (pour) => pour.doc.print.startedAt && !pour.doc.print.finishedAt,
  )!;
  const wanted = doc.brief.lines.reduce((sum, { count }) => sum + count, 0);

  await test.step('the plate holds three hundred pieces', async () => {
    await page.goto(`${demo.address}/pours/${id}/print`);
    // Once the page is kept by the browser, it can be loaded anew without a server.
    await page.evaluate(() => navigator.serviceWorker.ready);
    await type(page, 'Spares of each pattern', String(PIECES - wanted));
    await expect(page.getByRole('radio', { name: 'good', exact: true })).toHaveCount(PIECES);
    await expect(page.getByText('kept', { exact: true }).first()).toBeVisible();
  });

  await test.step('the server is away: each piece is judged, and the end is set before the beginning', async () => {
    await demo.stop();
    const before = new Date(Date.parse(doc.print.startedAt) - 3_600_000);
    const words = `${before.getDate()} ${before.toLocaleString('en', { month: 'short' })} ${before.getFullYear()} ${before.toTimeString().slice(0, 5)}`;
    await type(page, 'Finished', words);
    await page.getByRole('radio', { name: 'good', exact: true }).evaluateAll((buttons) => {
      for (const button of buttons) (button as HTMLElement).click();
    });
    await expect(page.getByText('waiting for Zero Pour')).toBeVisible();
    await page.reload();
    await expect(page.getByText('waiting for Zero Pour')).toBeVisible();
  });

  await test.step('it is back: all are kept but the one, and that one says why at its place', async () => {
    demo = await startDemo();
    await expect(page.getByText('Not kept: Print › finished at')).toBeVisible({ timeout: 30_000 });
    await expect(page.getByText('the print would be off before it was started').first()).toBeVisible();
    const pour = (await shopOf(page)).openPours.find((other) => other.id === id)!;
    expect(Object.values(pour.doc.print.pieces).filter((piece) => piece.outcome === 'good')).toHaveLength(PIECES); // prettier-ignore
    expect(pour.doc.print.finishedAt).toBeUndefined();
  });

  await test.step('it stays in sight until it is dealt with', async () => {
    await page.goto(`${demo.address}/`);
    await notKept(page).click();
    await page.getByRole('link', { name: 'Go there' }).click();
    await expect(page).toHaveURL(/\/print$/);
    await page.getByRole('button', { name: 'Finished now' }).click();
    await expect(notKept(page)).toHaveCount(0);
    await expect(page.getByText('Not kept: Print')).toHaveCount(0);
  });
});

test('a demo and an own shop that take turns on one port keep their entries apart', async ({ page }) => {
  const { id } = (await shopOf(page)).lists.flask[0]!;
  await page.goto(`${demo.address}/shop/flask/${id}`);
  await page.evaluate(() => navigator.serviceWorker.ready);
  const name = page.getByRole('textbox', { name: 'Name', exact: true });
  await demo.stop();
  await name.fill('typed in the demo');
  await name.blur();
  await expect(page.getByText('keeping …')).toBeVisible();

  // Another program on the port: what it answers keeps nothing, and its page is shown before the kept one.
  const other = createServer((_, answer) => answer.writeHead(200, { 'Content-Type': 'text/html' }).end('<h1>Another program</h1>')); // prettier-ignore
  await new Promise<void>((resolve) => other.listen(port, '127.0.0.1', resolve));
  await page.waitForTimeout(4000);
  await expect(page.getByText('keeping …')).toBeVisible();
  await page.goto(`${demo.address}/`);
  await expect(page.getByRole('heading', { name: 'Another program' })).toBeVisible();
  await new Promise((resolve) => {
    other.close(resolve);
    other.closeAllConnections();
  });
  await page.goto(`${demo.address}/shop/flask/${id}`);
  await expect(page.getByText('keeping …')).toBeVisible();

  const own = await startOwn();
  try {
    // The open page notices that another shop answers, and loads anew as that one.
    await expect(page.getByText('keeping …')).toHaveCount(0, { timeout: 20_000 });
    await page.goto(`${demo.address}/`);
    await expect(page.getByRole('button', { name: /demo/i })).toBeVisible();
    await page.waitForTimeout(5000);
    expect((await shopOf(page)).lists.flask).toEqual([]);
  } finally {
    await own.stop();
  }

  demo = await startDemo();
  await page.goto(`${demo.address}/shop/flask/${id}`);
  await expect
    .poll(async () => (await shopOf(page)).lists.flask.find((flask) => flask.id === id)?.name)
    .toBe('typed in the demo');
});

test('two people change one flask: the second sees both versions and decides', async ({ page, browser }) => {
  const { id } = (await shopOf(page)).lists.flask[1]!;
  const at = `${demo.address}/shop/flask/${id}`;
  const other = await browser.newPage();
  // The second types before he hears of it, however fast that is.
  await other.route('**/api/changes', (route) => route.abort());
  await page.goto(at);
  await other.goto(at);
  await type(page, 'Height', '95');
  await expect(page.getByText('kept', { exact: true })).toBeVisible();
  await type(other, 'Height', '96');
  await expect(other.getByText(/not kept\. This was changed elsewhere/)).toBeVisible();
  await notKept(other).click();
  await expect(other.getByText('height mm: yours 96, theirs 95')).toBeVisible();
  const heightNow = async () =>
    ((await shopOf(page)).lists.flask.find((flask) => flask.id === id) as { heightMm?: number }).heightMm;
  expect(await heightNow()).toBe(95);
  await other.getByRole('button', { name: 'Keep mine' }).click();
  await expect.poll(heightNow).toBe(96);
  await expect(notKept(other)).toHaveCount(0);
  await other.close();
});
