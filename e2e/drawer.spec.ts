import { expect, test, type Page } from '@playwright/test';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { exifPhoto } from './exifPhoto';
import { pagesOf, type } from './fields';
import { startShop, type StartedShop } from './startShop';

let folder: string;
let demo: StartedShop;
let port: number;
const startDemo = () => startShop({ demo: true, dataFolder: path.join(folder, 'demo'), port });
test.beforeAll(async () => {
  // Nothing but this machine is reached, also where it is in a network.
  process.env['ZP_NETWORK_ADDRESS'] = '127.0.0.1';
  folder = await mkdtemp(path.join(tmpdir(), 'zero-pour-'));
  demo = await startShop({ demo: true, dataFolder: path.join(folder, 'demo') });
  port = Number(new URL(demo.address).port);
});
test.afterAll(async () => {
  await demo.stop();
  await rm(folder, { recursive: true, force: true });
});

interface Slip {
  text: string;
  photos: { hash: string }[];
  about: { kind: string; id: string } | null;
  sortedAt: string | null;
}
const slips = async (page: Page): Promise<Slip[]> =>
  (await (await page.request.get(`${demo.address}/api/records`)).json()).lists.slip;

test('noted on a phone while the server is away, kept when it is back, then sorted', async ({ browser }) => {
  const phone = await browser.newPage({ viewport: { width: 390, height: 800 } });
  await phone.goto(demo.address);
  await phone.evaluate(() => navigator.serviceWorker.ready);
  await expect(phone.getByText('Next hands-on')).toBeVisible();
  const photo = await exifPhoto(phone);

  await test.step('a line and a photo, without a server', async () => {
    await demo.stop();
    await phone.getByRole('button', { name: 'Note it' }).click();
    const chooser = phone.waitForEvent('filechooser');
    await phone.getByRole('button', { name: 'Photo' }).click();
    await (await chooser).setFiles({ name: 'IMG 7.jpg', mimeType: 'image/jpeg', buffer: photo });
    await phone.getByLabel('A line').fill('gloss gone after nine minutes');
    await expect(phone.getByText('is a guess: it is nearest at hand just now')).toBeVisible();
    await phone.getByRole('button', { name: 'Keep it' }).click();
    await expect(phone.getByText('Noted. It lies in the inbox.')).toBeVisible();
    await phone.reload();
    await phone.getByRole('link', { name: 'to be sorted' }).click();
    await expect(phone.getByText('kept in this browser until Zero Pour answers')).toBeVisible();
    await expect(phone.getByRole('img', { name: 'IMG 7.jpg' })).toBeVisible();
  });

  await test.step('it is back: the line and the photo are kept, upright and without a place', async () => {
    demo = await startDemo();
    await expect
      .poll(async () => (await slips(phone)).some(({ text }) => text.startsWith('gloss')))
      .toBe(true);
    const slip = (await slips(phone)).find(({ text }) => text.startsWith('gloss'))!;
    const address = `${demo.address}/api/blobs/${slip.photos[0]!.hash}`;
    await expect.poll(async () => (await phone.request.get(address)).status()).toBe(200);
    const bytes = await (await phone.request.get(address)).body();
    expect(bytes.includes(Buffer.from('Exif'))).toBe(false);
    const size = await phone.evaluate(async (at) => {
      const picture = await createImageBitmap(await (await fetch(at)).blob());
      return [picture.width, picture.height];
    }, address);
    expect(size).toEqual([60, 120]);
    expect(slip.about?.kind).toBe('pour');
  });

  await test.step('it is sorted, and stands at its pour', async () => {
    const before = (await slips(phone)).find(({ text }) => text.startsWith('gloss'))!;
    const item = phone.getByRole('listitem').filter({ hasText: 'gloss gone' });
    await item.getByRole('button', { name: 'It belongs there' }).click();
    await expect(item).toHaveCount(0);
    await expect.poll(async () => (await slips(phone)).find(({ text }) => text.startsWith('gloss'))!.sortedAt).not.toBeNull(); // prettier-ignore
    await phone.goto(`${demo.address}/pours/${before.about!.id}/burnout`);
    const noted = phone.getByRole('region', { name: 'Noted at the bench' });
    await expect(noted).toContainText('gloss gone after nine minutes');
    await expect(noted.getByRole('img', { name: 'IMG 7.jpg' })).toBeVisible();
  });
  await phone.close();
});

test('two people at once: one at the machine, one over the shop’s network', async ({ browser }) => {
  const desk = await browser.newPage();
  const away = await browser.newContext({ ignoreHTTPSErrors: true });
  const bench = await away.newPage();
  const openPours = (await (await desk.request.get(`${demo.address}/api/shop`)).json()).openPours as {
    id: string;
  }[];
  const pourAt = `pours/${openPours[0]!.id}/brief`;

  await test.step('the network is opened with a passcode, and the second signs in', async () => {
    await desk.goto(`${demo.address}/shop/network`);
    await desk.getByLabel('A passcode of the shop').fill('gannet yard 7');
    await desk.getByRole('button', { name: 'Keep it' }).click();
    await desk.getByRole('button', { name: 'Turn it on' }).click();
    await expect(desk.getByText('Open to the shop’s network')).toBeVisible();
    const url = (await (await desk.request.get(`${demo.address}/api/network`)).json()).url as string;
    await bench.goto(url + pourAt);
    await bench.getByLabel('The shop’s passcode').fill('guessed wrong');
    await bench.getByRole('button', { name: 'Sign in' }).click();
    await expect(bench.getByText('That is not the shop’s passcode')).toBeVisible();
    await bench.getByLabel('The shop’s passcode').fill('gannet yard 7');
    await bench.getByRole('button', { name: 'Sign in' }).click();
    await expect(bench.getByRole('heading', { name: 'Brief' })).toBeVisible();
  });

  await test.step('each sees what the other changes', async () => {
    await desk.goto(`${demo.address}/${pourAt}`);
    await type(desk, 'Note', 'seen from the desk');
    await expect(bench.getByRole('textbox', { name: 'Note' }).first()).toHaveValue('seen from the desk');
    await type(bench, 'Note', 'seen from the bench');
    await expect(desk.getByRole('textbox', { name: 'Note' }).first()).toHaveValue('seen from the bench');
  });

  await test.step('both change one field while one is cut off: both values are told, and one is chosen', async () => {
    await away.setOffline(true);
    await type(bench, 'Note', 'of the bench');
    await type(desk, 'Note', 'of the desk');
    await expect(desk.getByText('kept', { exact: true }).first()).toBeVisible();
    await away.setOffline(false);
    const clash = bench.getByRole('list', { name: 'Not kept' });
    await expect(clash).toContainText('yours of the bench, theirs of the desk');
    await clash.getByRole('button', { name: 'Keep mine' }).click();
    await expect(desk.getByRole('textbox', { name: 'Note' }).first()).toHaveValue('of the bench');
    await expect(clash).toHaveCount(0);
  });

  await test.step('signed out at the desk, the bench is told nothing more', async () => {
    await desk.goto(`${demo.address}/shop/network`);
    await desk.getByRole('button', { name: 'Sign it out' }).click();
    await expect(desk.getByText('No device is signed in.')).toBeVisible();
    await bench.reload();
    await expect(bench.getByLabel('The shop’s passcode')).toBeVisible();
    await desk.getByRole('button', { name: 'Turn it off' }).click();
    await expect(desk.getByText('Only this machine reaches Zero Pour')).toBeVisible();
  });
  await away.close();
  await desk.close();
});

test('what goes on paper is one page each', async ({ page }) => {
  const { openPours, lists } = await (await page.request.get(`${demo.address}/api/shop`)).json();
  const pour = `/pours/${(openPours as { id: string }[])[0]!.id}`;
  const resin = `/resins/${(lists.resin as { id: string }[])[0]!.id}`;
  for (const at of [
    `${pour}/burnout`,
    `${pour}/labels`,
    `${pour}/hand-over`,
    `${pour}/sheet`,
    `${resin}/sheet`,
    '/week',
    '/record/month/2026-09',
  ]) {
    await page.goto(demo.address + at);
    await expect(page.getByRole('heading').first()).toBeVisible();
    expect([at, pagesOf(await page.pdf({ format: 'A4' }))]).toEqual([at, 1]);
  }
  await page.goto(`${demo.address}${pour}/labels`);
  await expect(page.getByRole('img', { name: /^Code that opens pour/ }).first()).toBeVisible();
  await expect(page.getByText('These codes lead to this machine only')).toBeVisible();
  await page.goto(`${demo.address}/p/22`);
  await expect(page).toHaveURL(/\/pours\//);
  await expect(page.getByText('Pour 22').first()).toBeVisible();
  await page.goto(`${demo.address}/p/9999`);
  await expect(page.getByRole('alert')).toContainText('There is no pour 9999 here');
});

test('forty old pours teach, and the whole shop goes into an empty one', async ({ page }, info) => {
  const own = await startShop({ demo: false });
  await test.step('an empty shop takes a drawer of old records in', async () => {
    await page.goto(own.address);
    await page.getByRole('link', { name: 'Take in old records' }).click();
    const chooser = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: 'Open a table (CSV)' }).click();
    await (await chooser).setFiles('demo/scraps/pours-2025.csv');
    await expect(page.getByText('40 pours, 186 castings, 152 of them sellable.')).toBeVisible();
    await page.getByRole('radio', { name: 'standard' }).click();
    await page.getByRole('button', { name: 'Take 40 in' }).click();
    await expect(page.getByText('40 pours are in the record now.')).toBeVisible({ timeout: 90_000 });
  });
  await test.step('their yields stand in the ranking of resins that were made for them', async () => {
    await page.goto(`${own.address}/resins`);
    await page.getByRole('tab', { name: 'standard' }).click();
    await expect(page.getByRole('row').filter({ hasText: 'Skerry Low-Ash' }).first()).toContainText(
      /\d+ of \d+/,
    );
    await page.goto(`${own.address}/record`);
    await expect(page.getByText('40 pours', { exact: true })).toBeVisible();
  });
  const zip = info.outputPath('shop.zip');
  const rows = async (): Promise<string[]> => (await page.getByRole('row').allTextContents()).slice(0, 20);
  const before = await rows();
  await test.step('the whole shop is taken out', async () => {
    await page.goto(`${own.address}/shop/files`);
    const download = page.waitForEvent('download');
    await page.getByRole('link', { name: 'Take the whole shop out (zip)' }).click();
    await (await download).saveAs(zip);
  });
  const other = await startShop({ demo: false });
  await test.step('an empty one takes it in: the same record', async () => {
    await page.goto(other.address);
    const chooser = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: 'Take a shop in (zip)' }).click();
    await (await chooser).setFiles(zip);
    await expect(page.getByText('The shop is here, as it was.')).toBeVisible({ timeout: 90_000 });
    await page.goto(`${other.address}/record`);
    await expect(page.getByText('40 pours', { exact: true })).toBeVisible();
    expect(await rows()).toEqual(before);
  });
  await test.step('the taking-in is taken back whole', async () => {
    await page.goto(`${other.address}/record/old`);
    await page.getByRole('button', { name: 'Take it back' }).click();
    await page.getByRole('button', { name: 'Take them back' }).click();
    await expect(page.getByText('40 pours of pours-2025.csv: taken back.')).toBeVisible();
    await page.goto(`${other.address}/record`);
    await expect(page.getByText('0 pours', { exact: true })).toBeVisible();
  });
  await own.stop();
  await other.stop();
});
