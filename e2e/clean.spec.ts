import { expect, test, type Page } from '@playwright/test';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { allKept, pagesOf } from './fields';
import { startShop, type StartedShop } from './startShop';

let shop: StartedShop;
let folder: string;
test.beforeAll(async () => {
  folder = await mkdtemp(path.join(tmpdir(), 'zero-pour-'));
  shop = await startShop({ demo: true, dataFolder: path.join(folder, 'data') });
});
test.afterAll(async () => {
  await shop.stop();
  await rm(folder, { recursive: true, force: true });
});
/** The same shop at the same address, after it was stopped. */
async function startAgain(): Promise<void> {
  const port = Number(new URL(shop.address).port);
  shop = await startShop({ demo: true, dataFolder: path.join(folder, 'data'), port });
}

interface Step {
  startedAt?: string;
  doneAt?: string;
  skipped?: boolean;
  saw?: string;
}
interface CleanedPour {
  id: string;
  number: number;
  doc: {
    clean: { steps: Record<string, Step>; pieces?: Record<string, { verdict: string; expect: string }> };
  };
}
async function readPour(page: Page, id: string): Promise<CleanedPour> {
  return (await (await page.request.get(`${shop.address}/api/pours/${id}`)).json()) as CleanedPour;
}
const heading = (page: Page, name: string) => page.getByRole('heading', { name, exact: true });

test('cleaning at the bench outlasts a reload and a stopped server, and what it says is worth casting', async ({
  page,
}) => {
  const { openPours } = (await (await page.request.get(`${shop.address}/api/shop`)).json()) as {
    openPours: { id: string; number: number }[];
  };
  const { id } = openPours.find((pour) => pour.number === 31)!;
  await page.clock.install({ time: new Date() });
  const minutes = (n: number): Promise<void> => page.clock.fastForward(n * 60_000);
  const done = async (took = 0): Promise<void> => {
    if (took > 0) await minutes(took);
    await page.keyboard.press(' ');
  };

  await test.step('the sheet for the wall and the ticket are one page each', async () => {
    await page.goto(`${shop.address}/pours/${id}/print`);
    await page.getByRole('textbox', { name: 'Spares of each pattern' }).fill('27');
    await page.getByRole('heading', { name: 'The plate from above' }).click();
    await page.getByRole('link', { name: 'A sheet of this plate, to print' }).click();
    await expect(heading(page, 'Plate of pour 31')).toBeVisible();
    await expect(page.getByRole('listitem').filter({ hasText: 'flawed' })).toHaveCount(30);
    expect(pagesOf(await page.pdf({ format: 'A4' }))).toBe(1);
    await page.goto(`${shop.address}/pours/${id}/print`);
    await page.getByRole('textbox', { name: 'Spares of each pattern' }).fill('1');
    await page.getByRole('textbox', { name: 'Spares of each pattern' }).blur();
    expect(pagesOf(await page.pdf({ format: 'A4' }))).toBe(1);
  });

  await test.step('printed, looked at part way, one lost', async () => {
    await page.getByRole('button', { name: 'Started now' }).click();
    await expect(page.getByText(/^Look at it .* when base and 5 mm are out/)).toBeVisible();
    await minutes(40);
    await page.getByRole('button', { name: 'All hang' }).click();
    await minutes(40);
    await page.getByRole('button', { name: 'Finished now' }).click();
    await page.getByRole('button', { name: 'All good' }).click();
    await page
      .getByRole('radiogroup', { name: 'Barnacle band 2', exact: true })
      .getByRole('radio', { name: 'lost' })
      .click();
    await page.getByRole('button', { name: 'vat wiped' }).click();
    await allKept(page);
  });

  await test.step('the first steps, and a reload in the middle of a bath', async () => {
    await page.goto(`${shop.address}/pours/${id}/bench/clean`);
    await page.evaluate(async () => {
      await navigator.serviceWorker.ready;
    });
    await page.waitForFunction(() => navigator.serviceWorker.controller !== null);
    await expect(heading(page, 'Let it drip')).toBeVisible();
    await done();
    await done(5);
    await expect(heading(page, 'Alcohol bath 1')).toBeVisible();
    await minutes(1);
    await expect(page.locator('.figure')).toHaveText(/^(2:00|1:5\d)$/);
    await page.reload();
    await expect(heading(page, 'Alcohol bath 1')).toBeVisible();
    await expect(page.locator('.figure')).toHaveText(/^(2:00|1:5\d)$/);
    await done(3);
    await expect(heading(page, 'Alcohol bath 2')).toBeVisible();
  });

  await test.step('three steps while Zero Pour is stopped, and a reload among them', async () => {
    // The last change has to be there before it goes away: what follows is only in this browser.
    await expect(async () =>
      expect((await readPour(page, id)).doc.clean.steps['bath2']).toBeDefined(),
    ).toPass();
    await shop.stop();
    await done(2);
    await expect(heading(page, 'Blow dry, cool air')).toBeVisible();
    await minutes(0.2);
    await expect(page.getByText('kept here, waiting for Zero Pour')).toBeVisible();
    await page.reload();
    await expect(heading(page, 'Blow dry, cool air')).toBeVisible();
    await done(3);
    await expect(heading(page, 'Look at the skin')).toBeVisible();
    await page.keyboard.press('1');
    await expect(heading(page, 'Take the supports off')).toBeVisible();
    await done(8);
    await startAgain();
    await minutes(0.2);
    await expect(page.getByText('kept here, waiting for Zero Pour')).toBeHidden();
    const { steps } = (await readPour(page, id)).doc.clean;
    const order = ['drip', 'bath1', 'bath2', 'air', 'look', 'supports'];
    expect(Object.keys(steps).sort()).toEqual([...order].sort());
    const ends = order.map((key) => Date.parse(steps[key]!.doneAt!));
    expect(ends).toEqual([...ends].sort((x, y) => x - y));
    expect(
      (Date.parse(steps['bath2']!.doneAt!) - Date.parse(steps['bath2']!.startedAt!)) / 60_000,
    ).toBeCloseTo(2, 0);
  });

  await test.step('wet where the supports stood: back to the bath, once', async () => {
    await expect(heading(page, 'Look where the supports stood')).toBeVisible();
    await page.getByRole('button', { name: 'wet where supports stood' }).click();
    await expect(heading(page, 'Alcohol bath 2, again')).toBeVisible();
    await expect(page.getByText(/Resin ran out of the stubs/)).toBeVisible();
    await done(2.5);
    await done(3);
    await page.keyboard.press('1');
    await expect(heading(page, 'Rest until no alcohol smell')).toBeVisible();
    // Something else meanwhile: a timer of one's own that outlasts the tab.
    await page.getByRole('button', { name: '5 min' }).click();
    await page.reload();
    await expect(page.getByRole('region', { name: 'Timers' }).getByText('5 min timer')).toBeVisible();
    await done(40);
    await done(12);
    await page.keyboard.press('1');
    await page.keyboard.press('k');
    await expect(heading(page, 'All done')).toBeVisible();
    await page.keyboard.press(' ');
  });

  await test.step('worth casting', async () => {
    const worth = page.getByRole('region', { name: 'Worth casting?' });
    await worth.getByRole('button', { name: 'As proposed' }).click();
    await expect(worth.getByText('3 of 4 go into the flask')).toBeVisible();
    await allKept(page);
    const { pieces, steps } = (await readPour(page, id)).doc.clean;
    expect(pieces).toEqual({
      'l1/1': { verdict: 'cast', expect: 'likely good' },
      'l1/2': { verdict: 'reprint', expect: 'poor' },
      'l1/3': { verdict: 'cast', expect: 'likely good' },
      'l1/4': { verdict: 'cast', expect: 'likely good' },
    });
    expect(steps['look2']!.saw).toBe('wet at supports');
    expect(steps['look2~2']!.saw).toBe('fine');
    expect(steps['mend']!.skipped).toBe(true);
    await page.goto(shop.address);
    await expect(page.getByRole('heading', { name: 'Counting back from zero' })).toBeVisible();
  });
});
