import ical, { type VEvent } from 'node-ical';
import type { ShopState } from '@zero-pour/contracts';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openTestShop, type TestShop } from './testing/testShop';

let shop: TestShop;
beforeAll(async () => {
  shop = await openTestShop();
}, 60_000);
afterAll(() => shop.close());

async function calendar(query = ''): Promise<{ text: string; type: string; events: VEvent[] }> {
  const answer = await fetch(`${shop.shop.address}/api/calendar.ics${query}`);
  const text = await answer.text();
  const events = Object.values(ical.sync.parseICS(text)).filter((one) => one?.type === 'VEVENT') as VEvent[];
  return { text, type: answer.headers.get('content-type') ?? '', events };
}
const stateOf = async (): Promise<ShopState> => (await shop.ask('GET', '/shop')).body as ShopState;

describe('the calendar', () => {
  it('of an empty shop is one without events', async () => {
    const { text, type, events } = await calendar();
    expect(type).toContain('text/calendar');
    expect(text.startsWith('BEGIN:VCALENDAR')).toBe(true);
    expect(events).toEqual([]);
  });
  it('has what hands must do, each with an alarm and a link, and refuses a pour by a name that is none', async () => {
    expect((await shop.ask('POST', '/demo')).status).toBe(200);
    const { events } = await calendar();
    const { openPours } = await stateOf();
    const zeros = events.filter(({ summary }) => String(summary).includes(': Zero'));
    expect(zeros.map(({ start }) => start.getTime()).sort()).toEqual(
      openPours.map(({ doc }) => Math.round(Date.parse(doc.brief.zeroAt!) / 60_000) * 60_000).sort(),
    );
    for (const event of events) {
      expect(event.end!.getTime()).toBeGreaterThan(event.start.getTime());
      expect(event.alarms).toHaveLength(1);
    }
    const one = await calendar(`?pour=${openPours[0]!.id}`);
    expect(one.events.length).toBeGreaterThan(0);
    expect(one.events.every(({ summary }) => String(summary).startsWith(`Pour ${openPours[0]!.number}:`))).toBe(true); // prettier-ignore
    expect((await shop.ask('GET', '/calendar.ics?pour=nonsense')).status).toBe(422);
  }, 60_000);
  it('read again after zero moved has the same events at other times, none twice', async () => {
    const before = (await calendar()).events;
    const { openPours } = await stateOf();
    const pour = openPours.find(({ doc }) => doc.burnout.startedAt === undefined)!;
    const later = new Date(Date.parse(pour.doc.brief.zeroAt!) + 24 * 3_600_000).toISOString();
    const changes = [{ path: ['brief', 'zeroAt'], value: later, version: 2 }];
    expect((await shop.ask('PATCH', `/pours/${pour.id}`, { changes })).status).toBe(200);
    const after = (await calendar()).events;
    const uids = (events: VEvent[]): string[] => events.map(({ uid }) => uid).sort();
    expect(uids(after)).toEqual(uids(before));
    expect(new Set(uids(after)).size).toBe(after.length);
    const zero = (events: VEvent[]): number => events.find(({ summary }) => String(summary).startsWith(`Pour ${pour.number}: Zero`))!.start.getTime(); // prettier-ignore
    expect(zero(after) - zero(before)).toBe(24 * 3_600_000);
  });
});
