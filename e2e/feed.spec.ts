import { writeFile } from 'node:fs/promises';
import { expect, test, type Page } from '@playwright/test';
import { addFromBook, allKept, choose, type } from './fields';
import { heavyHeadedBand, longWire } from './parts/heavyHeaded';
import { startShop, type StartedShop } from './startShop';

let shop: StartedShop;
test.beforeAll(async () => {
  shop = await startShop({ demo: false });
});
test.afterAll(() => shop.stop());

const SLOW = { timeout: 90_000 };

/** A pour of one file: brief, pattern, and Way up with the part on show. Gives the pour's address. */
async function pourOf(page: Page, file: string): Promise<string> {
  await page.goto(shop.address);
  await page.keyboard.press('n');
  await expect(page.getByRole('heading', { name: 'Brief' })).toBeVisible();
  await choose(page, 'Metal', 'Sterling silver');
  await page.getByRole('heading', { name: 'Brief' }).click();
  await page.keyboard.press('2');
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Choose a file' }).click();
  await (await chooser).setFiles(file);
  await expect(page.locator('.part[data-ready="true"]')).toBeVisible(SLOW);
  await allKept(page);
  return page.url().replace(/(\/pours\/[^/]+).*/, '$1');
}

/** Presses along a line over the picture until a gate stands on the part. */
async function placeGate(page: Page, from: [number, number], to: [number, number]): Promise<void> {
  await page.getByRole('button', { name: 'Place gates on the part' }).click();
  const box = (await page.locator('.part canvas').boundingBox())!;
  for (let n = 0; n <= 24; n++) {
    const [x, y] = [0, 1].map((k) => from[k]! + ((to[k]! - from[k]!) * n) / 24) as [number, number];
    await page.mouse.click(box.x + x * box.width, box.y + y * box.height);
    if ((await page.getByRole('textbox', { name: 'Gate 1, diameter' }).count()) > 0) break;
  }
  await page.getByRole('button', { name: 'Done placing' }).click();
  await expect(page.getByRole('textbox', { name: 'Gate 1, diameter' })).toBeVisible();
}

test('a hidden neck starves a heavy head until it has its own gate; a long wire fills in a hotter flask only', async ({
  page,
}, info) => {
  const problems: string[] = [];
  page.on('pageerror', (error) => problems.push(error.message));
  const [band, wire] = [info.outputPath('headed band.stl'), info.outputPath('long wire.stl')];
  await writeFile(band, heavyHeadedBand());
  await writeFile(wire, longWire(6, 10));

  await test.step('an empty shop gets a metal and says how it pours', async () => {
    await page.goto(`${shop.address}/shop/alloy`);
    await addFromBook(page, 'Add a metal', 'Sterling silver');
    await page.getByRole('link', { name: 'Bench hours, currency' }).click();
    await page.getByRole('button', { name: 'under vacuum' }).click();
  });

  await test.step('by the whole part a gate of 3 mm feeds the band; followed on the part it starves the head', async () => {
    const pour = await pourOf(page, band);
    await page.goto(`${pour}/wayUp`);
    await page.getByRole('button', { name: 'Take the proposal' }).click();
    await expect(page.getByText('Gate feeds.')).toBeVisible();
    await placeGate(page, [0.32, 0.98], [0.32, 0.3]);
    await expect(page.getByText(/^Mass 1 (starves|is fed late)\./)).toBeVisible(SLOW);
    await expect(page.getByText(/The way narrows to 1\.2 mm/).first()).toBeVisible();
  });

  await test.step('a gate on the head mends it, and both are drawn into the print', async () => {
    await page.getByRole('button', { name: 'Propose gates' }).click();
    await expect(page.getByText('All 2 masses are fed.')).toBeVisible(SLOW);
    await expect(page.getByRole('textbox', { name: 'Gate 2, diameter' })).toBeVisible();
    await page.getByRole('button', { name: 'Draw the 2 gates into the print' }).click();
    await expect(page.getByText(/as the file has them|Gates of each headed band/).first()).toBeVisible(SLOW);
    await expect(page.getByRole('button', { name: /^Draw the/ })).toHaveCount(0, SLOW);
    const got = (await (await page.request.get(`${shop.address}/api/shop`)).json()) as {
      patterns: { sprues?: { sections: unknown[] }; measure: { closed: boolean; shells: number } }[];
    };
    expect(got.patterns[0]!.sprues!.sections).toHaveLength(2);
    expect(got.patterns[0]!.measure).toMatchObject({ closed: true, shells: 1 });
  });

  await test.step('a long thin wire does not fill with the flask at 480, and does at 560', async () => {
    const pour = await pourOf(page, wire);
    await page.goto(`${pour}/pour`);
    await type(page, 'Flask, your own', '480');
    await page.goto(`${pour}/wayUp`);
    await placeGate(page, [0.05, 0.55], [0.6, 0.5]);
    await expect(page.getByText('It does not fill.')).toBeVisible(SLOW);
    await page.goto(`${pour}/pour`);
    await type(page, 'Flask, your own', '560');
    await page.goto(`${pour}/wayUp`);
    await expect(page.getByText('It may fill late.')).toBeVisible(SLOW);
  });
  expect(problems).toEqual([]);
});
