import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { InputError } from '../numeric';
import {
  benchSpans,
  closedSpans,
  countBack,
  earliestZero,
  HOUR_MS,
  isWithin,
  type BenchClock,
  type BenchException,
  type BenchHours,
  type WorkStep,
} from './index';

const day = { open: true, fromMin: 8 * 60, toMin: 18 * 60 };
/** Open 8 to 18, closed on Sundays. */
const HOURS: BenchHours = [{ ...day, open: false }, day, day, day, day, day, day];
/** On the clock of where this runs. */
const CLOCK: BenchClock = { hours: HOURS, timeZone: new Intl.DateTimeFormat().resolvedOptions().timeZone };
/** Local time; 2 November 2026 is a Monday. */
const at = (dayOfMonth: number, hour: number, minute = 0): number =>
  new Date(2026, 10, dayOfMonth, hour, minute).getTime();

const STEPS: WorkStep[] = [
  { key: 'print', hours: 5, attendance: 'start' },
  { key: 'clean', hours: 1.25, attendance: 'whole' },
  { key: 'sprue', hours: 1, attendance: 'whole' },
  { key: 'invest', hours: 0.75, attendance: 'whole' },
  { key: 'set', hours: 2, attendance: 'none' },
];
const TURN = [{ atH: 2, what: 'turn' }];

describe('bench hours', () => {
  it('are open spans that leave nights and Sundays closed', () => {
    const spans = benchSpans(CLOCK, at(6, 12), at(9, 12));
    expect(spans.map((s) => [new Date(s.from).getDay(), new Date(s.to).getHours()])).toEqual([
      [5, 18],
      [6, 18],
      [1, 18],
    ]);
    expect(closedSpans(CLOCK, at(6, 12), at(9, 12))).toEqual([
      { from: at(6, 18), to: at(7, 8) },
      { from: at(7, 18), to: at(9, 8) },
    ]);
  });
});

describe('odd bench hours', () => {
  const evening = { open: true, fromMin: 18 * 60, toMin: 2 * 60 };
  const night: BenchHours = Array.from({ length: 7 }, () => evening);

  it('run past midnight', () => {
    expect(benchSpans({ ...CLOCK, hours: night }, at(3, 12), at(4, 12))).toEqual([
      { from: at(3, 18), to: at(4, 2) },
    ]);
    expect(isWithin(benchSpans({ ...CLOCK, hours: night }, at(3, 1), at(3, 1, 30)), at(3, 1))).toBe(true);
  });
  it('run round the clock without a seam, also where summer time ends', () => {
    for (const day of [
      { open: true, fromMin: 0, toMin: 24 * 60 },
      { open: true, fromMin: 480, toMin: 480 },
    ]) {
      const hours = Array.from({ length: 7 }, () => day);
      expect(
        benchSpans({ hours, timeZone: 'Europe/Berlin' }, at(1, 0) - 10 * 24 * HOUR_MS, at(9, 0)),
      ).toHaveLength(1);
    }
  });
  it('let an attended step cross midnight', () => {
    const steps: WorkStep[] = [{ key: 'invest', hours: 3, attendance: 'whole' }];
    const [step] = countBack(at(5, 4), steps, 3, [], { ...CLOCK, hours: night }).steps;
    expect(step).toEqual({ key: 'invest', from: at(4, 22), to: at(5, 1), outside: false });
  });
  it('of one day a week still find an hour for everything', () => {
    const saturdays = HOURS.map((d, i) => ({ ...d, open: i === 6 }));
    const now = at(2, 9);
    const zero = earliestZero(now, STEPS, 5, [], { ...CLOCK, hours: saturdays })!;
    expect(new Date(zero).getDay()).toBe(6);
    const back = countBack(zero, STEPS, 5, [], { ...CLOCK, hours: saturdays });
    expect(back.steps.every((s) => !s.outside)).toBe(true);
    expect(back.start).toBeGreaterThanOrEqual(now);
  });
});

describe('counting back', () => {
  it('places every step as late as bench hours allow', () => {
    const back = countBack(at(5, 9, 15), STEPS, 19, TURN, CLOCK);
    expect(back.kilnIn).toBe(at(4, 14, 15));
    const starts = Object.fromEntries(back.steps.map((s) => [s.key, s.from]));
    expect(starts).toEqual({
      set: at(4, 12, 15),
      invest: at(4, 11, 30),
      sprue: at(4, 10, 30),
      clean: at(4, 9, 15),
      print: at(3, 18),
    });
    expect(back.conflicts).toEqual([]);
    expect(back.start).toBe(at(3, 18));
  });

  it('names what falls when the bench is closed, and the nearest hour that mends it', () => {
    const back = countBack(at(5, 15), STEPS, 19, TURN, CLOCK);
    expect(back.conflicts.map((c) => [c.what, c.at])).toEqual([
      ['Kiln in', at(4, 20)],
      ['turn', at(4, 22)],
    ]);
    expect(back.civilZero.earlier).toBe(at(5, 11));
    // Later, the turn falls in the next morning's hours and the pour on the night after: not before Friday.
    expect(back.civilZero.later).toBe(at(6, 8));
  });

  it('says when no hour within reach mends it', () => {
    const closed = HOURS.map((d) => ({ ...d, open: false }));
    const back = countBack(at(5, 9), STEPS, 19, TURN, { ...CLOCK, hours: closed });
    expect(back.conflicts).toHaveLength(3);
    expect(back.civilZero).toEqual({ earlier: null, later: null });
    expect(back.steps.filter((s) => s.outside).map((s) => s.key)).toEqual([
      'print',
      'clean',
      'sprue',
      'invest',
    ]);
  });

  it('keeps order, never overlaps, and keeps attended work inside bench hours', () => {
    const hours = fc.double({ min: 0.1, max: 9, noNaN: true });
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 14 * 24 }),
        fc.array(hours, { minLength: 1, maxLength: 5 }),
        (offset, lengths) => {
          const zero = at(16, 0) + offset * HOUR_MS;
          const steps = lengths.map((h, i): WorkStep => ({
            key: String(i),
            hours: h,
            attendance: i % 2 ? 'whole' : 'start',
          }));
          const back = countBack(zero, steps, 18, [], CLOCK);
          const spans = benchSpans(CLOCK, zero - 30 * 24 * HOUR_MS, zero);
          back.steps.forEach((step, i) => {
            expect(step.to).toBeLessThanOrEqual((back.steps[i + 1]?.from ?? back.kilnIn) + 1e-3);
            expect(step.outside || isWithin(spans, step.from)).toBe(true);
          });
        },
      ),
      { seed: 5, numRuns: 60 },
    );
  });

  it('finds the earliest pour that lies ahead', () => {
    const now = at(3, 9);
    const zero = earliestZero(now, STEPS, 19, TURN, CLOCK)!;
    const back = countBack(zero, STEPS, 19, TURN, CLOCK);
    expect(back.conflicts).toEqual([]);
    expect(back.start).toBeGreaterThanOrEqual(now);
    const sooner = countBack(zero - HOUR_MS / 4, STEPS, 19, TURN, CLOCK);
    expect(sooner.start < now || sooner.conflicts.length > 0).toBe(true);
    expect(
      earliestZero(now, STEPS, 19, TURN, { ...CLOCK, hours: HOURS.map((d) => ({ ...d, open: false })) }),
    ).toBeNull();
  });

  it('refuses a week that is not seven days', () => {
    expect(() => countBack(at(5, 9), STEPS, 19, TURN, { ...CLOCK, hours: HOURS.slice(1) })).toThrow(
      InputError,
    );
  });
});

describe('days that are otherwise', () => {
  const clock = (...exceptions: BenchException[]): BenchClock => ({ ...CLOCK, exceptions });
  const hoursOf = (of: BenchClock, from = at(2, 0), to = at(9, 0)): string[] =>
    benchSpans(of, from, to).map((s) => `${new Date(s.from).getDate()} ${new Date(s.from).getHours()}–${new Date(s.to).getHours()}`); // prettier-ignore

  it('are closed for a day, for several, or for some of their hours', () => {
    expect(hoursOf(clock({ from: '2026-11-03', to: '2026-11-05', open: false }))).toEqual(['2 8–18', '6 8–18', '7 8–18']); // prettier-ignore
    const blocked = clock({
      from: '2026-11-03',
      to: '2026-11-03',
      open: false,
      fromMin: 15 * 60,
      toMin: 16 * 60,
    });
    expect(hoursOf(blocked, at(3, 0), at(4, 0))).toEqual(['3 8–15', '3 16–18']);
  });
  it('are open on a Sunday, and longer on an evening; what touches the usual hours is one stretch', () => {
    const sunday = clock({
      from: '2026-11-08',
      to: '2026-11-08',
      open: true,
      fromMin: 10 * 60,
      toMin: 14 * 60,
    });
    expect(hoursOf(sunday, at(8, 0), at(9, 0))).toEqual(['8 10–14']);
    const late = clock({
      from: '2026-11-03',
      to: '2026-11-03',
      open: true,
      fromMin: 18 * 60,
      toMin: 22 * 60,
    });
    expect(hoursOf(late, at(3, 0), at(4, 0))).toEqual(['3 8–22']);
    const night = clock({
      from: '2026-11-03',
      to: '2026-11-03',
      open: true,
      fromMin: 20 * 60,
      toMin: 2 * 60,
    });
    expect(benchSpans(night, at(3, 19), at(4, 5))).toEqual([{ from: at(3, 20), to: at(4, 2) }]);
  });
  it('of which the later says last', () => {
    const both = clock(
      { from: '2026-11-02', to: '2026-11-06', open: false },
      { from: '2026-11-04', to: '2026-11-04', open: true, fromMin: 9 * 60, toMin: 12 * 60 },
    );
    expect(hoursOf(both, at(2, 0), at(7, 0))).toEqual(['4 9–12']);
  });
  it('move what is counted back, and name what falls into them', () => {
    const zero = at(6, 10);
    const usual = countBack(zero, STEPS, 14, TURN, CLOCK);
    const closed = countBack(
      zero,
      STEPS,
      14,
      TURN,
      clock({ from: '2026-11-05', to: '2026-11-05', open: false }),
    );
    expect(closed.start).toBeLessThan(usual.start);
    expect(closed.conflicts.map(({ what }) => what)).toContain('Kiln in');
  });
  it('that are no dates, or end before they begin, change nothing', () => {
    for (const exception of [
      { from: 'soon', to: 'later', open: false },
      { from: '2026-11-05', to: '2026-11-03', open: false },
    ])
      expect(hoursOf(clock(exception))).toEqual(hoursOf(CLOCK));
  });
  it('leave spans in order, apart, and within what is asked for (property)', () => {
    const date = fc.integer({ min: 1, max: 20 }).map((d) => `2026-11-${String(d).padStart(2, '0')}`);
    const minute = fc.option(fc.integer({ min: 0, max: 1440 }), { nil: undefined });
    const one = fc.record({ from: date, to: date, open: fc.boolean(), fromMin: minute, toMin: minute });
    fc.assert(
      fc.property(fc.array(one, { maxLength: 6 }), (exceptions) => {
        const spans = benchSpans(clock(...exceptions), at(5, 0), at(12, 0));
        spans.forEach((span, n) => {
          expect(span.to).toBeGreaterThan(span.from);
          if (n > 0) expect(span.from).toBeGreaterThan(spans[n - 1]!.to);
        });
      }),
      { seed: 11, numRuns: 200 },
    );
  });
});
