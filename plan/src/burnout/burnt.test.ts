import type { KilnCurve, PourDoc } from '@zero-pour/contracts';
import {
  formatPhrase,
  heatFlask,
  HOUR_MS,
  METRIC,
  plasterOf,
  temperatureAt,
  type FlaskHeat,
} from '@zero-pour/core';
import { heatJob, type HeatInput } from '@zero-pour/jobs';
import { describe, expect, it } from 'vitest';
import { planPour, valueOf, type Readings } from '../index';
import { fullDoc, id, planShop } from '../testing/planShop';

const ZERO = new Date(2026, 10, 26, 9, 15);
const POUR = id(77);
const IN = Date.parse('2026-11-25T15:00:00.000Z');
/** Reckoned here and now, as the page's worker does; the same wish once. */
const known = new Map<string, FlaskHeat>();
const reckoned: Readings = {
  of: (job, input) => {
    if (job.name !== heatJob.name) return { status: 'unread' };
    const wish = input as HeatInput;
    const text = JSON.stringify(wish);
    if (!known.has(text))
      known.set(
        text,
        heatFlask({
          body: { innerDiameterMm: wish.innerDiameterMm, heightMm: wish.heightMm, shellMm: wish.shellMm },
          plaster: plasterOf(wish.ratio),
          kiln: wish.kiln.map(([h, tempC]) => ({ h, tempC })),
          patternsMm: wish.patternsMm,
        }),
      );
    return { status: 'known', value: known.get(text)! as never };
  },
};
const planned = valueOf(planPour({ doc: fullDoc(ZERO) }, planShop()).burnout)!.curve;

interface Logged {
  /** The kiln and its set point at an hour, where they are not as planned; undefined: no row. */
  at?: (h: number, tempC: number) => { tempC: number; setC: number | null } | undefined;
  startedAt?: number;
  hours?: number;
  going?: boolean;
  doc?: (doc: PourDoc) => void;
  readings?: Readings;
}
function burntOf({ at, startedAt = IN, hours = planned.totalH, going = false, doc, readings }: Logged = {}) {
  const rows = Array.from({ length: Math.floor(hours * 30) + 1 }, (_, n) => n / 30).flatMap((h) => {
    const tempC = temperatureAt(planned, h);
    const row = at ? at(h, tempC) : { tempC, setC: tempC };
    return row ? [{ s: h * 3600, ...row }] : [];
  });
  const curve: KilnCurve = {
    run: {
      ...{ id: id(90), kilnId: id(91), pourId: POUR, source: 'file', name: 'night.csv' },
      ...{ going, sent: null, missing: 0 },
      ...{ startedAt: new Date(startedAt).toISOString(), lastS: rows.at(-1)!.s, rows: rows.length },
    },
    everyS: 0,
    atS: rows.map(({ s }) => s),
    tempC: rows.map((row) => row.tempC),
    setC: rows.map((row) => row.setC),
  };
  const started = (change: PourDoc): void => {
    change.burnout.startedAt = new Date(IN).toISOString();
    doc?.(change);
  };
  const shop = { ...planShop(), kilnRuns: [curve], ...(readings ? { readings } : {}) };
  const plan = planPour({ id: POUR, doc: fullDoc(ZERO, started) }, shop);
  return { plan, burnt: valueOf(plan.burnout)!.burnt! };
}
const said = (logged?: Logged): string[] =>
  burntOf(logged).burnt.judgements.map(({ rule, weight }) => `${rule} ${weight}`);

describe('a burnout as it went', () => {
  it('is nothing without a log, and nothing of another pour’s', () => {
    expect(valueOf(planPour({ doc: fullDoc(ZERO) }, planShop()).burnout)!.burnt).toBeUndefined();
    const other = { id: id(78), doc: fullDoc(ZERO) };
    expect(planPour(other, { ...planShop(), kilnRuns: [] }).context.kilnRun).toBeUndefined();
  });
  it('is judged by its core once that is reckoned by the log, and by nothing good before', () => {
    expect(said()).toEqual(['core watch']);
    expect(burntOf().plan.wants.filter(({ job }) => job === 'heat')).toHaveLength(2);
    expect(said({ readings: reckoned })).toEqual(['steam ok', 'core clean-out ok', 'core at pour ok']);
  });
  it('says of a log that is not whole only what it shows', () => {
    const early = { hours: 9, readings: reckoned };
    expect(said(early)).toEqual(['log watch', 'core so far watch']);
    expect(said({ startedAt: IN + 2 * HOUR_MS, readings: reckoned })[0]).toBe('log watch');
    // While it is still written down nothing is missing of its end: it is to come.
    const { burnt } = burntOf({ ...early, going: true });
    expect(burnt.judgements[0]).toMatchObject({
      rule: 'log',
      weight: 'watch',
      lead: 'The kiln is still read.',
    });
    const holed = (h: number, tempC: number) => (h > 8 && h < 9.5 ? undefined : { tempC, setC: tempC });
    expect(said({ at: holed, readings: reckoned })).toEqual(['log watch', 'core so far watch']);
    expect(said({ startedAt: IN - 400 * HOUR_MS })).toEqual(['log watch']);
  });
  it('tells a cut with what the kiln fell to, and what the core did', () => {
    const cut = (h: number, tempC: number) => {
      const out = h - 11;
      if (out < 0 || out > 0.7) return { tempC, setC: tempC };
      return { tempC: tempC - 250 * Math.min(out / 0.5, (0.7 - out) / 0.2), setC: null };
    };
    const logged = { at: cut, readings: reckoned };
    expect(said(logged)[0]).toBe('kiln event watch');
    const { burnt } = burntOf(logged);
    const why = formatPhrase(burnt.judgements[0]!.why, METRIC);
    expect(why).toMatch(
      /^11 h after kiln in the kiln fell by 2\d\d °C to \d+ °C in 3\d min; the core was not colder than \d+ °C\.$/,
    );
    // What was cold for half an hour outside never was so within.
    const [kilnC, coreC] = [/to (\d+)/, /than (\d+)/].map((one) => Number(one.exec(why)![1]));
    expect(coreC).toBeGreaterThan(kilnC! + 30);
    expect(formatPhrase(burntOf({ at: cut }).burnt.judgements[0]!.why, METRIC)).toContain('not reckoned yet');
  });
  it('tells a hold that was missed, a peak above the ceiling, and ash that the kiln’s own curve leaves', () => {
    const weak = (_: number, tempC: number) => ({ tempC: Math.min(tempC, 640), setC: tempC });
    expect(said({ at: weak, readings: reckoned })).toEqual(expect.arrayContaining(['missed hold watch', 'core clean-out fix'])); // prettier-ignore
    const hot = (h: number, tempC: number) => ({
      tempC: tempC + (Math.abs(h - 10) < 0.1 ? 70 : 0),
      setC: tempC,
    });
    const peak = (h: number, tempC: number) => (tempC > 725 ? hot(10, tempC) : hot(h - 100, tempC));
    expect(said({ at: peak, readings: reckoned })).toContain('ceiling fix');
  });
});
