import { expect, test } from '@playwright/test';
import { choose, ticketLine, type } from './fields';
import { startShop, type StartedShop } from './startShop';

let empty: StartedShop;
let demo: StartedShop;
test.beforeAll(async () => {
  [empty, demo] = [await startShop({ demo: false }), await startShop({ demo: true })];
});
test.afterAll(async () => {
  await empty.stop();
  await demo.stop();
});

test('an empty shop is asked what it has, and its first pour begins with it', async ({ page }) => {
  await page.goto(empty.address);
  const form = page.getByRole('form', { name: 'What you have' });
  await choose(page, 'Metals you cast', 'Sterling silver', form);
  await page.keyboard.press('Escape');
  await type(form, /^Flasks/, 'the big one');
  await expect(form.getByText('“the big one”: Write its inner diameter')).toBeVisible();
  await type(form, /^Flasks/, '3 x 4 in');
  await expect(form.getByText('76.2 × 101.6 mm')).toBeVisible();
  await choose(page, 'Investment powder', /resin-grade/, form);
  await choose(page, 'Burnout programme', /^Stepped, wax-free, flask to 80 mm/, form);
  await form.getByRole('checkbox', { name: 'A kiln' }).check();
  await form.getByRole('button', { name: 'Take 5 into the shop and begin a pour' }).click();
  await expect(page.getByRole('heading', { name: 'Brief' })).toBeVisible();
  await expect(page.getByRole('combobox', { name: 'Metal' }).first()).toBeVisible();
  await expect(page.getByText('Sterling silver').first()).toBeVisible();
  // Nothing that was not said is there, and the ticket names what the pour still wants.
  await expect(ticketLine(page, 'Pour')).toContainText('the wanted pour time');
  await expect(ticketLine(page, 'Powder')).not.toContainText('a powder');
  await page.goto(`${empty.address}/shop/printer`);
  await expect(page.getByRole('link', { name: 'Printers 0' })).toBeVisible();
});

test('help says what the guide says of the page, and one pour is shown from its brief to the board', async ({
  page,
}) => {
  await page.goto(`${demo.address}/sizes`);
  await page.keyboard.press('?');
  const help = page.getByRole('dialog', { name: 'Help' });
  await expect(help.getByRole('region', { name: 'Sizes' })).toContainText('Sizes');
  await choose(page, 'The guide on', 'Burnout', help);
  await expect(help.getByRole('region', { name: 'Burnout' })).toContainText('when the flask goes in');
  await help.getByRole('button', { name: 'Show me one pour' }).click();
  const guided = page.getByRole('region', { name: 'One pour, step by step' });
  await expect(guided).toContainText('1 of 11');
  // Each step is filled in where it offers to; a reload goes on where it was.
  for (let step = 1; step < 9; step++) {
    await expect(guided).toContainText(`${step} of 11`);
    const fill = guided.getByRole('button', { name: 'Fill it in for me' });
    const next = guided.getByRole('button', { name: 'Next' });
    // Until the step's page is there neither is: what fills it in is offered on the page alone.
    await expect(fill.or(next)).toBeVisible();
    if (await fill.isVisible()) {
      await fill.click();
      await expect(guided.getByText('That is told.')).toBeVisible();
    }
    if (step === 3) await page.reload();
    await next.click();
  }
  await expect(page.getByRole('heading', { name: 'Counting back from zero' })).toBeVisible();
  await expect(page.getByRole('slider', { name: /^Zero of pour 32:/ })).toBeVisible();
  await guided.getByRole('button', { name: 'Leave' }).click();
  await page.getByRole('button', { name: 'Throw it away' }).click();
  await expect(page.getByText('Barnacle band ×4')).toHaveCount(0);
  await page.reload();
  await expect(guided).toHaveCount(0);
});
