import { readFileSync, rmSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { readMesh, writeBinaryStl } from '../core/src/mesh';
import { bowl, box, dumbbell, moved, together, type TestMesh } from '../core/src/testing/solids';
import { drop } from './drop';
import { startShop, type StartedShop } from './startShop';

const upsideDown = ({ positions, triangles }: TestMesh): TestMesh => ({
  positions: positions.map((v, i) => (i % 3 === 0 ? v : -v)),
  triangles,
});

/** A mass behind a neck, a cup that keeps air, a strut of a fifth of a millimetre, two blocks counted twice. */
const planted = together(
  dumbbell(1),
  moved(bowl(4, 3, 20, 64), [12, 0, 0]),
  moved(box([0.2, 0.2, 5]), [0, 9, 0]),
  moved(box([4, 4, 3]), [8, 8, 0]),
  moved(box([4, 4, 3]), [10, 8, 0]),
);
/** The same with a stout neck, the cup turned over, a stout strut and one block. */
const mended = together(
  dumbbell(3.9),
  moved(upsideDown(bowl(4, 3, 20, 64)), [12, 0, 0]),
  moved(box([1.6, 1.6, 5]), [0, 9, 0]),
  moved(box([6, 4, 3]), [8, 8, 0]),
);
const stl = (mesh: TestMesh): Buffer => Buffer.from(writeBinaryStl(mesh.positions, mesh.triangles));

let shop: StartedShop;
test.beforeAll(async () => {
  shop = await startShop({ demo: false });
});
test.afterAll(async () => {
  await shop.stop();
  rmSync(shop.dataFolder, { recursive: true, force: true });
});

const finding = (page: Page, lead: RegExp) =>
  page.getByRole('region', { name: 'Findings' }).getByRole('button', { name: lead });
const PLANTED = [
  /Heavy mass behind a thin way/,
  /under the resin’s limit/,
  /cups? keeps? air/i,
  /^\d+ Bodies overlap\./,
];

test('four faults of a part are found, looked at, cut open, and gone from the mended version', async ({
  page,
}) => {
  const problems: string[] = [];
  page.on('pageerror', (error) => problems.push(error.message));

  await test.step('a bad file is one sentence', async () => {
    await page.goto(`${shop.address}/patterns`);
    await expect(page.getByRole('heading', { name: 'Patterns' })).toBeVisible();
    await drop(page, 'cut.stl', stl(planted).subarray(0, 900));
    await expect(page.getByRole('alert')).toContainText('The file ends in the middle');
  });

  await test.step('the part is read and its faults are listed, gravest first', async () => {
    await drop(page, 'keepsake.stl', stl(planted));
    await expect(page.getByRole('heading', { name: 'keepsake' })).toBeVisible();
    await expect(page.getByRole('status')).toContainText('…');
    await expect(finding(page, PLANTED[0]!)).toBeVisible({ timeout: 90_000 });
    for (const lead of PLANTED) await expect(finding(page, lead)).toBeVisible();
    await expect(page.getByText('Sum of its 5 bodies')).toBeVisible();
    await expect(page.locator('.part[data-ready="true"]')).toBeVisible();
  });

  await test.step('each is turned to', async () => {
    const rings = page.locator('.marks .ring');
    const cuts: string[] = [];
    for (const lead of PLANTED.slice(0, 3)) {
      await finding(page, lead).click();
      await expect(finding(page, lead)).toHaveAttribute('aria-pressed', 'true');
      const ring = rings.first();
      await expect(ring).toBeVisible();
      // The view turns so that the place is in its middle.
      await expect
        .poll(async () => Math.abs(Number(await ring.getAttribute('cx')) - 421), { timeout: 10_000 })
        .toBeLessThan(8);
      // Cut open through the place that is looked at.
      await page.getByRole('button', { name: 'Cut across x' }).click();
      cuts.push(await page.getByRole('slider', { name: 'Place of the cut along x' }).inputValue());
      await page.getByRole('button', { name: 'Cut across x' }).click();
    }
    const [neck, strut, cup] = cuts.map(Number);
    expect(Math.abs(neck!)).toBeLessThan(0.1);
    expect(Math.abs(strut! - 0.1)).toBeLessThan(0.1);
    expect(Math.abs(cup! - 12)).toBeLessThan(1.5);
  });

  await test.step('it is cut open and measured', async () => {
    await page.getByRole('button', { name: 'Cut across y' }).click();
    const slider = page.getByRole('slider', { name: 'Place of the cut along y' });
    const before = Number(await slider.inputValue());
    await page.getByRole('slider', { name: /^Section plane/ }).focus();
    for (let n = 0; n < 5; n++) await page.keyboard.press('ArrowUp');
    expect(Number(await slider.inputValue()) - before).toBeCloseTo(1, 1);
    await page.getByRole('button', { name: 'Cut across y' }).click();
    await page.getByRole('button', { name: 'all of it' }).click();
    await page.getByRole('button', { name: 'Measure' }).click();
    await expect(page.getByText('Click a point on the part.')).toBeVisible();
    await page.getByRole('button', { name: 'Measure' }).click();
  });

  await test.step('opened again it is there at once: nothing is computed twice', async () => {
    await page.reload();
    await expect(finding(page, PLANTED[0]!)).toBeVisible({ timeout: 5_000 });
    await expect(page.locator('.progress')).toHaveCount(0);
  });

  await test.step('layers of one way up', async () => {
    await page.getByRole('radio', { name: 'Overhang' }).click();
    await expect(page.locator('.chart[data-ready="true"]')).toBeVisible({ timeout: 60_000 });
    await expect(finding(page, /islands?\./)).toBeVisible();
    const layer = page.getByRole('slider', { name: 'Layer' });
    await layer.focus();
    await page.keyboard.press('End');
    await expect(page.getByText(/^layer (\d+) of \1,/)).toBeVisible();
    await page.getByRole('radio', { name: 'Thickness' }).click();
  });

  await test.step('saved as 3MF it is the same part', async () => {
    const saving = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Save as 3MF' }).click();
    const saved = readMesh(new Uint8Array(readFileSync(await (await saving).path())), 'saved.3mf');
    expect(saved.triangles).toHaveLength(planted.triangles.length);
    expect(saved.unitMm).toBe(1);
  });

  await test.step('the mended version has none of them, and says what changed', async () => {
    await drop(page, 'keepsake-2.stl', stl(mended));
    await expect(page.getByText('version 2')).toBeVisible({ timeout: 30_000 });
    const gone = page.getByRole('paragraph').filter({ hasText: /^Gone:/ });
    await expect(gone).toContainText('Heavy mass behind a thin way.', { timeout: 90_000 });
    for (const lead of PLANTED) await expect(finding(page, lead)).toHaveCount(0);
    await expect(page.getByRole('row', { name: /^Thinnest 0\.2\d mm/ })).toBeVisible();
  });
  expect(problems).toEqual([]);
});
