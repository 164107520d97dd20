import { expect, test, type Page } from '@playwright/test';
import { rmSync } from 'node:fs';
import { writeBinaryStl } from '../core/src/mesh';
import { blocks, box, moved, together } from '../core/src/testing/solids';
import { drop } from './drop';
import { choose } from './fields';
import { startShop, type StartedShop } from './startShop';

let shop: StartedShop;
test.beforeAll(async () => {
  shop = await startShop({ demo: true });
});
test.afterAll(async () => {
  await shop.stop();
  rmSync(shop.dataFolder, { recursive: true, force: true });
});

/** A nameplate of 12 × 6 × 3 mm with two upright strokes cut 0.4 mm wide and 2 mm deep, and a round sprue beside it. */
const plate = blocks(
  [[0, 3, 3.4, 8, 8.4, 12], [0, 1, 5, 6], [0, 1, 3]], // prettier-ignore
  (i, j, k) => !((i === 1 || i === 3) && j === 1 && k === 1),
);
const lettered = together(plate, moved(box([3, 3, 11]), [4.2, 1.5, -10.5]));

const stage = (page: Page, key: string, name: string) =>
  test.step(`to ${name}`, async () => {
    await page.locator('h1').first().click();
    await page.keyboard.press(key);
    await expect(page.getByRole('heading', { name, exact: true })).toBeVisible();
  });

test('what was found in the file, and an old vat, are spoken of where they are acted on', async ({
  page,
}) => {
  const problems: string[] = [];
  page.on('pageerror', (error) => problems.push(error.message));
  await page.clock.install({ time: new Date() });
  await page.goto(`${shop.address}/patterns`);

  await test.step('a sprue in the file is known by its looks, and kept out of the piece', async () => {
    await expect(page.getByRole('heading', { name: 'Patterns' })).toBeVisible();
    await drop(page, 'nameplate.stl', Buffer.from(writeBinaryStl(lettered.positions, lettered.triangles)));
    await expect(page.getByText('One body looks like a sprue')).toBeVisible({ timeout: 30_000 });
    await page.getByRole('button', { name: 'It is a sprue' }).click();
    await expect(page.getByText(/a body,\s+⌀/)).toBeVisible();
    const row = page
      .getByRole('row', { name: /^Metal volume/ })
      .or(page.getByText('Metal volume').locator('..'));
    // 12 × 6 × 3 less two strokes of 0.4 × 4 × 2.
    await expect(row.first()).toContainText('0.210 cm³');
    await expect(page.getByText('Sprues in the file, besides')).toBeVisible();
    await expect(
      page
        .getByRole('region', { name: 'Findings' })
        .getByRole('button', { name: /investment/i })
        .first(),
    ).toBeVisible({ timeout: 60_000 });
  });

  await test.step('its strokes are spoken of at Invest, its sprue at the gates', async () => {
    await page.getByRole('button', { name: 'Use in a pour' }).click();
    await expect(page.getByRole('heading', { name: 'Brief', exact: true })).toBeVisible();
    await stage(page, '4', 'Way up and gates');
    await expect(page.getByText('(as the file has them, not set yet)')).toBeVisible();
    await page.getByRole('button', { name: 'Propose gates' }).click();
    await expect(page.getByRole('cell', { name: /^Mass 1,/ })).toBeVisible({ timeout: 60_000 });
    await expect(page.getByRole('textbox', { name: 'Gate 1, diameter' })).toBeVisible();
    await expect(page.getByText(/mass is fed|masses are fed/)).toBeVisible();
    await stage(page, '9', 'Invest');
    await expect(page.getByText(/fragile/i).first()).toBeVisible();
  });

  await test.step('a plate printed from a vat that stood three months is told of at Clean, Sprue, Invest and Pour', async () => {
    const { openPours } = (await (await page.request.get(`${shop.address}/api/shop`)).json()) as {
      openPours: { id: string; number: number }[];
    };
    await page.goto(`${shop.address}/pours/${openPours.find(({ number }) => number === 31)!.id}/print`);
    await expect(page.getByRole('heading', { name: 'Print', exact: true })).toBeVisible();
    // The shop noted when this resin's vat on Printer A was filled.
    await stage(page, '3', 'Resin');
    await choose(page, 'Resin', /Skerry Wax 55/);
    await stage(page, '6', 'Print');
    await page.clock.fastForward(90 * 24 * 3_600_000);
    await page.getByRole('button', { name: 'Started now' }).click();
    for (const [key, name] of [
      ['7', 'Clean'],
      ['8', 'Sprue and flask'],
      ['9', 'Invest'],
      ['-', 'Pour'],
    ] as const) {
      // prettier-ignore
      await stage(page, key, name);
      await expect(page.getByText('Printed from a stale vat.').first()).toBeVisible();
    }
  });
  expect(problems).toEqual([]);
});
