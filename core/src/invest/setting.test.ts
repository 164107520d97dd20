import { describe, expect, it } from 'vitest';
import type { Segment } from '../burnout';
import { formatPhrase, METRIC } from '../numeric';
import { helpForOrdinary, judgeBoric, judgeGlossOff, judgeGrade, judgeStood, judgeWeighed } from './index';

const said = (judgements: { lead: string; weight: string }[]) =>
  judgements.map(({ lead, weight }) => `${lead} ${weight}`);
const stage = (rampCPerH: number | null, targetC: number | null): Segment => ({
  ...{ name: `To ${targetC}`, rampCPerH, targetC, holdH: 1 },
  ...{ flaskWay: 'button down' as const, hands: [], note: '' },
});
const PLAIN = {
  ratio: 0.4,
  ratioLeast: 0.38,
  ratioUsual: 0.4,
  school: 'none',
  segments: [stage(130, 150), stage(100, 730), stage(null, null)],
} as const;

describe('ordinary powder under resin', () => {
  it('is helped by boric acid, the thickest mix and a slow climb where the resin swells, and only there', () => {
    const help = helpForOrdinary(PLAIN);
    expect(help).toMatchObject({ ratio: 0.38, boric: { school: 'powder', percent: 1 } });
    expect(help.segments!.map(({ rampCPerH }) => rampCPerH)).toEqual([130, 60, null]);
  });
  it('once helped wants nothing more, and says that it is still no resin grade', () => {
    const help = helpForOrdinary(PLAIN);
    const helped = { ...PLAIN, ratio: help.ratio!, school: help.boric!.school, segments: help.segments };
    expect(helpForOrdinary(helped)).toEqual({});
    expect(said(judgeGrade('standard', helped))).toEqual(['Ordinary powder, helped. watch']);
  });
  it('names only what is still missing; a burnout that is not chosen is not slow', () => {
    const why = (mix: Parameters<typeof judgeGrade>[1]) =>
      formatPhrase(judgeGrade('standard', mix)[0]!.why, METRIC);
    expect(why(PLAIN)).toContain(
      'boric acid, a thicker mix (0.38) and a climb of at most 60 °C/h to 400 °C.',
    );
    expect(why({ ...PLAIN, school: 'water', ratio: 0.38 })).toMatch(/or a climb of at most 60/);
    const unknown = { ...PLAIN, school: 'water', ratio: 0.38, segments: undefined } as const;
    expect(judgeGrade('standard', unknown)[0]!.lead).toBe('Ordinary powder under resin.');
    expect(helpForOrdinary(unknown)).toEqual({});
    // Full power is the steepest climb there is.
    expect(helpForOrdinary({ ...PLAIN, segments: [stage(null, 730)] }).segments![0]!.rampCPerH).toBe(60);
  });
});

describe('boric acid', () => {
  it('dissolves cold up to about 4.7 g in 100 ml; more is to be warmed, and the mix cooled again', () => {
    // 1 % of the powder at 0.38 is 2.6 % of the water; 2 % is 5.3.
    expect(said(judgeBoric('powder', 10, 380))).toEqual(['Hard to divest. watch']);
    const two = judgeBoric('powder', 20, 380);
    expect(two[0]!.lead).toBe('Dissolve it warm.');
    expect(formatPhrase(two[0]!.why, METRIC)).toContain('5.3 g in 100 ml');
    expect(judgeBoric('none', 50, 100)).toEqual([]);
  });
});

describe('what was weighed', () => {
  it('is the ratio that is in the bowl; of one weight alone nothing is said', () => {
    expect(judgeWeighed(0.4, 600, undefined)).toEqual([]);
    expect(judgeWeighed(0.4, 0, 240)).toEqual([]);
    expect(said(judgeWeighed(0.4, 600, 241))).toEqual(['Weighed as planned. ok']);
    expect(said(judgeWeighed(0.4, 600, 252))).toEqual(['Thinner than planned. watch']);
    expect(said(judgeWeighed(0.4, 600, 228))).toEqual(['Thicker than planned. watch']);
  });
});

describe('setting', () => {
  it('is early, usual or late by when the gloss went off; not seen is not usual', () => {
    expect(judgeGlossOff(undefined, 9.5, true)).toEqual([]);
    expect([9, 10.5, 13.5, 14].map((min) => said(judgeGlossOff(min, 9.5, true))[0])).toEqual([
      'It set early. watch',
      'Set as it should. ok',
      'Set as it should. ok',
      'It set late. watch',
    ]);
    expect(said(judgeGlossOff(11, 9.5, false))).toEqual(['Set as it would at 22 °C. watch']);
    expect(formatPhrase(judgeGlossOff(11, 9.5, false)[0]!.why, METRIC)).toContain('the water was not read');
  });
  it('before the kiln takes what the powder asks, and beyond a day the flask is kept damp', () => {
    expect(judgeStood(undefined, 2)).toEqual([]);
    expect([1.9, 2, 24, 25].map((h) => said(judgeStood(h, 2)))).toEqual([
      ['Not set yet. fix'],
      [],
      [],
      ['It waits long. watch'],
    ]);
  });
});
