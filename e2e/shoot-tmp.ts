import { chromium } from '@playwright/test';
import { CHROMIUM_ARGS, chromiumPath } from './browser';
const [base = '', ...jobs] = process.argv.slice(2);
const b = await chromium.launch({ executablePath: chromiumPath()!, args: CHROMIUM_ARGS });
for (const job of jobs) {
  const [name = '', path = '', size = '1280x800', full] = job.split('@');
  const [w = 1280, h = 800] = size.split('x').map(Number);
  const p = await b.newPage({ viewport: { width: w, height: h } });
  p.on('console', (m) => {
    if (m.type() === 'error' || m.type() === 'warning') console.log(name, m.type(), m.text().slice(0, 300));
  });
  p.on('pageerror', (e) => console.log(name, 'PAGEERROR', e.message.slice(0, 600)));
  await p.clock.setFixedTime(new Date(2026, 10, 24, 16, 54));
  await p.goto(base + path);
  await p.waitForLoadState('networkidle');
  await p.waitForTimeout(1200);
  await p.screenshot({ path: `/tmp/shots/${name}.png`, fullPage: full === 'full' });
  await p.close();
}
await b.close();
