import { benchSpans, HOUR_MS } from '@zero-pour/core';
import { afterEach, describe, expect, it } from 'vitest';
import { dayMarks, hourMarks } from '../board/timeAxis';
import { formatMoment } from './formatMoment';
import { readMoment } from './readMoment';
import { browserZone, setShopZone } from './shopClock';

afterEach(() => setShopZone(browserZone()));

/** 20:54 on Tuesday 24 November in UTC: Wednesday morning in Auckland, Tuesday noon on the west coast of America. */
const NOW = Date.parse('2026-11-24T20:54:00Z');
const ZONES = ['Pacific/Auckland', 'America/Los_Angeles', 'UTC', 'Asia/Kolkata'] as const;

describe('the shop’s clock', () => {
  it('is what is shown, wherever the browser stands', () => {
    const shown = ZONES.map((zone) => (setShopZone(zone), formatMoment(NOW, NOW)));
    expect(shown).toEqual(['Wed 09:54', 'Tue 12:54', 'Tue 20:54', 'Wed 02:24']);
  });

  it.each(ZONES)('is what is typed: what is shown reads back in %s', (zone) => {
    setShopZone(zone);
    for (const ahead of [0.5, 20, 100, 300, 4000]) {
      const moment = Math.floor((NOW + ahead * HOUR_MS) / 60_000) * 60_000;
      expect(readMoment(formatMoment(moment, NOW), NOW)).toEqual({ status: 'read', at: moment });
    }
  });

  it('marks its own midnights and hours along the board', () => {
    setShopZone('Asia/Kolkata');
    const stretch = { from: NOW, to: NOW + 48 * HOUR_MS };
    expect(dayMarks(stretch).map(({ at }) => new Date(at).toISOString().slice(11, 16))).toEqual(['18:30', '18:30']);
    expect(hourMarks(stretch, 1000).every(({ at }) => new Date(at).getUTCMinutes() === 30)).toBe(true);
  }); // prettier-ignore
});

describe('bench hours', () => {
  const day = { open: true, fromMin: 8 * 60, toMin: 18 * 60 };
  const hours = [{ ...day, open: false }, day, day, day, day, day, day];
  const opens = (timeZone: string, from: string, to: string): string[] =>
    benchSpans({ hours, timeZone }, Date.parse(from), Date.parse(to)).map((span) => new Date(span.from).toISOString());

  it('are of the shop’s days: closed on its Sunday, not on this machine’s', () => {
    // Sunday in Auckland begins at 11:00 UTC on Saturday.
    expect(opens('Pacific/Auckland', '2026-11-27T12:00:00Z', '2026-11-30T12:00:00Z')).toEqual([
      '2026-11-27T19:00:00.000Z',
      '2026-11-29T19:00:00.000Z',
    ]);
  });

  it('keep their hour when summer time ends', () => {
    // Central European summer time ended on 25 October 2026: eight o'clock is 06:00 UTC before it, 07:00 after.
    expect(opens('Europe/Berlin', '2026-10-24T00:00:00Z', '2026-10-27T00:00:00Z')).toEqual([
      '2026-10-24T06:00:00.000Z',
      '2026-10-26T07:00:00.000Z',
    ]);
  });
}); // prettier-ignore
