import { chromium } from '@playwright/test';
import { CHROMIUM_ARGS, chromiumPath } from './browser';
const [name, link, ...acts] = process.argv.slice(2);
const executablePath = chromiumPath();
const browser = await chromium.launch({ args: CHROMIUM_ARGS, ...(executablePath ? { executablePath } : {}) });
const size = process.env.SIZE ? process.env.SIZE.split('x').map(Number) : [1280, 800];
const page = await browser.newPage({ viewport: { width: size[0]!, height: size[1]! } });
page.on('pageerror', (e) => console.error('ERR', e.message));
page.on('console', (m) => m.type() === 'error' && console.error('CON', m.text()));
await page.goto('http://127.0.0.1:4680/patterns');
await page.waitForLoadState('networkidle');
if (link && link !== '-') {
  await page.getByRole('link', { name: link }).click();
  const t = Date.now();
  await page
    .waitForFunction('!document.querySelector(".progress")', null, { timeout: 200000 })
    .catch(() => {});
  console.log('analysed after', Date.now() - t);
  await page.locator('[data-ready="true"]').first().waitFor({ timeout: 60000 });
}
for (const act of acts) {
  const [kind, ...rest] = act.split('=');
  const arg = rest.join('=');
  if (kind === 'click') await page.getByRole('button', { name: arg }).first().click();
  if (kind === 'radio') await page.getByRole('radio', { name: arg }).first().click();
  if (kind === 'scroll') await page.mouse.wheel(0, Number(arg));
  if (kind === 'into') await page.getByText(arg).first().scrollIntoViewIfNeeded();
  if (kind === 'wait') await page.waitForTimeout(Number(arg));
  if (kind === 'key') await page.keyboard.press(arg);
  if (kind === 'xy') {
    const [x, y] = arg.split(',').map(Number);
    await page.mouse.click(x!, y!);
  }
  if (kind === 'text') console.log((await page.locator(arg).allInnerTexts()).join('\n'));
}
await page.waitForTimeout(800);
await page.screenshot({ path: `/tmp/shots/${name}.png`, fullPage: !!process.env.FULL });
await browser.close();
