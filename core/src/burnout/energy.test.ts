import { describe, expect, it } from 'vitest';
import { dutyAt, kilnEnergyKwh } from './energy';
import { formatPhrase, METRIC } from '../numeric';
import { judgePaceAsked, judgeVented } from './judgeKiln';
import { programmeCurve, type Segment } from './programme';

const KILN = { maxRampCPerH: 600, coolTauH: 4 };
const segment = (more: Partial<Segment>): Segment => ({
  name: 'x',
  rampCPerH: null,
  targetC: 700,
  holdH: 0,
  flaskWay: 'button down',
  hands: [],
  note: '',
  ...more,
});
const energy = (
  segments: Segment[],
  kiln: Parameters<typeof kilnEnergyKwh>[1] = KILN,
  castingC = 500,
): number => kilnEnergyKwh(programmeCurve(segments, castingC, kiln), kiln, 3);

describe('what a kiln needs of its power', () => {
  it('is all of it for its own climb, none for its own fall, and what it loses to hold', () => {
    expect(dutyAt(KILN, 420, 600)).toBe(1);
    expect(dutyAt(KILN, 420, -100)).toBe(0);
    expect(dutyAt(KILN, 420, 0)).toBeCloseTo(100 / 700, 12);
    expect(dutyAt(KILN, 420, 9000)).toBe(1);
    expect(dutyAt(KILN, 420, -9000)).toBe(0);
  });
});

describe('the energy of a programme', () => {
  it('of a climb at full power is its power over the time', () => {
    expect(energy([segment({})])).toBeCloseTo((3 * 680) / 600, 9);
  });
  it('of a hold is what is lost in it', () => {
    const held = energy([segment({ holdH: 5 })]) - energy([segment({})]);
    expect(held).toBeCloseTo(3 * 5 * (170 / 770), 9);
  });
  it('of a slow climb is more than of a fast one: it loses heat for longer', () => {
    expect(energy([segment({ rampCPerH: 60 })])).toBeGreaterThan(energy([segment({ rampCPerH: 300 })]));
  });
  it('of a fall by itself is nothing, shut or opened', () => {
    const top = segment({});
    const fall = segment({ targetC: 300 });
    for (const vented of [false, true])
      expect(energy([top, { ...fall, vented }]) - energy([top])).toBeLessThan(0.02);
  });
});

describe('a fall with the vent opened', () => {
  const hours = (vented: boolean, kiln: Parameters<typeof kilnEnergyKwh>[1]): number =>
    programmeCurve([segment({}), segment({ targetC: 400, vented })], 500, kiln).segments[1]!.endH - 680 / 600;
  it('goes by the kiln’s own opened figure; by a tenth of the shut one where that is not known', () => {
    const shut = 4 * Math.log(680 / 380);
    expect(hours(false, KILN)).toBeCloseTo(shut, 9);
    expect(hours(true, KILN)).toBeCloseTo(shut / 10, 9);
    expect(hours(true, { ...KILN, openTauH: 1 })).toBeCloseTo(shut / 4, 9);
  });
  it('does not go by what its logs showed of it shut', () => {
    const measured = { climbs: [], cools: [{ tempC: 500, cPerH: 60 }] };
    expect(hours(true, { ...KILN, openTauH: 1, measured })).toBeCloseTo(Math.log(680 / 380), 9);
    expect(hours(true, { ...KILN, measured })).toBeCloseTo(hours(false, { ...KILN, measured }) / 10, 9);
  });
});

describe('what is said of an opened fall', () => {
  const curve = (vented: boolean, kiln = KILN, rampCPerH: number | null = 400) =>
    programmeCurve([segment({}), segment({ name: 'Down', targetC: 400, rampCPerH, vented })], 500, kiln);
  it('that it cools unevenly, and whether its pace is known; hands are told to open it', () => {
    expect(judgeVented(curve(false), KILN)).toEqual([]);
    const [told] = judgeVented(curve(true), KILN);
    expect(told).toMatchObject({ weight: 'watch', lead: 'Opened, it cools unevenly.' });
    expect(formatPhrase(told!.why, METRIC)).toContain('not in its record');
    expect(formatPhrase(judgeVented(curve(true), { ...KILN, openTauH: 1 })[0]!.why, METRIC)).not.toContain('not in its record'); // prettier-ignore
    expect(curve(true).segments[1]!.hands[0]).toMatchObject({
      name: 'Down › Open the vent',
      what: 'Open the vent',
    });
    expect(curve(false).segments[1]!.hands).toEqual([]);
    // A climb is not opened.
    expect(programmeCurve([segment({ vented: true })], 500, KILN).segments[0]!.hands).toEqual([]);
  });
  it('of a shut one that is slower than asked, how long it would take opened, where that is known', () => {
    const said = (kiln: typeof KILN & { openTauH?: number }): string =>
      judgePaceAsked(curve(false, kiln), kiln)
        .map(({ why }) => formatPhrase(why, METRIC))
        .join();
    expect(said({ ...KILN, openTauH: 1 })).toContain('With its vent opened it would take 35 min.');
    expect(said(KILN)).toContain('a controller that minds it');
    expect(said(KILN)).not.toContain('vent opened');
  });
});
