import { describe, expect, it } from 'vitest';
import { judgeProgramme, programmeCurve, type Segment } from '../burnout';
import { segment } from '../testing/segments';
import { fitProgramme, fitWithin, judgeCore, plasterOf, type FitAsked, type ProgrammeFit } from './index';

const FLASK = {
  body: { innerDiameterMm: 76, heightMm: 102, shellMm: 2 },
  plaster: plasterOf(0.4),
  patternsMm: 23,
};
const BIG = { ...FLASK, body: { innerDiameterMm: 100, heightMm: 127, shellMm: 2 } };
const STEPPED = [
  segment(130, 150, 2.5),
  segment(110, 370, 1.5),
  segment(105, 730, 4),
  segment(null, null, 2),
];
/** Straight up, as somebody types it who has no time: too short in everything. */
const STRAIGHT = [segment(200, 730, 1), segment(null, null, 0.25)];

const asked = (change: Partial<FitAsked> = {}): FitAsked => ({
  flask: FLASK,
  segments: STEPPED,
  castingC: 520,
  kiln: { maxRampCPerH: 400, coolTauH: 5 },
  cleanOutH: 3,
  rampMaxCPerH: 120,
  ceilingC: 750,
  fastPowder: false,
  aim: 'mend',
  ...change,
});
type Found = ProgrammeFit & { status: 'found' };
function fit(change: Partial<FitAsked> = {}): Found {
  const found = fitProgramme(asked(change));
  if (found.status !== 'found') throw new Error(found.why);
  return found;
}
/** All that is claimed of a found programme, by the judges themselves. */
function faults({ segments, heat }: Found, of: FitAsked): string[] {
  const curve = programmeCurve(segments, of.castingC, of.kiln);
  const limits = { ...of, fastAllowed: false };
  return [...judgeProgramme(curve, limits), ...judgeCore(heat, of)]
    .filter(({ weight }) => weight !== 'ok')
    .map(({ rule }) => rule);
}
const holds = (segments: readonly Segment[]): number[] => segments.map(({ holdH }) => Math.round(holdH * 60));

describe('the smallest change that mends', () => {
  it('is none where nothing is wrong', () => {
    const found = fit();
    expect(found.changes).toEqual([]);
    expect(found.segments).toEqual(STEPPED);
    expect(found.totalH).toBe(found.beforeH);
  });
  it('lengthens the peak by as much as the core is short of, and no more', () => {
    const found = fit({ cleanOutH: 7 });
    expect(found.changes.map(({ what, segment: of }) => [what, of])).toEqual([['hold', STEPPED[2]!.name]]);
    expect(faults(found, asked({ cleanOutH: 7 }))).toEqual([]);
    // Two steps less would be too few: it is the smallest.
    const less = found.segments.map((one, n) => (n === 2 ? { ...one, holdH: one.holdH - 10 / 60 } : one));
    const again = fit({ cleanOutH: 7, segments: less });
    expect(holds(again.segments)[2]! - holds(less)[2]!).toBeGreaterThanOrEqual(5);
  });
  it('slows a straight climb, and puts a steam hold in front of a steep one', () => {
    const slowed = fit({ segments: STRAIGHT });
    expect(slowed.changes.map(({ what }) => what)).toEqual(['ramp', 'hold', 'hold']);
    expect([slowed.segments.length, slowed.segments[0]!.rampCPerH]).toEqual([2, 120]);
    expect(faults(slowed, asked())).toEqual([]);
    // A resin that stands a steep climb does not save the mold from its steam.
    const steep = fit({ segments: STRAIGHT, rampMaxCPerH: 250 });
    expect(steep.changes.map(({ what }) => what)).toEqual(['added', 'hold', 'hold']);
    expect(steep.segments[0]).toMatchObject({ targetC: 150, flaskWay: 'button down' });
    expect(steep.segments[0]!.holdH).toBeGreaterThan(0);
    expect(faults(steep, asked({ rampMaxCPerH: 250 }))).toEqual([]);
    expect(steep.beforeH).toBeLessThan(steep.totalH);
  });
  it('raises a peak that burns no carbon, and lowers one above the powder’s ceiling', () => {
    const peak = (targetC: number): number | null =>
      fit({ segments: STEPPED.with(2, { ...STEPPED[2]!, targetC }) }).segments[2]!.targetC;
    expect([peak(600), peak(790), peak(700)]).toEqual([730, 750, 700]);
  });
});

describe('the shortest programme', () => {
  it('keeps every judgement that it claims, over flasks, kilns and resins', () => {
    const cases: Partial<FitAsked>[] = [
      {},
      { cleanOutH: 1, rampMaxCPerH: 200 },
      { flask: BIG, segments: STRAIGHT },
      { castingC: 640, kiln: { maxRampCPerH: 90, coolTauH: 9 } },
      { flask: { ...FLASK, plaster: plasterOf(0.44) }, kiln: { maxRampCPerH: 400, coolTauH: 5, measured: { climbs: [{ tempC: 500, cPerH: 200 }, { tempC: 700, cPerH: 60 }], cools: [] } } },
    ]; // prettier-ignore
    for (const change of cases) {
      const of = asked({ ...change, aim: 'shortest' });
      const found = fit(of);
      expect(faults(found, of), JSON.stringify(change)).toEqual([]);
    }
  });
  it('is not longer than what mends, and leaves a hold alone that nothing judges', () => {
    const [mended, shortest] = [fit({ cleanOutH: 2 }), fit({ cleanOutH: 2, aim: 'shortest' })];
    expect(shortest.totalH).toBeLessThan(mended.totalH);
    expect(shortest.segments[1]!.holdH).toBe(STEPPED[1]!.holdH);
    expect(shortest.changes.length).toBeGreaterThan(0);
  });
  it('keeps what hands do in a hold within it', () => {
    const turned = STEPPED.with(0, { ...STEPPED[0]!, hands: [{ afterH: 2, what: 'Turn the flask' }] });
    const found = fit({ segments: turned, aim: 'shortest' });
    const curve = programmeCurve(found.segments, 520, asked().kiln);
    expect(curve.segments[0]!.endH).toBeGreaterThanOrEqual(2);
    expect(curve.segments[0]!.endH).toBeLessThan(2.1);
    expect(fit({ aim: 'shortest' }).segments[0]!.holdH).toBeLessThan(found.segments[0]!.holdH);
  });
  it('reports how far it is', () => {
    const shares: number[] = [];
    fitProgramme(asked({ aim: 'shortest' }), (share) => shares.push(share));
    expect(shares.at(-1)).toBe(1);
    expect(shares.every((share, n) => n === 0 || share >= shares[n - 1]!)).toBe(true);
  });
});

describe('while it burns', () => {
  const cut = { atH: 9, hours: 0.7, kind: 'power' as const };
  const burning = { cuts: [cut], begun: 3, ended: 2, cleanOutH: 5.5 };
  it('finds what a cut took from the clean-out, and lengthens only what is to come', () => {
    const found = fit(burning);
    const of = asked(burning);
    expect(found.changes.map(({ what, segment: name }) => [what, name])).toEqual([
      ['hold', STEPPED[2]!.name],
    ]);
    expect(judgeCore(found.heat, of).filter(({ weight }) => weight !== 'ok')).toEqual([]);
    expect(found.segments.slice(0, 2)).toEqual(STEPPED.slice(0, 2));
    // It was interrupted before too: what the cut itself cost is not counted twice.
    expect(found.totalH - found.beforeH).toBeCloseTo(found.segments[2]!.holdH - 4, 6);
  });
  it('leaves a steep climb that is past, and says when nothing can be held any more', () => {
    const steep = STEPPED.with(1, { ...STEPPED[1]!, rampCPerH: 200 });
    expect(fit({ ...burning, segments: steep }).segments[1]!.rampCPerH).toBe(200);
    const past = fitProgramme(asked({ cleanOutH: 9, begun: 4, ended: 3 }));
    expect(past.status === 'none' && past.why).toContain('The peak is past');
    expect(fitProgramme(asked({ segments: STRAIGHT, begun: 1 }))).toMatchObject({ status: 'none' });
  });
});

describe('no programme', () => {
  it('is found for a hot kiln, or a powder that may not burn carbon: it says why', () => {
    expect(fitProgramme(asked({ startC: 700 }))).toMatchObject({ status: 'none' });
    const cold = fitProgramme(asked({ ceilingC: 630 }));
    expect(cold.status === 'none' && cold.why).toContain('does not come above 650 °C');
  });
});

describe('one that fits between two times', () => {
  const within = (hours: number, change: Partial<FitAsked> = {}) => fitWithin(asked(change), hours);
  it('is as long as there is time, keeps all that is judged, and puts what is left into soak and steam', () => {
    const shortest = fit({ aim: 'shortest' });
    for (const spare of [0, 16]) {
      const hours = shortest.totalH + spare;
      const found = within(hours) as Found;
      expect(found.status).toBe('found');
      expect(found.totalH).toBeLessThanOrEqual(hours + 1e-9);
      expect(found.totalH).toBeGreaterThan(hours - 5 / 60 - 1e-6);
      expect(faults(found, asked())).toEqual([]);
    }
  }, 60_000);
  it('leaves what is asked as it is where it just fits', () => {
    const mended = fit();
    const found = within(mended.totalH + 1) as Found;
    expect(holds(found.segments).slice(0, 3)).toEqual(holds(mended.segments).slice(0, 3));
    expect(found.changes.map(({ what, segment: name }) => `${what} ${name}`)).toEqual([`hold ${mended.segments.at(-1)!.name}`]); // prettier-ignore
  });
  it('is none where the shortest is longer, and says by how much', () => {
    const { totalH } = fit({ aim: 'shortest' });
    const found = within(totalH - 1.5);
    expect(found).toMatchObject({ status: 'none' });
    expect((found as { why: string }).why).toContain('1 h 30 more than there is');
  });
  it('stretches nothing that is past', () => {
    const { totalH } = fit({ ended: 1, begun: 1 });
    const found = within(totalH + 20, { ended: 1, begun: 1 }) as Found;
    expect(found.segments[0]!.holdH).toBe(STEPPED[0]!.holdH);
  });
});
