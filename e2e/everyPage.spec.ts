import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';
import { startShop, type StartedShop } from './startShop';

let shop: StartedShop;
test.beforeAll(async () => {
  shop = await startShop({ demo: true });
});
test.afterAll(() => shop.stop());

/** The pages of a shop: of one pour and one resin, and all others. */
async function pagesOf(page: Page) {
  const { openPours, patterns, lists } = (await (
    await page.request.get(`${shop.address}/api/shop`)
  ).json()) as {
    openPours: { id: string }[];
    patterns: { id: string }[];
    lists: { resin: { id: string; name: string }[] };
  };
  const resin = `/resins/${lists.resin.find((r) => r.name === 'Skerry Wax 55')!.id}`;
  const pour = `/pours/${openPours[0]!.id}`;
  return { pour, resin, patterns };
}

/** Shows a page at the width of the window, and holds it not to scroll sideways. */
async function fits(page: Page, path: string): Promise<void> {
  await page.goto(`${shop.address}${path}`);
  await expect(page.locator('h1').first(), path).toBeVisible();
  const over = await page.evaluate(
    () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
  );
  expect(over, path).toBeLessThanOrEqual(0);
}

/** What on a page seriously stands in the way of somebody who does not see it, or uses no mouse. */
async function serious(page: Page): Promise<string[]> {
  const { violations } = await new AxeBuilder({ page }).analyze();
  return violations
    .filter(({ impact }) => impact === 'serious' || impact === 'critical')
    .flatMap(({ id, nodes }) => nodes.map(({ target, failureSummary }) => `${id} ${target.join(' ')}: ${failureSummary}`)); // prettier-ignore
}

/** Longest that one page may take, however busy the machine. */
const PAGE_MS = 240_000;

/** Visits one page after the other: what has a limit is a page, not the walk. */
async function walk(paths: readonly string[], visit: (path: string) => Promise<void>): Promise<void> {
  const began = Date.now();
  for (const path of paths) {
    test.setTimeout(Date.now() - began + PAGE_MS);
    await visit(path);
  }
}

test('pages at the bench fit a phone without sideways scrolling', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 800 });
  const { pour, resin } = await pagesOf(page);
  const paths = [
    '/',
    `${resin}/tune`,
    '/sizes',
    '/sizes/series',
    '/sizes/why',
    pour,
    `${pour}/scale`,
    `${pour}/print`,
    `${pour}/result`,
    `${pour}/bench/clean`,
    `${pour}/bench/invest`,
    `${pour}/bench/pour`,
    `${pour}/clean`,
    `${pour}/wayUp`,
    `${pour}/sheet`,
    `${pour}/pour`,
    `${pour}/brief`,
    '/record/recipes',
    '/record/groups',
    '/record/trends',
    '/record/pictures',
    '/shop/settings',
    '/inbox',
  ];
  await walk(paths, (path) => fits(page, path));
});

/** Pages on a small screen: none scrolls sideways, and nothing serious on one stands in the way of anybody. */
const SMALL_SCREEN: Record<string, (of: Awaited<ReturnType<typeof pagesOf>>) => string[]> = {
  'the board, patterns and resins': ({ resin, patterns }) => [
    '/',
    '/patterns',
    `/patterns/${patterns[0]!.id}`,
    '/resins',
    '/resins/compare',
    ...['tune', 'coupon', 'profiles', 'curve', 'tests', 'before', 'record'].map((v) => `${resin}/${v}`),
    '/sizes',
    '/sizes/series',
    '/sizes/why',
    '/molds',
  ],
  'the shop and its record': () => [
    '/shop',
    ...[
      'flask',
      'alloy',
      'kiln',
      'programme',
      'printer',
      'lots',
      'settings',
      'network',
      'files',
      'about',
    ].map((kind) => `/shop/${kind}`),
    '/record',
    ...['recipes', 'groups', 'trends', 'pictures', 'compare', 'old'].map((of) => `/record/${of}`),
    '/week',
    '/inbox',
  ],
  'the first stages of a pour': ({ pour }) => [
    pour,
    ...['brief', 'pattern', 'resin', 'wayUp', 'scale', 'print', 'clean'].map((s) => `${pour}/${s}`),
  ],
  'its last stages and the bench': ({ pour }) => [
    ...['sprue', 'invest', 'burnout', 'pour', 'result'].map((s) => `${pour}/${s}`),
    ...['clean', 'invest', 'pour'].map((list) => `${pour}/bench/${list}`),
    `${pour}/sheet`,
  ],
};

for (const [name, paths] of Object.entries(SMALL_SCREEN))
  test(`every page fits a small screen and is open to everybody: ${name}`, async ({ page }) => {
    await page.setViewportSize({ width: 1024, height: 800 });
    await page.emulateMedia({ reducedMotion: 'reduce' });
    await walk(paths(await pagesOf(page)), async (path) => {
      await fits(page, path);
      await expect.poll(() => serious(page), { message: path, timeout: 150_000 }).toEqual([]);
    });
  });
