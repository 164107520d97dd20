import { writeFile } from 'node:fs/promises';
import { expect, test } from '@playwright/test';
import { addFromBook, allKept, choose, ticketLine, type } from './fields';
import { startShop, type StartedShop } from './startShop';

/** A plate 20 × 10 × 2 mm as ASCII STL: V 0.4 cm³, A 5.2 cm², worked by hand below. */
function plateStl(): string {
  const corner = (i: number): string => `${i & 1 ? 20 : 0} ${i & 2 ? 10 : 0} ${i & 4 ? 2 : 0}`;
  const faces = [0, 2, 1, 1, 2, 3, 4, 5, 6, 5, 7, 6, 0, 1, 4, 1, 5, 4, 2, 6, 3, 3, 6, 7, 0, 4, 2, 2, 4, 6, 1, 3, 5, 3, 7, 5]; // prettier-ignore
  const facets: string[] = [];
  for (let i = 0; i < faces.length; i += 3) {
    const loop = faces.slice(i, i + 3).map((f) => `vertex ${corner(f)}`);
    facets.push(`facet normal 0 0 0\nouter loop\n${loop.join('\n')}\nendloop\nendfacet`);
  }
  return `solid plate\n${facets.join('\n')}\nendsolid plate\n`;
}

/** What the ticket must say, worked out here from the handbook's formulas, without the application's code. */
function workedByHand() {
  const scale = 100 / (0.997 * 1.01 * 0.981); // low-wax −0.3, investment +1.0 at 510 °C, sterling −1.9
  const patterns = 2 * 0.4 * (scale / 100) ** 3;
  const gate = 3.4; // 4 × 1.1 × 400/520 = 3.38, up to the next 0.2 mm
  const sprues = (2 * (Math.PI / 4) * gate ** 2 * 5 + (Math.PI / 4) * 6 ** 2 * 12) / 1000;
  const button = ((Math.PI / 12) * 25 ** 2 * 12) / 1000; // larger than a quarter of the rest
  const tree = patterns + sprues + button;
  const metal = 10.357 * tree * 1.01;
  const flaskMl = ((Math.PI / 4) * 76 ** 2 * 102) / 1000;
  const powder = ((1.4 / (1 / 2.65 + 0.4)) * (flaskMl - tree) * 1.05) / 1.4;
  const burnoutH = 130 / 130 + 2.5 + 220 / 90 + 2 + 360 / 105 + 4 + 4 * Math.log(710 / 490) + 2;
  return { scale, metal, powder, water: 0.4 * powder, burnoutH };
}

/** A Wednesday at least four days ahead, 09:15. */
function wantedPour(): Date {
  const day = new Date();
  day.setDate(day.getDate() + 4);
  while (day.getDay() !== 3) day.setDate(day.getDate() + 1);
  day.setHours(9, 15, 0, 0);
  return day;
}

let shop: StartedShop;
test.beforeAll(async () => {
  shop = await startShop({ demo: false });
});
test.afterAll(() => shop.stop());

test('from an empty shop and a file on the disk to a recorded result', async ({ page }, info) => {
  const expected = workedByHand();
  const zero = wantedPour();
  const month = zero.toLocaleString('en-GB', { month: 'short' }).slice(0, 3);
  const good = info.outputPath('plate.stl');
  const cut = info.outputPath('cut.stl');
  await page.goto(shop.address);
  await writeFile(good, plateStl());
  await writeFile(cut, plateStl().slice(0, 900));

  await test.step('the shop is filled with what this pour needs', async () => {
    await expect(page.getByRole('heading', { name: 'An empty shop' })).toBeVisible();
    await page.getByRole('link', { name: 'Your metals' }).click();
    await addFromBook(page, 'Add a metal', 'Sterling silver');
    await expect(page.getByRole('heading', { name: 'Sterling silver' })).toBeVisible();
    await page.getByRole('link', { name: /^Flasks/ }).click();
    await addFromBook(page, 'Add a flask', '76 × 102');
    await page.getByRole('link', { name: /^Powders/ }).click();
    await addFromBook(page, 'Add a powder', 'New resin-grade powder');
    await type(page, 'Name', 'Harbour Stout');
    await page.getByRole('link', { name: /^Kilns/ }).click();
    await addFromBook(page, 'Add a kiln');
    await page.getByRole('link', { name: /^Programmes/ }).click();
    await addFromBook(page, 'Add a programme', 'Stepped, wax-free, flask to 80 mm');
    await page.getByRole('link', { name: /^Printers/ }).click();
    await addFromBook(page, 'Add a printer');
    await page.getByRole('link', { name: 'Resins' }).click();
    await addFromBook(page, 'Add a resin', 'low-wax');
    await expect(page.getByRole('heading', { name: 'New low-wax resin' })).toBeVisible();
    await page
      .getByRole('link', { name: /^Powders/ })
      .or(page.getByRole('link', { name: 'Shop' }))
      .first()
      .click();
    await page.getByRole('link', { name: /^Powders/ }).click();
    await expect(page.getByRole('heading', { name: 'Harbour Stout' })).toBeVisible();
  });

  await test.step('brief', async () => {
    await page.getByRole('heading', { name: 'Harbour Stout' }).click();
    await page.keyboard.press('n');
    await expect(page.getByRole('heading', { name: 'Brief' })).toBeVisible();
    await choose(page, 'Metal', 'Sterling silver');
    await type(page, 'Pour wanted', 'some day');
    await expect(page.getByText('Write it like “Thu 09:15”')).toBeVisible();
    await type(page, 'Pour wanted', `${zero.getDate()} ${month} ${zero.getFullYear()} 09:15`);
  });

  await test.step('a bad file is refused in one sentence and leaves nothing', async () => {
    await page.keyboard.press('2');
    const chooser = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: 'Choose a file' }).click();
    await (await chooser).setFiles(cut);
    await expect(page.getByRole('alert')).toContainText('The file ends in the middle');
    expect(
      ((await (await page.request.get(`${shop.address}/api/shop`)).json()) as { patterns: unknown[] })
        .patterns,
    ).toEqual([]);
  });

  await test.step('a good one is measured and shown', async () => {
    const chooser = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: 'Choose a file' }).click();
    await (await chooser).setFiles(good);
    await expect(page.getByText('20.00 × 10.00 × 2.00 mm')).toBeVisible();
    await expect(page.getByText('0.400 cm³').first()).toBeVisible();
    await expect(page.locator('.part[data-ready="true"]')).toBeVisible({ timeout: 30_000 });
    await page.keyboard.press('1');
    await type(page, 'Castings wanted', '2');
  });

  await test.step('resin, way up, scale', async () => {
    await page.getByRole('heading', { name: 'Brief' }).click();
    await page.keyboard.press('3');
    await choose(page, 'Resin', /New low-wax resin/);
    await choose(page, 'Printer', 'New printer');
    await page.getByRole('button', { name: /^New profile for/ }).click();
    await expect(page.getByRole('textbox', { name: 'Exposure', exact: true })).toHaveValue('3');
    await type(page, 'Exposure', '2.6');
    await page.getByRole('heading', { name: 'Resin', exact: true }).click();
    await page.keyboard.press('4');
    await page.getByRole('button', { name: 'Take the proposal' }).click();
    await expect(page.getByRole('textbox', { name: 'Diameter' })).toHaveValue('3.4');
    await page.getByRole('button', { name: 'About x 15 degrees on' }).click();
    await expect(page.getByRole('textbox', { name: 'About x' })).toHaveValue('15');
    await page.keyboard.press('5');
    await expect(ticketLine(page, 'Scale')).toContainText(`${expected.scale.toFixed(2)} %`);
    await allKept(page);
  });

  await test.step('a reload in the middle loses nothing', async () => {
    await page.keyboard.press('8');
    await choose(page, 'Flask', '76 × 102');
    await page.reload();
    await expect(page.getByRole('heading', { name: 'Sprue and flask' })).toBeVisible();
    await expect(ticketLine(page, 'Metal')).toContainText(`${expected.metal.toFixed(1)} g`);
    await expect(ticketLine(page, 'Scale')).toContainText(`${expected.scale.toFixed(2)} %`);
  });

  await test.step('print and clean, with their records', async () => {
    await page.getByRole('heading', { name: 'Sprue and flask' }).click();
    await page.keyboard.press('6');
    await page.getByRole('button', { name: 'Started now' }).click();
    await page.getByRole('button', { name: 'Finished now' }).click();
    await page.getByRole('button', { name: 'All good' }).click();
    await page.getByRole('heading', { name: 'Print', exact: true }).click();
    await page.keyboard.press('7');
    await page.keyboard.press('b');
    await expect(page.getByRole('heading', { name: 'Let it drip' })).toBeVisible();
    await page.keyboard.press(' ');
    await expect(page.getByText('done, next')).toBeVisible();
    await page.keyboard.press(' ');
    await expect(page.getByRole('heading', { name: 'Alcohol bath 1' })).toBeVisible();
    await page.keyboard.press('Escape');
    for (const name of [
      'Alcohol bath 1',
      'Alcohol bath 2',
      'Blow dry, cool air',
      'Look at the skin',
      'Take the supports off',
      'Look where the supports stood',
      'Rest until no alcohol smell',
      'Cure',
      'Look at the cured skin',
    ]) {
      await page.getByRole('button', { name: `${name} done` }).click();
    }
    await page.getByRole('button', { name: /^Leave out Fill pits/ }).click();
    await expect(page.getByText('shorter than it should be').first()).toBeVisible();
  });

  await test.step('sprue, invest: the ticket agrees with the sums made by hand', async () => {
    await page.keyboard.press('8');
    await page.getByRole('button', { name: 'Sprues joined and weighed: done' }).click();
    await page.keyboard.press('9');
    await choose(page, 'Powder', 'Harbour Stout');
    await expect(ticketLine(page, 'Powder')).toContainText(`${expected.powder.toFixed(0)} g`);
    await expect(ticketLine(page, 'Water 0.40')).toContainText(`${expected.water.toFixed(0)} g`);
    await ticketLine(page, 'Metal').getByRole('button').click();
    await expect(page.getByRole('region', { name: 'Working of Metal' })).toContainText('10.357');
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'Powder is in the water' }).click();
    await page.getByRole('button', { name: 'Mix done' }).click();
    await page.getByRole('button', { name: 'Flask filled and setting: done' }).click();
  });

  await test.step('burnout: counted back from the wanted hour', async () => {
    await page.getByRole('heading', { name: 'Invest' }).click();
    await page.keyboard.press('0');
    await choose(page, 'Programme', /^Stepped, wax-free/);
    await choose(page, 'Kiln', 'New kiln');
    await expect(page.locator('.frame[data-ready="true"]')).toBeVisible({ timeout: 30_000 });
    const kilnIn = new Date(Math.round((zero.getTime() - expected.burnoutH * 3_600_000) / 1000) * 1000);
    const clock = `${String(kilnIn.getHours()).padStart(2, '0')}:${String(kilnIn.getMinutes()).padStart(2, '0')}`;
    await expect(ticketLine(page, 'Kiln in, button down')).toContainText(clock);
    await expect(ticketLine(page, 'Pour')).toContainText('09:15');
    await page.getByRole('button', { name: 'Flask is in the kiln: done' }).click();
  });

  await test.step('pour: °F typed where °C stands, unknowns allowed', async () => {
    await page.getByRole('heading', { name: 'Burnout' }).click();
    await page.keyboard.press('-');
    await type(page, 'Metal, as read', '1800');
    await expect(page.getByText('If you mean Fahrenheit, write 1800 F.')).toBeVisible();
    await type(page, 'Metal, as read', '1800 F');
    await expect(page.getByRole('textbox', { name: 'Metal, as read' })).toHaveValue('982');
    await page.getByRole('combobox', { name: 'Vacuum pulled: how it is known' }).selectOption('not measured');
    await page.getByRole('combobox', { name: 'Flask, as read: how it is known' }).selectOption('felt');
    // How it felt is asked, not assumed.
    await choose(page, 'Flask, as read', 'right');
    await page.getByRole('button', { name: 'Poured now' }).click();
  });

  await test.step('result, with a flaw and a photo, into the record', async () => {
    await page.getByRole('heading', { name: 'Pour', exact: true }).click();
    await page.keyboard.press('e');
    await page.getByRole('button', { name: 'half' }).click();
    const second = page.getByRole('article', { name: /^Casting .* 2$/ });
    await expect(second.getByRole('radio', { name: 'scrap' })).toHaveAttribute('aria-checked', 'true');
    await choose(page, 'Add a flaw', 'misrun', second);
    await type(second, 'In words', 'far corner');
    await type(second, 'Weight', '4,1');
    const chooser = page.waitForEvent('filechooser');
    await second.getByRole('button', { name: 'Add photos' }).last().click();
    await (
      await chooser
    ).setFiles({
      name: 'corner.png',
      mimeType: 'image/png',
      buffer: await page.screenshot({ clip: { x: 0, y: 0, width: 60, height: 40 } }),
    });
    const photo = second.getByRole('img', { name: /^Casting .* 2, corner\.jpg$/ });
    await expect(photo).toBeVisible();
    expect(await photo.evaluate((img: HTMLImageElement) => img.decode().then(() => img.naturalWidth))).toBe(
      60,
    );
    await page.getByRole('button', { name: 'Put into the record: done' }).click();
    await allKept(page);
    await page.getByRole('link', { name: 'Record' }).click();
    const row = page.getByRole('row', { name: /plate ×2/ });
    await expect(row).toContainText('1 of 2');
    await expect(row).toContainText('misrun');
    await expect(row).toContainText('felt right');
  });

  await test.step('same again, but …', async () => {
    await page.getByRole('link', { name: '1', exact: true }).click();
    await type(page, 'What you will do differently', 'Flask hotter');
    await page.getByRole('button', { name: 'Plan it again' }).click();
    await expect(page.getByText('Changed from pour 1: Flask hotter')).toBeVisible();
    await expect(ticketLine(page, 'Metal')).toContainText(`${expected.metal.toFixed(1)} g`);
  });
});
