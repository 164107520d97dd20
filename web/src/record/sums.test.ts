// @vitest-environment happy-dom
import type { RecordGroup, RecordPoint } from '@zero-pour/contracts';
import { flushPromises } from '@vue/test-utils';
import { describe, expect, it } from 'vitest';
import { useFakeShop } from '../testing/fakeServer';
import { buttonOf, flatText } from '../testing/showInPour';
import { dayStart, setShopZone } from '../time/shopClock';
import GroupsPage from './GroupsPage.vue';
import MonthPage from './MonthPage.vue';
import { queryOf, recordFilter } from './recordFilter';
import TrendsPage from './TrendsPage.vue';

const shop = useFakeShop();
const settle = async (): Promise<void> => {
  await new Promise((done) => setTimeout(done, 260));
  await flushPromises();
};
const DAY = 86_400_000;
const silver = (): string => shop.file.lists.alloy.find(({ name }) => name === 'Sterling silver')!.id;
const point = (n: number, y: number): RecordPoint => ({ id: shop.file.pours[0]!.id, number: n, x: Date.UTC(2026, 8, 1) + 10 * n * DAY, y, alloyId: silver(), resinId: null, castClass: 'standard' }); // prettier-ignore
const group = (key: string | null, more: Partial<RecordGroup> = {}): RecordGroup => ({ key, pours: 3, looked: 0, sellable: 0, chargeG: null, backG: null, finishingMin: null, clearedMin: null, ...more }); // prettier-ignore

describe('trends', () => {
  it('draw nothing of nothing, and say so', async () => {
    const page = shop.show(TrendsPage);
    await settle();
    expect(flatText(page)).toContain('No pour tells it: nothing is drawn.');
    expect(flatText(page)).not.toMatch(/rises|falls/);
  });
  it('tell a rise only where the points do, by group', async () => {
    shop.server.points = { more: false, points: [1, 2, 3, 4, 5, 6, 7].map((n) => point(n, 40 + 5 * n)) };
    const page = shop.show(TrendsPage);
    await settle();
    expect(flatText(page)).toMatch(/Sterling silver 7 pours: rises by 15(\.\d+)? % in 30 days/);
    shop.server.points = { more: false, points: [1, 2, 3].map((n) => point(n, 40 + 5 * n)) };
    await buttonOf(page, 'Ash over the age of the vat').trigger('click');
    await settle();
    expect(shop.server.asked.at(-1)).toContain('of=ash+pitting&along=vatDays');
    expect(flatText(page)).toContain('3 pours: too few for a trend');
  });
});

describe('pours taken together', () => {
  it('have a month’s page each, and nothing where nothing was weighed', async () => {
    shop.server.groups = [group('2026-11', { looked: 8, sellable: 6, chargeG: 120.5 }), group('2026-10')];
    const page = shop.show(GroupsPage);
    await settle();
    const rows = page.findAll('tbody tr').map((row) => row.text().replace(/\s+/g, ' '));
    expect(rows[0]).toMatch(/November 2026\s?3\s?6 of 8 \(\d+ to \d+ %\)\s?120\.5/);
    expect(rows[1]).toContain('nothing looked at');
    expect(rows[1]).toContain('–');
    expect(page.find('tbody a').attributes('href')).toBe('/record/month/2026-11');
  });
  it('by recipe and by flaw are called by their names', async () => {
    const { id } = shop.file.records.recipe[0]!;
    shop.server.groups = [group(id), group(null), group(silver())];
    const page = shop.show(GroupsPage);
    await settle();
    await buttonOf(page, 'Recipe').trigger('click');
    await settle();
    expect(shop.server.asked.some((at) => at.includes('by=recipe'))).toBe(true);
    const names = page.findAll('tbody tr').map((row) => row.find('td').text());
    expect(names).toEqual(['Heavy bronze in Clear-Out, version 1', 'by no recipe', 'one that is gone']);
  });
});

describe('a month', () => {
  it('is the shop’s own, from midnight to midnight, through a change of the clock', () => {
    setShopZone('Europe/Berlin');
    expect(new Date(dayStart('2026-10')!).toISOString()).toBe('2026-09-30T22:00:00.000Z');
    expect(new Date(dayStart('2026-10', 1)!).toISOString()).toBe('2026-10-31T23:00:00.000Z');
    expect(new Date(dayStart('2026-12', 1)!).toISOString()).toBe('2026-12-31T23:00:00.000Z');
    expect(new Date(dayStart('2026-10-25', 1)!).toISOString()).toBe('2026-10-25T23:00:00.000Z');
    expect([dayStart('2026-13'), dayStart('soon'), dayStart('')]).toEqual([undefined, undefined, undefined]);
  });
  it('asks for its own pours, and is a page of them', async () => {
    const page = shop.show(MonthPage, { month: '2026-10' });
    await settle();
    const asked = shop.server.asked.find((at) => at.startsWith('/api/record?'))!;
    expect(asked).toMatch(/since=2026-(09-30|10-01)T.*&until=2026-1(0-31|1-01)T/);
    expect(flatText(page)).toContain('October 2026');
    expect(page.findAll('tbody tr').length).toBeGreaterThan(5);
    expect(flatText(page)).toContain('Sea-holly trellis drop');
  });
  it('that is none says so and asks for nothing', async () => {
    const page = shop.show(MonthPage, { month: '2026-17' });
    await settle();
    expect(flatText(page)).toContain('No such month');
    expect(shop.server.asked.some((at) => at.startsWith('/api/record?'))).toBe(false);
  });
});

it('days of the filter go into the address as moments', () => {
  const filter = Object.assign(recordFilter(), { since: '2026-10-01T00:00:00.000Z' });
  expect(queryOf(filter).get('since')).toBe('2026-10-01T00:00:00.000Z');
});
