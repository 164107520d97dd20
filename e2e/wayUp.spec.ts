import { expect, test } from '@playwright/test';
import { readFile } from 'node:fs/promises';
import { choose, ticketLine } from './fields';
import { startShop, type StartedShop } from './startShop';

/** Lowest and highest z of a binary STL. */
function heightsOf(stl: Buffer): [number, number] {
  let [low, high] = [Infinity, -Infinity];
  for (let t = 0; t < stl.readUInt32LE(80); t++)
    for (let corner = 0; corner < 3; corner++) {
      const z = stl.readFloatLE(84 + 50 * t + 12 + 12 * corner + 8);
      [low, high] = [Math.min(low, z), Math.max(high, z)];
    }
  return [low, high];
}

let shop: StartedShop;
test.beforeAll(async () => {
  shop = await startShop({ demo: true });
});
test.afterAll(() => shop.stop());

test('a way up is searched and taken, the plate is filled, two lost pieces are explained', async ({
  page,
}) => {
  const { openPours } = (await (await page.request.get(`${shop.address}/api/shop`)).json()) as {
    openPours: { id: string; number: number }[];
  };
  const { id } = openPours.find((pour) => pour.number === 31)!;

  await test.step('three named ways beside one’s own', async () => {
    await page.goto(`${shop.address}/pours/${id}/wayUp`);
    await expect(page.locator('.part[data-ready="true"]')).toBeVisible({ timeout: 30_000 });
    await page.getByRole('button', { name: 'Search', exact: true }).click();
    await expect(page.getByRole('row', { name: /^fastest/i })).toBeVisible({ timeout: 60_000 });
    for (const name of ['cleanest face', 'safest', 'fastest', 'as it stands now', 'tilted 40°'])
      await expect(page.getByRole('row', { name: new RegExp(`^${name}`, 'i') })).toBeVisible();
    const hours = ticketLine(page, 'Print time');
    const before = await hours.innerText();
    await page.getByRole('button', { name: 'Take fastest' }).click();
    await expect(hours).not.toHaveText(before);
    await expect(page.getByRole('row', { name: /^fastest/i })).toContainText('stands so');
    // The band lies flat: 7 mm wide and about a hundredth larger.
    await expect(page.getByRole('definition').filter({ hasText: '7.0 mm' }).first()).toBeVisible();
  });

  await test.step('what supports it wants, and the file as it stands', async () => {
    const supports = page.getByRole('region', { name: 'Supports' });
    await expect(supports.getByText(/\d+ supports?:|It stands by itself/)).toBeVisible({ timeout: 30_000 });
    await expect(supports.getByText(/The film pulls at/)).toBeVisible();
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'Save Barnacle band, standing, as STL' }).click(),
    ]);
    expect(download.suggestedFilename()).toMatch(/^Barnacle band .*standing mm\.stl$/);
    const [low, high] = heightsOf(await readFile(await download.path()));
    expect(low).toBeCloseTo(0, 4);
    // 7 mm wide, at about 101 %.
    expect(high).toBeGreaterThan(7.02);
    expect(high).toBeLessThan(7.15);
  });

  await test.step('how many, and where they stand', async () => {
    await page.getByRole('heading', { name: 'Way up and gates' }).click();
    await page.keyboard.press('6');
    await expect(page.getByText(/To have 3 good with 90 in 100, print/)).toBeVisible();
    await page.getByRole('button', { name: /^Take \d+ spares?$/ }).click();
    await page.getByText('The plate from above').click();
    await expect(page.getByRole('img', { name: /^Plate of Printer A from above/ })).toBeVisible();
    await page.getByRole('button', { name: 'Started now' }).click();
    await page.getByRole('button', { name: 'Finished now' }).click();
  });

  await test.step('two lost pieces, and why', async () => {
    await page.getByRole('button', { name: 'All good' }).click();
    for (const piece of ['2', '3']) {
      await page
        .getByRole('radiogroup', { name: `Barnacle band ${piece}`, exact: true })
        .getByRole('radio', { name: 'lost' })
        .click();
    }
    const wrong = page.getByRole('combobox', { name: 'What is wrong' });
    await expect(wrong).toHaveCount(2);
    await choose(page, 'What is wrong', 'Fell from the plate');
    await expect(
      page.getByRole('heading', { name: 'Why: fell from the plate (Barnacle band 2)' }),
    ).toBeVisible();
    await expect(page.getByText(/Change one thing:/)).toBeVisible();
    await page.getByRole('button', { name: 'it was not' }).first().click();
    await page.reload();
    await expect(page.getByRole('button', { name: 'may be, after all' })).toBeVisible();
    await expect(page.getByText('lost').first()).toBeVisible();
    await expect(page.getByRole('radiogroup', { name: 'Barnacle band 3', exact: true }).getByRole('radio', { name: 'lost' })).toBeChecked(); // prettier-ignore
  });
});
