import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { InputError } from '../numeric';
import type { Segment } from './programme';
import { reconcileProgrammes, type AskedProgramme } from './reconcile';

const stage = (
  rampCPerH: number | null,
  targetC: number | null,
  holdH: number,
  name = `To ${targetC}`,
): Segment => ({
  ...{ name, rampCPerH, targetC, holdH, flaskWay: 'button down' as const },
  ...{ hands: [], note: '' },
});
const resin: AskedProgramme = {
  by: 'the resin',
  segments: [stage(100, 150, 2), stage(60, 370, 1), stage(200, 740, 4), stage(null, null, 1, 'Soak')],
};
const powder: AskedProgramme = {
  by: 'the powder',
  segments: [stage(150, 160, 3), stage(250, 700, 3), stage(180, null, 2, 'Soak')],
};
const short = ({ segments }: { segments: readonly Segment[] }) =>
  segments.map(({ rampCPerH, targetC, holdH }) => [rampCPerH, targetC, holdH]);

describe('two makers’ programmes in one flask', () => {
  it('take the slower climb, the longer holds, the hotter peak, the slower fall', () => {
    const both = reconcileProgrammes([resin, powder], 750);
    expect(short(both)).toEqual([
      [60, 160, 3],
      [60, 370, 1],
      [200, 740, 4],
      [180, null, 2],
    ]);
  });
  it('name each difference, what was taken and whose need it is', () => {
    const { conflicts } = reconcileProgrammes([resin, powder], 750);
    const line = ({ stage: at, what, taken, by }: (typeof conflicts)[number]) =>
      `${at} ${what}: ${taken}, ${by}`;
    expect(conflicts.map(line)).toEqual([
      'Peak peak: 740, the resin',
      'To 160 hold: 3, the powder',
      'To 160 climb: 60, the resin',
      'To 370 hold: 1, the resin',
      'To 370 climb: 60, the resin',
      'To 740 climb: 200, the resin',
      'To 740 hold: 4, the resin',
      'Soak fall: 180, the powder',
      'Soak hold: 2, the powder',
    ]);
    expect(conflicts[1]!.asks).toEqual([
      { by: 'the resin', value: 2 },
      { by: 'the powder', value: 3 },
    ]);
    expect(conflicts.find(({ what }) => what === 'fall')!.asks[0]).toEqual({ by: 'the resin', value: null });
  });
  it('are not hotter than the powder bears, and that is named', () => {
    const { segments, conflicts } = reconcileProgrammes([resin, powder], 720);
    expect(Math.max(...segments.map(({ targetC }) => targetC ?? 0))).toBe(720);
    expect(conflicts[0]).toMatchObject({ what: 'peak', taken: 720, by: 'the powder’s ceiling' });
    // One alone that asks for too much is capped too.
    expect(reconcileProgrammes([resin], 720).conflicts).toMatchObject([{ what: 'peak', taken: 720 }]);
  });
  it('that are the same are one, without a word', () => {
    const again = { by: 'the powder', segments: resin.segments };
    expect(reconcileProgrammes([resin, again], 750)).toEqual({ segments: resin.segments, conflicts: [] });
    expect(reconcileProgrammes([resin], 750)).toEqual({ segments: resin.segments, conflicts: [] });
  });
  it('keep two near holds of one maker apart, and the hands of both', () => {
    const turn = { afterH: 1, what: 'Turn the flask' };
    const one = {
      by: 'a',
      segments: [{ ...stage(100, 150, 1), hands: [turn] }, stage(50, 165, 2), stage(100, 700, 3)],
    };
    const other = {
      by: 'b',
      segments: [{ ...stage(100, 150, 2), hands: [turn, { afterH: 2, what: 'Vent' }] }, stage(90, 700, 3)],
    };
    const { segments } = reconcileProgrammes([one, other], 750);
    expect(segments.map(({ targetC, holdH }) => [targetC, holdH])).toEqual([
      [150, 2],
      [165, 2],
      [700, 3],
    ]);
    expect(segments[0]!.hands.map(({ what }) => what)).toEqual(['Turn the flask', 'Vent']);
  });
  it('are refused where there is none, or one that heats nothing', () => {
    expect(() => reconcileProgrammes([], 750)).toThrow(InputError);
    expect(() => reconcileProgrammes([{ by: 'a', segments: [stage(null, null, 1)] }], 750)).toThrow(
      InputError,
    );
  });

  const rate = fc.option(fc.integer({ min: 20, max: 400 }), { nil: null });
  const hold = fc.integer({ min: 0, max: 6 });
  const rising = fc.uniqueArray(fc.integer({ min: 100, max: 780 }), { minLength: 1, maxLength: 5 });
  const programme = fc
    .tuple(
      rising,
      fc.array(rate, { minLength: 6, maxLength: 6 }),
      fc.array(hold, { minLength: 6, maxLength: 6 }),
    )
    .map(([targets, rates, holds]): Segment[] => [
      ...targets.sort((a, b) => a - b).map((target, n) => stage(rates[n]!, target, holds[n]!)),
      stage(rates[5]!, null, holds[5]!, 'Soak'),
    ]);
  /** Slowest climb of a programme at a temperature; undefined above its peak. */
  const rateAt = (segments: readonly Segment[], tempC: number): number | undefined => {
    const next = segments.find(({ targetC }) => targetC !== null && targetC >= tempC);
    return next && (next.rampCPerH ?? Infinity);
  };
  it('are never climbed faster, held shorter in all, or soaked shorter than any of them asks (property)', () => {
    fc.assert(
      fc.property(fc.array(programme, { minLength: 1, maxLength: 3 }), (lists) => {
        const asked = lists.map((segments, n) => ({ by: `maker ${n}`, segments }));
        const { segments } = reconcileProgrammes(asked, 750);
        const peakC = Math.max(...segments.map(({ targetC }) => targetC ?? 0));
        expect(peakC).toBe(Math.min(750, Math.max(...lists.flat().map(({ targetC }) => targetC ?? 0))));
        const totalH = (list: readonly Segment[]): number => list.reduce((sum, { holdH }) => sum + holdH, 0);
        for (const list of lists) {
          for (let tempC = 30; tempC < peakC; tempC += 7) {
            const wanted = rateAt(list, tempC);
            if (wanted !== undefined) expect(rateAt(segments, tempC)!).toBeLessThanOrEqual(wanted);
          }
          expect(segments.at(-1)!.holdH).toBeGreaterThanOrEqual(list.at(-1)!.holdH);
          const below = list.filter(({ targetC }) => targetC === null || targetC <= peakC - 1);
          if (Math.max(...list.map(({ targetC }) => targetC ?? 0)) <= peakC)
            expect(totalH(segments)).toBeGreaterThanOrEqual(totalH(below));
        }
      }),
      { seed: 17, numRuns: 300 },
    );
  });
});
