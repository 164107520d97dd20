import { readFile, writeFile } from 'node:fs/promises';
import { expect, test, type Page } from '@playwright/test';
import { alloysFromBook, usualPrinter, usualProfile, usualResin } from '@zero-pour/contracts';
import { randomUUID } from 'node:crypto';
import { allKept, choose, ticketLine, type } from './fields';
import { writeBinaryStl } from '../core/src/mesh';
import { box, together, tube } from '../core/src/testing/solids';
import { startShop, type StartedShop } from './startShop';

const BORE_MM = 17.35;
const SEGMENTS = 180;

/** A plain band, bore 17.35 mm, wall 1.8 mm, 5 mm wide, as binary STL. */
function bandStl(): Buffer {
  const point = (i: number, radius: number, z: number): [number, number, number] => {
    const a = (2 * Math.PI * (i % SEGMENTS)) / SEGMENTS;
    return [radius * Math.cos(a), radius * Math.sin(a), z];
  };
  const [inner, outer] = [BORE_MM / 2, BORE_MM / 2 + 1.8];
  const facets: [number, number, number][][] = [];
  const quad = (a: number[], b: number[], c: number[], d: number[]): void =>
    void facets.push([a, b, c] as [number, number, number][], [a, c, d] as [number, number, number][]);
  for (let i = 0; i < SEGMENTS; i++) {
    const at = (r: number, z: number, k = i) => point(k, r, z);
    quad(at(outer, 0), at(outer, 0, i + 1), at(outer, 5, i + 1), at(outer, 5));
    quad(at(inner, 5), at(inner, 5, i + 1), at(inner, 0, i + 1), at(inner, 0));
    quad(at(outer, 5), at(outer, 5, i + 1), at(inner, 5, i + 1), at(inner, 5));
    quad(at(inner, 0), at(inner, 0, i + 1), at(outer, 0, i + 1), at(outer, 0));
  }
  const bytes = Buffer.alloc(84 + 50 * facets.length);
  bytes.writeUInt32LE(facets.length, 80);
  facets.forEach((corners, f) =>
    corners.flat().forEach((value, k) => bytes.writeFloatLE(value, 84 + 50 * f + 12 + 4 * k)),
  );
  return bytes;
}

/** Bore, outside and width of a band in a binary STL, from its corners. */
function measureBand(bytes: Buffer): { bore: number; outside: number; width: number } {
  const radii: number[] = [];
  const zs: number[] = [];
  for (let f = 0; f < bytes.readUInt32LE(80); f++)
    for (let corner = 0; corner < 3; corner++) {
      const [x, y, z] = [0, 1, 2].map((k) => bytes.readFloatLE(84 + 50 * f + 12 + 12 * corner + 4 * k)) as [
        number,
        number,
        number,
      ];
      radii.push(Math.hypot(x, y));
      zs.push(z);
    }
  return {
    bore: 2 * Math.min(...radii),
    outside: 2 * Math.max(...radii),
    width: Math.max(...zs) - Math.min(...zs),
  };
}

// Worked here from the handbook's formulas, without the application's code.
const US7 = 17.32; // 11.63 + 0.8128 × 7, to the thousandth that is kept
const DIRECT = 0.997 * 1.01 * 0.984; // low-wax −0.3, hot flask +1.0, 14 ct −1.6
const RUBBER = DIRECT * 0.98 * 0.991; // natural rubber −2.0, injected wax −0.9
const percentFor = (product: number, addsMm = 0): number =>
  (100 * ((US7 - 0.1) / product + addsMm)) / BORE_MM;

/** Five castings 0.35 % larger than the book has them, read to a hundredth. */
const PRINTED = [5, 8, 12, 16, 20];
const CAST = PRINTED.map((n) => Math.round(n * DIRECT * 1.0035 * 100) / 100);

/** The handbook's one rule: slope and offset with the book as prior, the spread found anew until it stands. */
function calibrated(): { slope: number; offset: number } {
  const tau = DIRECT * Math.hypot(0.1 / 99.7, 0.2 / 101, 0.2 / 98.4);
  let variance = 0.03 ** 2;
  let [slope, offset] = [DIRECT, 0];
  for (let i = 0; i < 200; i++) {
    const sum = (f: (n: number, m: number) => number): number =>
      PRINTED.reduce((s, n, k) => s + f(n, CAST[k]!), 0);
    const a = sum((n) => n * n) / variance + 1 / tau ** 2;
    const b = sum((n) => n) / variance;
    const d = PRINTED.length / variance + 1 / (0.05 * DIRECT) ** 2;
    const p = sum((n, m) => n * m) / variance + DIRECT / tau ** 2;
    const q = sum((_, m) => m) / variance;
    slope = (d * p - b * q) / (a * d - b * b);
    offset = (a * q - b * p) / (a * d - b * b);
    variance = (4 * 0.03 ** 2 + sum((n, m) => (m - slope * n - offset) ** 2)) / (4 + 3);
  }
  return { slope, offset };
}

let shop: StartedShop;
test.beforeAll(async () => {
  shop = await startShop({ demo: false });
  const put = async (kind: string, id: string, fields: object): Promise<void> => {
    const response = await fetch(`${shop.address}/api/shop/${kind}/${id}`, {
      method: 'PUT',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(fields),
    });
    expect(response.status).toBe(200);
  };
  const resin = { ...usualResin('low-wax'), id: randomUUID(), name: 'Skerry Low-Ash' };
  const printer = { ...usualPrinter(), id: randomUUID(), name: 'Printer A' };
  const { id: resinId, ...resinFields } = resin;
  const { id: printerId, ...printerFields } = printer;
  await put('resin', resinId, resinFields);
  await put('printer', printerId, printerFields);
  await put('profile', randomUUID(), usualProfile(resin, printer, 'standard'));
  await put(
    'alloy',
    randomUUID(),
    alloysFromBook().find((a) => a.name === '14 ct yellow gold')!,
  );
});
test.afterAll(() => shop.stop());

const scaleOf = async (page: Page): Promise<number> =>
  Number.parseFloat((await ticketLine(page, 'Scale').innerText()).replace(/[^\d.]/g, ''));

test('a band ring to US 7: direct, by rubber mold, then by what five castings measured', async ({
  page,
}, info) => {
  const file = info.outputPath('band.stl');
  await writeFile(file, bandStl());
  await page.goto(shop.address);
  await expect(page.getByRole('navigation', { name: 'Pages' })).toBeVisible();

  await test.step('brief and pattern', async () => {
    await page.keyboard.press('n');
    await choose(page, 'Metal', '14 ct yellow gold');
    await page.getByRole('textbox', { name: 'Size', exact: true }).last().fill('7');
    await page.getByRole('heading', { name: 'Brief' }).click();
    await page.keyboard.press('2');
    const chooser = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: 'Choose a file' }).click();
    await (await chooser).setFiles(file);
    await expect(page.locator('.part[data-ready="true"]')).toBeVisible({ timeout: 30_000 });
    await page.keyboard.press('3');
    await choose(page, 'Resin', 'Skerry Low-Ash');
    await choose(page, 'Printer', 'Printer A');
    await choose(page, 'Profile', /Skerry Low-Ash/);
  });

  await test.step('direct: the file’s own bore is taken, and put right by hand', async () => {
    await page.getByRole('heading', { name: 'Resin', exact: true }).click();
    await page.keyboard.press('5');
    await expect(page.getByText(/The file’s bore is 17\.3\d mm/)).toBeVisible({ timeout: 60_000 });
    await page.getByText('All sizes of the piece').click();
    await type(page, 'In the file', String(BORE_MM));
    await expect(ticketLine(page, 'Scale')).toContainText(`${percentFor(DIRECT).toFixed(2)} %`);
    await expect(page.getByText('The size holds.')).toBeVisible();
    await expect(page.locator('.frame[data-ready="true"]')).toBeVisible({ timeout: 30_000 });
  });

  await test.step('by rubber mold: two steps more', async () => {
    await page.getByRole('heading', { name: 'Scale', exact: true }).click();
    await page.keyboard.press('1');
    await choose(page, 'Route', 'wax from a rubber mold');
    await page.getByRole('heading', { name: 'Brief' }).click();
    await page.keyboard.press('5');
    await expect(ticketLine(page, 'Scale')).toContainText(`${percentFor(RUBBER).toFixed(2)} %`);
    await page.getByText('Steps, and where they come from').click();
    await expect(page.getByRole('row', { name: /^Mold/ })).toContainText('−2.00 %');
    await page.getByRole('heading', { name: 'Scale', exact: true }).click();
    await page.keyboard.press('1');
    await choose(page, 'Route', 'burn out the print');
    await allKept(page);
  });

  const pourAt = page.url();
  await test.step('five measured castings', async () => {
    await page.getByRole('link', { name: 'Sizes' }).click();
    await expect(page.getByText('Nothing measured yet')).toBeVisible();
    await page.getByRole('link', { name: 'Measured series' }).click();
    await page.getByRole('button', { name: 'New series' }).click();
    await choose(page, 'Measured', 'as cast');
    await choose(page, 'Metal', '14 ct yellow gold');
    for (const [i, printMm] of PRINTED.entries()) {
      await page.getByRole('button', { name: 'Add a size' }).click();
      await page.getByRole('textbox', { name: 'In the printed file' }).nth(i).fill(String(printMm));
      await page
        .getByRole('textbox', { name: /^Measured, mm/ })
        .nth(i)
        .fill(i === 0 ? 'five' : String(CAST[i]).replace('.', ','));
      if (i > 0) continue;
      await expect(page.getByText('Sizes in mm, with spaces between')).toBeVisible();
      await page
        .getByRole('textbox', { name: /^Measured, mm/ })
        .first()
        .fill(String(CAST[0]));
    }
    await page.getByRole('heading', { name: 'Sizes' }).click();
    await expect(page.getByRole('status').filter({ hasText: /^kept$/ })).toBeVisible();
    await page.reload();
    await expect(page.getByRole('textbox', { name: 'In the printed file' })).toHaveCount(5);
    await page.getByRole('link', { name: 'What it says' }).click();
    await expect(page.getByRole('row', { name: /14 ct yellow gold, freezing/ })).toContainText('5');
  });

  let percent = 0;
  await test.step('the plan changes, and says why', async () => {
    await page.goto(pourAt.replace(/\/\w+$/, '/scale'));
    const { slope, offset } = calibrated();
    const expected = (100 * ((US7 - 0.1) / slope + offset / slope)) / BORE_MM;
    expect(Math.abs(expected - percentFor(DIRECT))).toBeGreaterThan(0.1);
    await expect.poll(() => scaleOf(page)).toBeCloseTo(expected, 1);
    percent = await scaleOf(page);
    await page.getByText('Steps, and where they come from').click();
    await expect(page.getByRole('row', { name: /^Metal/ })).toContainText('alloy record and 5 of your sizes');
    await expect(page.getByRole('row', { name: /^Metal/ })).toContainText('the book said −1.60 %');
  });

  await test.step('the scaled file, read back', async () => {
    const download = page.waitForEvent('download');
    await page.getByRole('button', { name: /scaled, as STL$/ }).click();
    const saved = await download;
    expect(saved.suggestedFilename()).toBe(`band US 7 ${percent.toFixed(2)} pc mm.stl`);
    const band = measureBand(await readFile((await saved.path())!));
    // The file is written at the full percent, the ticket shows two digits of it.
    const factor = band.outside / (BORE_MM + 3.6);
    expect(100 * factor).toBeCloseTo(percent, 2);
    expect(Math.abs(band.bore - BORE_MM * factor)).toBeLessThan(0.001);
    expect(Math.abs(band.width - 5 * factor)).toBeLessThan(0.001);
  });

  await test.step('what is printed stays as it was printed', async () => {
    await page.getByRole('heading', { name: 'Scale', exact: true }).click();
    await page.keyboard.press('6');
    await page.getByRole('button', { name: 'Started now' }).click();
    await page.keyboard.press('5');
    await expect(page.getByText('Fixed when the print was started')).toBeVisible();
    await page.getByText('Measured on the way').click();
    await page.getByRole('textbox', { name: 'Bore, cured' }).fill('17.1');
    await page.getByRole('heading', { name: 'Scale', exact: true }).click();
    await expect(page.getByText(/^Bore will be off/)).toBeVisible();
    await expect(ticketLine(page, 'Scale')).toContainText(`${percent.toFixed(2)} %`);
  });
});

/** A ring of US 10 with four prongs and two rails. */
function prongedStl(): Uint8Array {
  const radius = US10 / 2;
  const prongs = [-2, 2].flatMap((x) => [0.6, 3.6].map((z) => box([0.8, 4, 0.8], [x, radius + 1.4, z])));
  const rails = [2.2, 4.2].map((up) => box([4.8, 0.5, 3.8], [-2, radius + up, 0.6]));
  const ring = together(tube(radius + 1.8, radius, 5, 180), ...prongs, ...rails);
  return writeBinaryStl(Float64Array.from(ring.positions), Uint32Array.from(ring.triangles));
}
const US10 = 19.758;
const US11 = 20.571;

test('a four-prong ring of US 10 for a finger of US 11', async ({ page }, info) => {
  const file = info.outputPath('prongs.stl');
  await writeFile(file, prongedStl());
  await page.goto(shop.address);
  await expect(page.getByRole('navigation', { name: 'Pages' })).toBeVisible();
  await page.keyboard.press('n');
  await choose(page, 'Metal', '14 ct yellow gold');
  await page.getByRole('textbox', { name: 'Size', exact: true }).last().fill('11');
  await page.getByRole('heading', { name: 'Brief' }).click();
  await page.keyboard.press('2');
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Choose a file' }).click();
  await (await chooser).setFiles(file);
  await expect(page.locator('.part[data-ready="true"]')).toBeVisible({ timeout: 30_000 });
  await page.keyboard.press('3');
  await choose(page, 'Resin', 'Skerry Low-Ash');
  await choose(page, 'Printer', 'Printer A');
  await choose(page, 'Profile', /Skerry Low-Ash/);
  await page.getByRole('heading', { name: 'Resin', exact: true }).click();
  await page.keyboard.press('5');
  await expect(page.getByText('The file has another bore.')).toBeVisible({ timeout: 90_000 });
  await expect(page.getByText(/US, Canada 10; you want 20\.57 mm, US, Canada 11/)).toBeVisible();
  // No press was needed: the percent makes up for the file, and the steps beside it.
  const [bore] = [
    /file’s bore is (\d+\.\d+) mm/.exec(await page.getByText(/The file’s bore is/).innerText())![1]!,
  ];
  expect(Math.abs(Number(bore) - US10)).toBeLessThan(0.02);
  expect(await scaleOf(page)).toBeGreaterThan((100 * US11) / US10);
  await page.getByText('Measured on the way').click();
  await type(page, 'Bore, off the printer', 'US 10');
  await expect(page.getByText('Bore will be off: print again before you cast.')).toBeVisible();
  await expect(page.getByText('was it this file')).toBeVisible();
});
