import { describe, expect, it } from 'vitest';
import { formatPhrase, METRIC } from '../numeric';
import { programmeCurve, readProgramme, type ProgrammeDefaults, type Segment } from './index';

const DEFAULTS: ProgrammeDefaults = {
  rampCPerH: 110,
  kiln: { maxRampCPerH: 400, coolTauH: 4 },
  castingC: 520,
  unit: 'C',
};
function read(text: string, change: Partial<ProgrammeDefaults> = {}): Segment[] {
  const found = readProgramme(text, { ...DEFAULTS, ...change });
  if (found.status !== 'read') throw new Error(found.why);
  return found.segments;
}
const short = (segments: Segment[]) => segments.map(({ rampCPerH, targetC, holdH }) => [rampCPerH, targetC, Math.round(holdH * 60)]); // prettier-ignore
const why = (text: string, change: Partial<ProgrammeDefaults> = {}): string => {
  const found = readProgramme(text, { ...DEFAULTS, ...change });
  return found.status === 'unreadable' ? found.why : `read ${JSON.stringify(found.segments)}`;
};

describe('a programme as people say it', () => {
  it.each([
    ['130/h to 150 for 2.5 h, then 110 °C/h to 370 for 90 min, 105/h to 730 hold 4 h, casting 2 h',
      [[130, 150, 150], [110, 370, 90], [105, 730, 240], [null, null, 120]]],
    ['150 2h; 730 4h; 520 1h', [[110, 150, 120], [110, 730, 240], [null, 520, 60]]],
    ['full power to 700 for 30 minutes\ncool to cast', [[null, 700, 30], [null, null, 0]]],
    ['300 F for 2 h, 1350 for 3 h', [[110, 148.9, 120], [110, 732.2, 180]]],
    ['180 F/h to 300 F', [[100, 148.9, 0]]],
    ['2 °C/min up to 150, hold for 1,5 h, then 730, soak 3 h', [[120, 150, 90], [110, 730, 180]]],
  ])('“%s”', (text, expected) => {
    expect(short(read(text))).toEqual(expected);
  }); // prettier-ignore
  it('fills hours in all by the hottest hold that is not written', () => {
    const segments = read('12 h: 1350 °F, then 1000');
    expect(short(segments).map(([ramp, target]) => [ramp, target])).toEqual([[110, 732.2], [null, 537.8]]); // prettier-ignore
    expect(programmeCurve(segments, 520, DEFAULTS.kiln).totalH).toBeCloseTo(12, 1);
    expect(segments[1]!.holdH).toBe(0);
    const [, peak] = read('14 hours: 150 for 2 h, 730, casting 1 h');
    expect(peak!.holdH).toBeGreaterThan(1);
  });
  it('says what it took where nothing was written', () => {
    const found = readProgramme('10 h: 700 then casting', DEFAULTS);
    expect(found.status === 'read' && found.taken.map((one) => formatPhrase(one, METRIC))).toEqual([
      '110 °C/h to 700 °C',
      expect.stringMatching(/^held 2 h \d\d at 700 °C, for 10 h in all$/),
    ]);
    expect(readProgramme('100/h to 700, casting', DEFAULTS)).toMatchObject({ taken: [] });
  });
  it('names its stages by what they do, and stands the flask button down for the steam', () => {
    const names = read('150 2h, 370 1h, 730 3h, casting 2h').map(({ name, flaskWay }) => [name, flaskWay]);
    expect(names).toEqual([['Steam and drain', 'button down'], ['Resin swells, gasifies', 'button up'], ['Carbon burns', 'button up'], ['To casting temperature', 'button up']]); // prettier-ignore
  });
});

describe('what is no programme is said, never guessed', () => {
  it.each([
    ['', 'Type its stages'],
    ['1350 for 4 h', 'Is °F meant? Write 1350 F.'],
    ['8 h: 730 for 4 h', 'Every hold is written'],
    ['6 h: 730, casting', 'Climbs and falls alone take'],
    ['300 h: 730', 'no burnout does'],
    ['730 for 100 h', 'longer than 72 h'],
    ['150 until dry', '“until dry” in “150 until dry” cannot be placed.'],
    ['for 3 h', 'has no temperature'],
    ['150 for 2 h, hold 3 h', 'has no temperature'],
    ['0/h to 730', 'cannot be'],
    ['5 C', 'no temperature of a burnout'],
    ['9000 F', 'no temperature of a burnout'],
    ['1/h to 730', 'no burnout does'],
  ])('“%s”', (text, expected) => {
    expect(why(text)).toContain(expected);
  });
  it('°F where the shop reads °F', () => {
    expect(read('1350 for 4 h', { unit: 'F' })[0]!.targetC).toBe(732.2);
  });
});
