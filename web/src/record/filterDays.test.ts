// @vitest-environment happy-dom
import { describe, expect, it } from 'vitest';
import { lastEmitted } from '../testing/mountInApp';
import { useFakeShop } from '../testing/fakeServer';
import { fieldOf } from '../testing/showInPour';
import { setShopZone } from '../time/shopClock';
import { narrows, NO_FILTER } from './recordFilter';
import RecordFilters from './RecordFilters.vue';

const shop = useFakeShop();
const valueOf = (page: ReturnType<typeof shop.show>, label: string): string =>
  (fieldOf(page, label).element as HTMLInputElement).value;

describe('days that the record is searched by', () => {
  it('are whole days of the shop’s clock: the last one too', async () => {
    setShopZone('UTC');
    const page = shop.show(RecordFilters, { filter: { ...NO_FILTER } });
    await fieldOf(page, 'Poured from').setValue('2026-10-05');
    expect(lastEmitted(page, 'change')).toEqual({ since: '2026-10-05T00:00:00.000Z' });
    await fieldOf(page, 'Poured until').setValue('2026-10-07');
    expect(lastEmitted(page, 'change')).toEqual({ until: '2026-10-08T00:00:00.000Z' });
    const chosen = shop.show(RecordFilters, { filter: { ...NO_FILTER, since: '2026-10-05T00:00:00.000Z' } });
    await fieldOf(chosen, 'Poured from').setValue('');
    expect(lastEmitted(chosen, 'change')).toEqual({ since: null });
  });
  it('are shown as they were chosen, and narrow what is found', () => {
    setShopZone('UTC');
    const filter = { ...NO_FILTER, since: '2026-10-05T00:00:00.000Z', until: '2026-10-08T00:00:00.000Z' };
    const page = shop.show(RecordFilters, { filter });
    expect([valueOf(page, 'Poured from'), valueOf(page, 'Poured until')]).toEqual(['2026-10-05', '2026-10-07']); // prettier-ignore
    expect(narrows(filter)).toBe(true);
    expect(narrows({ ...NO_FILTER })).toBe(false);
    // A page that shows no columns of its own asks for none.
    expect(page.text()).not.toContain('Columns');
  });
});
