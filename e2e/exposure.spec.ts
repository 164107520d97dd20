import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { readPattern } from '../core/src/pattern';
import { passChance } from '../core/src/exposure';
import { TUNED_CLASSES, type TunedClass } from '../core/src/exposure';
import { addFromBook, choose, pagesOf, type } from './fields';
import { startShop, type StartedShop } from './startShop';

/** What a resin truly does here: seconds at which half the struts stand, and half the slots have shut, by class. */
type Truth = Record<TunedClass, [lowerS: number, upperS: number]>;
const GOOD_RESIN: Truth = { filigree: [2.6, 5.4], standard: [2.3, 6], heavy: [2, 6.6] };
const COARSE_RESIN: Truth = { filigree: [4.4, 2.6], standard: [2.6, 4.9], heavy: [2.1, 5.6] };
const SLOPE = 0.12;

/** The count that a coupon of 24 would most likely show. */
const count = (side: 'lower' | 'upper', exposureS: number, halfS: number): number =>
  Math.round(24 * passChance(side, Math.log(exposureS), Math.log(halfS), SLOPE));

let shop: StartedShop;
test.beforeAll(async () => {
  shop = await startShop({ demo: false });
});
test.afterAll(() => shop.stop());

const figure = async (page: Page): Promise<number> =>
  Number.parseFloat(await page.getByTestId('figure').innerText());
/** What is said stands on all counts so far. */
const reckoned = (page: Page): Promise<void> =>
  expect(page.getByRole('region', { name: 'What to do next' })).toHaveAttribute('aria-busy', 'false');
const tab = (page: Page, name: string) => page.getByRole('tab', { name: new RegExp(`^${name}`) });

/** Prints what is proposed and enters its counts, by keyboard alone. Returns the exposure. */
async function enterCoupon(page: Page, truth: Truth, serverAway = false): Promise<number> {
  await reckoned(page);
  const exposureS = await figure(page);
  await page.context().setOffline(serverAway);
  await page.keyboard.press('e');
  await expect(page.getByRole('region', { name: 'Counts of the coupon' })).toBeVisible();
  await expect(page.getByRole('textbox', { name: 'Exposure', exact: true })).toHaveValue(String(exposureS));
  await expect(page.getByRole('textbox', { name: '0.25 mm struts standing of 24' })).toBeFocused();
  for (const castClass of TUNED_CLASSES) {
    const [lower, upper] = truth[castClass];
    for (const good of [count('lower', exposureS, lower), count('upper', exposureS, upper)]) {
      await page.keyboard.type(String(good));
      await page.keyboard.press('Enter');
    }
  }
  // The base comes next: Tab to "held", Space.
  await page.keyboard.press('Tab');
  await page.keyboard.press(' ');
  await expect(page.getByRole('radio', { name: 'held', exact: true })).toHaveAttribute(
    'aria-checked',
    'true',
  );
  const kept = page.getByRole('region', { name: 'Counts of the coupon' }).getByRole('status');
  if (serverAway) {
    await expect(kept).toHaveText('keeping …');
    await page.context().setOffline(false);
  }
  await expect(kept).toHaveText('kept');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('region', { name: 'Counts of the coupon' })).toHaveCount(0);
  return exposureS;
}

async function addResin(page: Page, name: string): Promise<void> {
  await page.getByRole('navigation').getByRole('link', { name: 'Resins' }).first().click();
  await addFromBook(page, 'Add a resin', 'wax-rich');
  await expect(page.getByRole('heading', { name: 'New wax-rich resin' })).toBeVisible();
  await type(page, 'Name', name);
  await expect(page.getByRole('heading', { name })).toBeVisible();
  await page.getByRole('button', { name: 'Add a figure' }).click();
  await type(page, 'Exposure', '3,2');
  const row = page.getByRole('group', { name: 'Figure from maker' });
  await type(row, 'Vat', '79 F');
  await expect(
    page
      .getByRole('status')
      .filter({ hasText: /^kept$/ })
      .first(),
  ).toBeVisible();
  await expect(row.getByRole('textbox', { name: 'Vat' })).toHaveValue('26');
}

test('a new resin on a new printer: seconds in four coupons, or the word that there are none', async ({
  page,
}) => {
  const problems: string[] = [];
  page.on('pageerror', (error) => problems.push(error.message));

  await test.step('a printer, a resin, the maker’s figure', async () => {
    await page.goto(`${shop.address}/resins`);
    await expect(page.getByText('No resin yet.')).toBeVisible();
    await page.goto(`${shop.address}/shop/printer`);
    await addFromBook(page, 'Add a printer');
    await type(page, 'Name', 'Printer A');
    await expect(page.getByRole('heading', { name: 'Printer A' })).toBeVisible();
    await addResin(page, 'Skerry Wax 55');
    await page.getByRole('link', { name: 'Tune' }).click();
    await expect(page.getByText('3.2 s maker for this printer')).toBeVisible();
    await expect(page.getByText('No coupon yet for filigree.')).toBeVisible();
  });

  await test.step('the coupon file is one closed solid with all that is to be counted', async () => {
    await page.getByRole('link', { name: 'Coupon file' }).click();
    await expect(page.locator('.preview[data-ready="true"]')).toBeVisible({ timeout: 30_000 });
    const saving = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Save as STL' }).click();
    const download = await saving;
    expect(download.suggestedFilename()).toBe('coupon Skerry Wax 55 Printer A 3.2 S.stl');
    const reading = readPattern(new Uint8Array(readFileSync(await download.path())), 'coupon.stl', 1);
    if (reading.status !== 'read') throw new Error(reading.status);
    expect(reading.measure).toMatchObject({ closed: true, shells: 1 });
    await expect(page.getByText(`${(reading.measure.volumeMm3 / 1000).toFixed(2)} ml, `)).toBeVisible();
  });

  await test.step('its sheet is one page with boxes for the counts', async () => {
    expect(pagesOf(await page.pdf({ preferCSSPageSize: true, format: 'A4' }))).toBe(1);
  });

  await test.step('four coupons by keyboard, a reload in the middle of the third, the server away for the fourth', async () => {
    await page.getByRole('link', { name: 'Tune' }).click();
    const printed: number[] = [];
    for (let n = 1; n <= 4; n++) {
      if (n === 3) {
        await page.keyboard.press('e');
        const first = page.getByRole('textbox', { name: '0.25 mm struts standing of 24' });
        await expect(first).toBeFocused();
        await page.keyboard.type('7');
        await expect(first).toHaveValue('7');
        await expect(
          page.getByRole('region', { name: 'Counts of the coupon' }).getByRole('status'),
        ).toHaveText('kept');
        await page.reload();
        await page.getByRole('row').filter({ hasText: '7 / 24' }).getByRole('button').click();
        await page.getByRole('button', { name: 'Take this coupon away' }).click();
        await expect(page.getByRole('row')).toHaveCount(3);
      }
      printed.push(await enterCoupon(page, GOOD_RESIN, n === 4));
      await expect(page.getByRole('row')).toHaveCount(n + 1);
    }
    expect(printed[0]).not.toBe(printed[1]);
  });

  await test.step('a verdict for each class', async () => {
    for (const [name, truth] of [
      ['Filigree', GOOD_RESIN.filigree],
      ['Standard', GOOD_RESIN.standard],
      ['Heavy', GOOD_RESIN.heavy],
    ] as const) {
      await tab(page, name).click();
      await expect(tab(page, name)).toHaveAttribute('aria-selected', 'true');
      await expect(page.getByText(/^Prints at [\d.]+ s\.$/)).toBeVisible();
      // The best exposure lies where both edges pass alike, between the two.
      const middle = Math.sqrt(truth[0] * truth[1]);
      await expect.poll(async () => Math.abs((await figure(page)) / middle - 1)).toBeLessThan(0.12);
    }
    await tab(page, 'Base layers').click();
    await expect(page.getByRole('cell', { name: 'held', exact: true }).first()).toBeVisible();
  });

  await test.step('accepted, it is a profile with its provenance', async () => {
    await tab(page, 'Standard').click();
    await expect(tab(page, 'Standard')).toHaveAttribute('aria-selected', 'true');
    const best = await figure(page);
    await page.getByRole('button', { name: 'Take it into a profile' }).click();
    await expect(page.getByText(/v1 is ready for pours/)).toBeVisible();
    await expect(page.getByText(new RegExp(`In use: ${best} s, 4 coupons`))).toBeVisible();
    await page.getByRole('button', { name: 'Take it into a profile' }).click();
    await expect(page.getByText(/v2 is ready for pours/)).toBeVisible();
    await page.getByRole('link', { name: 'Profiles' }).click();
    await expect(page.getByText(/tested: 4 coupons, .* · version 2/)).toBeVisible();
  });

  await test.step('and a pour uses its newest version', async () => {
    await page.getByRole('heading', { name: 'Skerry Wax 55' }).click();
    await page.keyboard.press('n');
    await expect(page.getByRole('heading', { name: 'Brief' })).toBeVisible();
    await page.keyboard.press('3');
    await choose(page, 'Resin', /Skerry Wax 55/);
    await choose(page, 'Printer', 'Printer A');
    await expect(page.getByRole('heading', { name: /standard · 0.05 mm v2$/ })).toBeVisible();
    await expect(page.getByText(/^Tested: 4 coupons/)).toBeVisible();
    await page.getByRole('button', { name: 'Change it for this pour' }).click();
    await expect(page.getByRole('heading', { name: /v3$/ })).toBeVisible();
    await expect(page.getByText('Untested here.')).toBeVisible();
  });

  await test.step('a coarse resin is not for filigree, and prints the rest', async () => {
    await addResin(page, 'Brine Clear-Out');
    await page.getByRole('link', { name: 'Tune' }).click();
    await tab(page, 'Filigree').click();
    await expect(tab(page, 'Filigree')).toHaveAttribute('aria-selected', 'true');
    for (let n = 1; n <= 4 && (await page.getByText('Not for filigree.').count()) === 0; n++) {
      await enterCoupon(page, COARSE_RESIN);
      await expect(page.getByRole('row')).toHaveCount(n + 1);
      await reckoned(page);
    }
    await expect(page.getByText('Not for filigree.')).toBeVisible();
    await expect(page.getByText('Ways out: thicker layers')).toBeVisible();
    await expect(page.getByRole('button', { name: 'Take it into a profile' })).toHaveCount(0);
    await tab(page, 'Heavy').click();
    await expect(page.getByText('Not for heavy.')).toHaveCount(0);
  });

  await test.step('parts that failed are trials of their own: they speak, and settle nothing', async () => {
    await page.getByRole('button', { name: 'Parts failed, or stood' }).click();
    const entry = page.getByRole('region', { name: 'Parts as a trial' });
    await expect(entry.getByText('Which part?')).toBeVisible();
    await entry.getByRole('combobox', { name: 'Part', exact: true }).fill('Lace ring');
    await type(entry, 'Seconds', '10, 15 and 20');
    await type(entry, 'Stood', '16');
    await type(entry, /^Of$/, '15');
    await expect(entry.getByText('16 cannot stand of 15.')).toBeVisible();
    await type(entry, 'Stood', '3');
    await entry.getByRole('button', { name: 'Keep as 3 trials' }).click();
    const rows = page.getByRole('row').filter({ hasText: 'Lace ring' });
    await expect(rows).toHaveCount(3);
    await expect(rows.first()).toContainText('3 / 15');
    await rows.first().getByRole('button').click();
    await page.getByRole('button', { name: 'Take these parts away' }).click();
    await expect(rows).toHaveCount(2);
  });
  expect(problems).toEqual([]);
});
