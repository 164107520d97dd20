import { readPattern } from '@zero-pour/core';
import { readFile, writeFile } from 'node:fs/promises';
import { expect, test, type Page } from '@playwright/test';
import { addFromBook, allKept, choose, type } from './fields';
import { signetBlank, waistedBoss } from './parts/molded';
import { startShop, type StartedShop } from './startShop';

let shop: StartedShop;
test.beforeAll(async () => {
  shop = await startShop({ demo: false });
});
test.afterAll(() => shop.stop());

const SLOW = { timeout: 90_000 };

/** A pattern of a file, by the page of patterns. */
async function addPattern(page: Page, file: string): Promise<void> {
  await page.goto(`${shop.address}/patterns`);
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Choose a file' }).click();
  await (await chooser).setFiles(file);
  await expect(page.locator('.part[data-ready="true"]').first()).toBeVisible(SLOW);
}

/** Waits until what is done here of a mold is kept. */
async function recordKept(page: Page, act: () => Promise<unknown>): Promise<void> {
  const kept = page.waitForResponse((answer) => answer.url().includes('/records/mold/') && answer.ok());
  await act();
  await kept;
}

test('a signet blank by rubber from master to five waxes to a pour; a waisted boss by flexible resin, not by hard', async ({
  page,
}, info) => {
  const problems: string[] = [];
  page.on('pageerror', (error) => problems.push(error.message));
  const [blank, boss] = [info.outputPath('signet blank.stl'), info.outputPath('waisted boss.stl')];
  await writeFile(blank, signetBlank());
  await writeFile(boss, waistedBoss());

  await test.step('an empty shop gets a metal, and a pour of five by the route that is cheapest for many', async () => {
    await page.goto(`${shop.address}/shop/alloy`);
    await addFromBook(page, 'Add a metal', 'Sterling silver');
    await page.goto(shop.address);
    await page.keyboard.press('n');
    await expect(page.getByRole('heading', { name: 'Brief' })).toBeVisible();
    const chooser = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: 'Choose a file' }).click();
    await (await chooser).setFiles(blank);
    await expect(page.getByRole('button', { name: /^Take signet blank/i })).toBeVisible(SLOW);
    await type(page, 'Castings', '5');
    await choose(page, 'Metal', 'Sterling silver');
    await page.getByText('Which route?').click();
    await expect(page.getByText(/The cheapest: from 1 on burn out the print/)).toBeVisible(SLOW);
    await type(page, 'Good castings wanted', '200');
    await expect(page.getByText(/What decides at 200 is/)).toBeVisible();
    await page
      .getByRole('row', { name: /wax from a rubber mold/ })
      .getByRole('button', { name: 'Take it' })
      .click();
    await expect(page.getByText('No mold chosen.')).toBeVisible();
    await allKept(page);
  });
  const pour = page.url().replace(/(\/pours\/[^/]+).*/, '$1');

  await test.step('its mold is planned from it; nothing good is said of a master that nobody knows', async () => {
    await page.getByRole('button', { name: 'Plan a mold for it' }).click();
    await expect(page.getByRole('heading', { name: 'signet blank, rubber' })).toBeVisible();
    await expect(page.getByText('Is there a sprue on it?')).toBeVisible();
    await expect(page.getByText(/Not read yet: nothing is said/)).toBeVisible();
    await page.getByRole('group', { name: 'Sprue on it' }).getByRole('button', { name: 'no' }).click();
    await expect(page.getByText('No sprue on it.')).toBeVisible();
    await page.getByRole('group', { name: 'Sprue on it' }).getByRole('button', { name: 'yes' }).click();
    await page
      .getByRole('group', { name: 'Layer lines sanded' })
      .getByRole('button', { name: 'yes' })
      .click();
    await page.getByRole('button', { name: 'Find the best pull' }).click();
    await expect(page.getByText('Two halves let it go.')).toBeVisible(SLOW);
  });

  await test.step('it is planned back from its zero, with the line of the cut, and stands on the board', async () => {
    await expect(page.getByText(/follows the dashed line: \d+\.\d mm round the part/)).toBeVisible();
    await expect(page.getByText('It goes into its frame.')).toBeVisible();
    await expect(page.getByText(/under the press for 60 min/)).toBeVisible();
    await page.getByRole('button', { name: /^Earliest:/ }).click();
    await expect(page.getByText(/Next hands-on. Clean frame and master: /)).toBeVisible();
    await recordKept(page, () => type(page, 'Where it lies', 'Shelf by the press'));
    const mold = page.url();
    await page.goto(shop.address);
    await expect(page.getByRole('link', { name: 'Open signet blank, rubber' })).toBeVisible(SLOW);
    await expect(page.getByRole('link', { name: 'Clean frame and master', exact: true })).toBeVisible();
    await page.goto(mold);
  });

  await test.step('it is packed, pressed and cut at the bench, by the space bar', async () => {
    await expect(page.getByRole('heading', { name: 'signet blank, rubber' })).toBeVisible(SLOW);
    await page.keyboard.press('b');
    for (const step of ['Clean frame and master', 'Pack half, master, pack', 'Press']) {
      await expect(page.getByRole('heading', { name: step })).toBeVisible(SLOW);
      await page.keyboard.press('Space');
      await expect(page.getByRole('button', { name: 'done, next' })).toBeVisible();
      await page.keyboard.press('Space');
    }
    // It cools by itself; what was begun outlasts a reload.
    await expect(page.getByRole('heading', { name: 'Cool' })).toBeVisible();
    await page.reload();
    await expect(page.getByRole('heading', { name: 'Cool' })).toBeVisible(SLOW);
    await page.getByRole('button', { name: 'done, next' }).click();
    await expect(page.getByText(/A fresh blade, drawn away from the hand/)).toBeVisible();
    await page.keyboard.press('Space');
    await recordKept(page, () => page.keyboard.press('Space'));
    await page.keyboard.press('Escape');
    await expect(page.getByRole('button', { name: 'Cut: not done' })).toBeVisible(SLOW);
  });

  await test.step('its first waxes come short in cold wax, then five of six are good, all for the pour', async () => {
    await expect(page.getByText('No wax yet.')).toBeVisible();
    await type(page, 'Wax, as its maker says', '68');
    await type(page, /^Waxes$/, '2');
    await type(page, 'Good', '3');
    await expect(page.getByText('More good ones than waxes')).toBeVisible();
    await type(page, 'Good', '0');
    await type(page, /^Wax$/, '142 F');
    await page.getByRole('button', { name: 'Short: not filled' }).click();
    await page.getByRole('button', { name: 'Note it' }).click();
    await expect(page.getByText(/wax or mold too cold/)).toBeVisible();
    await type(page, /^Waxes$/, '6');
    await type(page, 'Good', '5');
    await recordKept(page, () => page.getByRole('button', { name: 'Note it' }).click());
    await page.reload();
    await expect(page.getByRole('row', { name: /5 of 6 good.*pour 1/ })).toBeVisible(SLOW);
    await expect(page.getByRole('button', { name: 'Cut: not done' })).toBeVisible();
  });

  await test.step('the pour has its waxes, and begins there', async () => {
    await page.goto(`${pour}/brief`);
    await expect(page.getByText('Its waxes are here.')).toBeVisible(SLOW);
    await type(page, 'Castings', '9');
    await expect(page.getByText(/Inject \d+ for 4\./)).toBeVisible();
    await page.getByRole('button', { name: 'Begin at the waxes' }).click();
    await expect(page.getByText('Begins at the waxes: Print and Clean are left.')).toBeVisible();
    await allKept(page);
    await page.goto(`${pour}/print`);
    await expect(page.getByRole('button', { name: 'Take it up again' })).toBeVisible();
  });

  await test.step('two hard halves are refused for the boss along its axis, with the ways out; flexible resin springs off', async () => {
    await addPattern(page, boss);
    await page.goto(`${shop.address}/molds`);
    await page.getByRole('button', { name: 'Plan a mold' }).click();
    await expect(page.getByRole('heading', { name: 'Mold 2' })).toBeVisible();
    await choose(page, 'Made of', 'hard resin');
    await choose(page, 'Pattern', 'waisted boss');
    await page.getByRole('button', { name: 'along z' }).click();
    await page.getByRole('button', { name: 'Read the undercuts' }).click();
    await expect(page.getByText('Two halves of hard resin do not let it go.')).toBeVisible(SLOW);
    await expect(page.getByText(/Pulled the other way that was found, nothing is caught/)).toBeVisible();
    await choose(page, 'Made of', 'flexible resin');
    await expect(page.getByText('Springs off in flexible resin.')).toBeVisible(SLOW);
    // With a pull of its own that is not read, the best is searched all the same.
    await page.reload();
    await page.getByRole('button', { name: 'Find the best pull' }).click();
    await expect(page.getByText('Two halves let it go.')).toBeVisible(SLOW);
    await page.getByRole('button', { name: 'along z' }).click();
    await expect(page.getByText('Springs off in flexible resin.')).toBeVisible(SLOW);
  });

  await test.step('its halves are saved as two files that read back closed, and kept as patterns', async () => {
    await page.getByRole('button', { name: 'Make the halves' }).click();
    await expect(page.getByRole('button', { name: 'Save the lower half' })).toBeVisible(SLOW);
    await expect(page.getByText('No printer on record.')).toBeVisible();
    for (const half of ['lower', 'upper']) {
      const saved = page.waitForEvent('download');
      await page.getByRole('button', { name: `Save the ${half} half` }).click();
      const file = await (await saved).path();
      const reading = readPattern(await readFile(file), 'half.stl', 1);
      expect(reading).toMatchObject({ status: 'read', measure: { closed: true, shells: 1 } });
    }
    await type(page, 'Wall round the part', '10');
    await expect(page.getByText('These halves are of what was set before.')).toBeVisible();
    await page.getByRole('button', { name: 'Make the halves' }).click();
    await expect(page.getByText('These halves are of what was set before.')).toBeHidden(SLOW);
    await page.getByRole('button', { name: 'Keep both as patterns' }).click();
    await expect(page.getByText(/Both halves are kept among the patterns/)).toBeVisible(SLOW);
    await page.goto(`${shop.address}/patterns`);
    await expect(page.getByRole('link', { name: /waisted boss, upper half/ })).toBeVisible();
  });
  expect(problems).toEqual([]);
});
