import { expect, test } from '@playwright/test';
import { allKept, choose, ticketLine, type } from './fields';
import { startShop, type StartedShop } from './startShop';

let shop: StartedShop;
test.beforeAll(async () => {
  shop = await startShop({ demo: true });
});
test.afterAll(() => shop.stop());

test('a day at the board: open, tick, find, switch units, undo, and a server that goes away', async ({
  page,
}) => {
  await page.goto(shop.address);

  await test.step('the board shows three pours and what hands must do next', async () => {
    await expect(page.getByRole('link', { name: /^Open pour 29/ })).toBeVisible();
    const next = page.getByRole('complementary', { name: 'Next hands-on' });
    await expect(next.getByRole('listitem').first()).toContainText('Turn the flask, button up');
    await next.getByRole('button', { name: /Turn the flask.*done/ }).click();
    await expect(page.getByText('Turn the flask, button up: done.')).toBeVisible();
    await expect(next.getByRole('listitem').first()).not.toContainText('Turn the flask');
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(next.getByRole('listitem').first()).toContainText('Turn the flask');
  });

  await test.step('keys alone open a pour and its stages', async () => {
    await page.getByRole('link', { name: /^Open pour 30/ }).focus();
    await page.keyboard.press('Enter');
    await expect(page.getByRole('heading', { name: 'Print' })).toBeVisible();
    await page.keyboard.press('7');
    await page.getByRole('button', { name: 'Let it drip done' }).focus();
    await page.keyboard.press('Enter');
    await expect(page.getByRole('navigation', { name: 'Stages of this pour' })).toContainText(
      '1 of 11 steps',
    );
    await allKept(page);
    await page.reload();
    await expect(page.getByRole('button', { name: 'Let it drip: not done' })).toBeVisible();
  });

  await test.step('typing updates the ticket at once, and can be taken back', async () => {
    await page.keyboard.press('9');
    const powder = ticketLine(page, 'Powder');
    const before = (await powder.textContent()) ?? '';
    await page.getByRole('textbox', { name: 'Water ÷ powder' }).fill('0.38');
    await expect(powder).not.toHaveText(before, { timeout: 300 });
    await page.getByRole('heading', { name: 'Invest' }).click();
    await page.keyboard.press('Control+z');
    await expect(powder).toHaveText(before);
  });

  await test.step('the unit switch reaches the ticket, sentences and fields', async () => {
    await page.keyboard.press('-');
    await expect(ticketLine(page, 'Flask / metal')).toContainText('590 °C');
    await page.getByRole('button', { name: /^Units:/ }).click();
    await page.getByRole('button', { name: '°F' }).click();
    await page.getByRole('button', { name: 'dwt' }).click();
    await page.keyboard.press('Escape');
    await expect(ticketLine(page, 'Flask / metal')).toContainText('1094 °F');
    await expect(ticketLine(page, 'Metal')).toContainText('dwt');
    await expect(page.getByText('1094 °F, within 1040 °F to 1148 °F.')).toBeVisible();
    await type(page, 'Flask, your own', '1100');
    await expect(ticketLine(page, 'Flask / metal')).toContainText('1100 °F');
  });

  await test.step('find', async () => {
    await page.getByRole('heading', { name: 'Pour', exact: true }).click();
    await page.keyboard.press('/');
    await expect(page.getByRole('textbox', { name: /^Find a pour/ })).toBeFocused();
    await page.keyboard.type('whelk');
    await page.getByRole('button', { name: /^Pour 24/ }).click();
    await expect(page.getByText('Whelk bead ×3').first()).toBeVisible();
    await expect(ticketLine(page, 'Sellable')).toContainText('2 of 3');
  });

  await test.step('what is typed while the server is gone is kept and sent later', async () => {
    await page.goto(`${shop.address}/`);
    await page.getByRole('link', { name: /^Open pour 31/ }).click();
    await page.keyboard.press('1');
    await page.route('**/api/**', (route) => route.abort());
    await type(page, 'Note', 'for the spring fair');
    await expect(page.getByText('waiting for Zero Pour')).toBeVisible();
    await page.unroute('**/api/**');
    await allKept(page);
    await page.reload();
    await expect(page.getByRole('textbox', { name: 'Note' })).toHaveValue('for the spring fair');
  });

  await test.step('the record is filtered by flaw', async () => {
    await page.getByRole('link', { name: 'Record' }).click();
    await choose(page, 'With this flaw', 'misrun');
    await expect(page.getByText('1 pour match')).toBeVisible();
    await expect(page.getByRole('row', { name: /felt cold/ })).toBeVisible();
  });
});

test('a quick sum is typed, changed in its form, and becomes a pour', async ({ page }) => {
  await page.goto(`${shop.address}/record`);
  await expect(page.getByRole('heading', { name: 'Record' })).toBeVisible();
  await page.keyboard.press('q');
  const field = page.getByRole('textbox', { name: /^Quick sum/ });
  await expect(field).toBeFocused();
  await field.fill('flask 76x102 tree 12 g');
  const answer = page.locator('.answer');
  // ρs 1.8010 × (462.7 − 12.63) ml × 1.05 / 1.4 = 607.9 g, and 0.4 of it in water.
  await expect(answer).toContainText('608 g');
  await expect(answer).toContainText('243 ml');
  await type(page, 'Water ÷ powder', '0,38');
  await expect(answer).toContainText('237 ml');
  await field.fill('sterling 12 dwt wax');
  await expect(answer).toContainText('Weigh, Sterling silver');
  await field.fill('a good deal');
  await expect(page.getByText('Not clear yet: what is “good deal”?')).toBeVisible();
  // No answer stands under a line that it does not answer.
  await expect(answer).toHaveCount(0);
  await field.fill('silver 12 g wax');
  await expect(page.getByText('Which metal?')).toBeVisible();
  await field.fill('flask 76x102 tree 12 g');
  await page.getByRole('button', { name: 'Make a pour of it' }).click();
  await expect(page.getByRole('heading', { name: 'Brief' })).toBeVisible();
  await page.keyboard.press('8');
  await expect(page.getByText('76 × 102').first()).toBeVisible();
});
