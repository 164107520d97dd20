// @vitest-environment happy-dom
import { describe, expect, it } from 'vitest';
import { nextTick } from 'vue';
import { useFakeShop } from '../../testing/fakeServer';
import { flatText, showInPour } from '../../testing/showInPour';
import FromRecord from './FromRecord.vue';

const shop = useFakeShop();

describe('what the record says of a casting', () => {
  it('is nothing where nothing was measured', () => {
    expect(flatText(showInPour(shop, 31, FromRecord).page)).toContain('Nothing was measured or told of it');
  });
  it('is told with what is off first', async () => {
    const { page, handle } = showInPour(shop, 31, FromRecord);
    handle.set(['invest', 'weighedPowderG'], 460);
    handle.set(['invest', 'weighedWaterG'], 184);
    await nextTick();
    expect(flatText(page)).toMatch(/as it should be\s*Weighed as planned\. 184 g into 460 g is 0\.40/);
    const now = Date.now();
    handle.set(['invest', 'waterTempC'], { state: 'measured', value: 22 });
    handle.set(['invest', 'powderInAt'], new Date(now - 40 * 60_000).toISOString());
    handle.set(['invest', 'glossOffAt'], new Date(now).toISOString());
    await nextTick();
    const items = page.findAll('li').map((one) => one.text());
    expect(items[0]).toContain('It set late.');
    expect(items[1]).toContain('Weighed as planned.');
  });
});
