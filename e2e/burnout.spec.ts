import { readFile } from 'node:fs/promises';
import { expect, test, type Page } from '@playwright/test';
import { allKept, type } from './fields';
import { startShop, type StartedShop } from './startShop';

let shop: StartedShop;
test.beforeAll(async () => {
  shop = await startShop({ demo: true });
});
test.afterAll(() => shop.stop());

const SLOW = { timeout: 90_000 };
const LOG_F = new URL('../core/reference/kiln-logs/log-b.csv', import.meta.url);

/** The burnout of a pour of the demo, by its number. */
async function openBurnout(page: Page, number: number): Promise<void> {
  const answer = await page.request.get(`${shop.address}/api/pours?offset=0&limit=50`);
  const { pours } = (await answer.json()) as { pours: { number: number; id: string }[] };
  await page.goto(`${shop.address}/pours/${pours.find((pour) => pour.number === number)!.id}/burnout`);
  await expect(page.getByRole('heading', { name: 'Burnout', exact: true })).toBeVisible();
}
async function readLog(page: Page, name: string, text: string): Promise<void> {
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Read a log’s file' }).click();
  await (await chooser).setFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(text) });
}

test('a programme found by the flask’s core, a power cut with its ways on, a log in °F beside the plan and into the kiln’s pace', async ({
  page,
}) => {
  const problems: string[] = [];
  page.on('pageerror', (error) => problems.push(error.message));

  await test.step('a hold that leaves ash is mended by the model, and taken', async () => {
    await openBurnout(page, 31);
    await type(page.locator('.segments > li').nth(2), 'Hold', '0.5');
    await expect(page.getByText('Ash would stay.')).toBeVisible(SLOW);
    await page.getByRole('button', { name: 'What mends this one' }).click();
    const found = page.getByLabel('What was found');
    await expect(found.getByText(/Carbon burns: hold 30 min → \d h/)).toBeVisible(SLOW);
    await expect(found.getByText(/longer\. Kiln in by/)).toBeVisible();
    await page.getByRole('button', { name: 'Take it for this pour' }).click();
    await expect(page.getByText('Clean to the core.')).toBeVisible(SLOW);
    await allKept(page);
  });

  await test.step('power out: the bar claims no temperature, nothing good is said of the core, zero moves once it is back', async () => {
    await openBurnout(page, 29);
    await expect(page.getByText('Soaked through.')).toBeVisible(SLOW);
    await expect(page.getByRole('banner').getByText('planned')).toBeVisible();
    await page.getByRole('button', { name: 'Power out' }).click();
    await expect(page.getByRole('banner').getByText('not driven')).toBeVisible();
    await expect(page.getByText('Soaked through.')).toHaveCount(0);
    const happened = page.getByRole('region', { name: 'What happened at the kiln' });
    // Typed afterwards: it was out for forty minutes, an hour after kiln in.
    await type(happened, 'From', '-1:00');
    await type(happened, 'To', '-0:20');
    await expect(page.getByText('The power was out.')).toBeVisible();
    await expect(page.getByText('It is ready later.')).toBeVisible();
    await expect(happened.getByText(/^Go on as it is, ready in/)).toBeVisible();
    await expect(page.getByRole('banner').getByText('planned')).toBeVisible();
    await allKept(page);
    await page.reload();
    await expect(page.getByText('The power was out.')).toBeVisible();
  });

  await test.step('a log with a lost thermocouple is refused by line and column; one in °F is kept, and its own time said', async () => {
    const text = await readFile(LOG_F, 'utf8');
    const lines = text.split('\n');
    await readLog(page, 'lost.csv', lines.with(200, lines[200]!.replace(/M,\d+/, 'M,2500')).join('\n'));
    await expect(page.locator('p.refused')).toContainText(
      /lost\.csv Line 201, column 3: .* Nothing of it is kept\./,
    );
    await readLog(page, 'night in F.csv', text);
    await expect(page.getByText(/1080 over 17 h 59/)).toBeVisible();
    await expect(page.getByText(/power out after 9 h 12/)).toBeVisible();
    await page.getByRole('button', { name: 'Keep this log' }).click();
    await expect(page.getByText('The log is of another time.')).toBeVisible();
    await page.getByRole('button', { name: 'It is not of this pour' }).click();
    await expect(page.getByText('Nothing was measured of this burnout.')).toBeVisible();
  });

  await test.step('what the log shows of the kiln is planned with, by a press', async () => {
    await page.goto(`${shop.address}/shop/kiln`);
    await page.getByRole('button', { name: /night in F\.csv/ }).click();
    await expect(page.getByText('Climbs by itself, driven with all it has')).toBeVisible();
    const kept = page.waitForResponse((answer) => answer.url().includes('/shop/kiln/') && answer.request().method() === 'PUT'); // prettier-ignore
    await page.getByRole('button', { name: 'Plan with these' }).click();
    expect((await kept).ok()).toBe(true);
    await page.reload();
    await expect(page.getByText('Plans count with what “night in F.csv” showed')).toBeVisible();
  });
  expect(problems).toEqual([]);
});
