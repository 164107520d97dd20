import { expect, test, type Page } from '@playwright/test';
import { choose, type } from './fields';
import { startShop, type StartedShop } from './startShop';

let shop: StartedShop;
test.beforeAll(async () => {
  shop = await startShop({ demo: true });
});
test.afterAll(() => shop.stop());

const SLOW = { timeout: 90_000 };

async function pourBy(page: Page, way: string): Promise<void> {
  await page.getByRole('navigation').getByRole('link', { name: 'Shop' }).first().click();
  await page.getByRole('link', { name: 'Bench hours, currency' }).click();
  await page.getByRole('button', { name: way }).click();
}

test('three bands: fed and filled, hung in the smallest flask, cast out of two lots, and the button comes back', async ({
  page,
}) => {
  const problems: string[] = [];
  page.on('pageerror', (error) => problems.push(error.message));
  await page.goto(shop.address);
  await page.getByRole('link', { name: /^Open pour 31/ }).click();
  await page.waitForURL(/\/pours\//);
  const pour = page.url().replace(/(\/pours\/[^/]+).*/, '$1');

  await test.step('gates are proposed, feed every mass, and fill it under vacuum', async () => {
    await page.goto(`${pour}/wayUp`);
    await page.getByRole('button', { name: 'Propose gates' }).click();
    await expect(page.getByRole('cell', { name: /^Mass 1,/ })).toBeVisible(SLOW);
    await expect(page.getByText(/^All \d+ masses are fed\./)).toBeVisible(SLOW);
    await expect(page.getByText('It fills.')).toBeVisible(SLOW);
  });

  await test.step('by gravity alone the metal is held out; the way of pouring is the shop’s', async () => {
    await pourBy(page, 'by gravity');
    await page.goto(`${pour}/wayUp`);
    await expect(page.getByText('It does not fill.')).toBeVisible(SLOW);
    await expect(page.getByText(/surface tension holds it out/)).toBeVisible();
    await pourBy(page, 'under vacuum');
    await page.goto(`${pour}/wayUp`);
    await expect(page.getByText('It fills.')).toBeVisible(SLOW);
  });

  await test.step('they hang in the smallest flask that takes them; one that is pushed onto another touches', async () => {
    await page.goto(`${pour}/sprue`);
    await page.getByRole('button', { name: 'Smallest flask that takes them' }).click();
    await expect(page.getByText('Parts apart.')).toBeVisible(SLOW);
    await expect(page.getByText('Clear of the wall.')).toBeVisible();
    const first = page.getByRole('button', { name: /^Barnacle band 1: left and right/ });
    await expect(first).toBeVisible(SLOW);
    await first.focus();
    for (let n = 0; n < 60; n++) {
      await page.keyboard.press('ArrowRight');
      if (n % 10 === 9 && (await page.getByText(/^Parts (touch|too close)\./).count()) > 0) break;
    }
    await expect(page.getByText(/^Parts (touch|too close)\./)).toBeVisible(SLOW);
    await page.getByRole('button', { name: 'Hang them in this flask' }).click();
    await expect(page.getByText('Parts apart.')).toBeVisible(SLOW);
  });

  await test.step('a second pattern of the shop hangs with them in the smallest flask, then on branches', async () => {
    await page.goto(`${pour}/brief`);
    await choose(page, 'Add a pattern of the shop', /^Whelk bead/);
    await expect(page.getByRole('button', { name: /^Take Whelk bead/ })).toBeVisible();
    await page.goto(`${pour}/sprue`);
    await expect(page.getByText(/pieces? ha(s|ve) no place on the tree\./)).toBeVisible(SLOW);
    await page.getByRole('button', { name: 'Smallest flask that takes them' }).click();
    // With the gate that the rule proposes the bead leans onto its sprue: told, and mended by what is told.
    await expect(page.getByText(/3 of 4 hang; not even one Whelk bead fits\. .* Longer gates/)).toBeVisible(
      SLOW,
    );
    await page.goto(`${pour}/wayUp`);
    await page.getByRole('button', { name: 'Whelk bead', exact: true }).click();
    await type(page, 'Length', '12');
    await page.goto(`${pour}/sprue`);
    await page.getByRole('button', { name: 'Smallest flask that takes them' }).click();
    await expect(
      page
        .getByRole('listitem')
        .filter({ hasText: /^Whelk bead/ })
        .first(),
    ).toBeVisible(SLOW);
    await expect(page.getByText('Parts apart.')).toBeVisible(SLOW);
    await choose(page, 'Arrangement', 'on branches off a main sprue');
    await type(page, 'Main sprue, diameter', '8');
    await page.getByRole('button', { name: 'Hang them in this flask' }).click();
    await expect(
      page.getByText(/A branch freezes first|Main sprue feeds them|More gate than sprue/),
    ).toBeVisible(SLOW);
    await expect(page.getByText('Parts apart.')).toBeVisible(SLOW);
  });

  await test.step('the charge comes out of new grain and old buttons, at its fineness', async () => {
    await page.getByRole('button', { name: 'Fill the charge from these' }).click();
    await expect(page.getByText('Its fineness is right.')).toBeVisible();
    await page.goto(`${pour}/pour`);
    await page.getByRole('button', { name: 'Poured now' }).click();
    await page.getByRole('button', { name: /nobody noted when: poured/ }).click();
    await page.goto(`${pour}/sprue`);
    await page.getByRole('button', { name: 'Book it out of the lots' }).click();
    await expect(page.getByText('Booked out of 2 lots.')).toBeVisible();
  });

  await test.step('the button goes back into its lot, once', async () => {
    await page.goto(`${pour}/result`);
    await type(page, 'Metal back as button and sprues', '25');
    await page.getByRole('button', { name: 'Book 25.00 g into 14 ct yellow, buttons' }).click();
    await expect(page.getByText('25.00 g booked into')).toBeVisible();
    await page.getByRole('link', { name: '14 ct yellow, buttons' }).click();
    const moves = page.getByRole('table', { name: 'Moves of the lot' });
    await expect(moves.getByRole('row', { name: /came back, pour 31 \+25\.00 g/ })).toHaveCount(1);
    await expect(moves.getByRole('row', { name: /poured, pour 31 −\d/ })).toHaveCount(1);
  });
  expect(problems).toEqual([]);
});
