import { DEFAULT_SETTINGS, usualPouring, type PourDoc, type Pouring } from '@zero-pour/contracts';
import { formatPhrase, METRIC, type FillReading } from '@zero-pour/core';
import { fillJob, type FillInput } from '@zero-pour/jobs';
import { describe, expect, it } from 'vitest';
import { planPour } from '../index';
import { fullDoc, LINE, ofOneFlask, planShop } from '../testing/planShop';

const ZERO = new Date(2026, 10, 26, 9, 15);
const at: [number, number, number] = [20, 5, 4];
const LATE: FillReading = {
  last: { at: [1, 1, 1], widthMm: 0.4, modulusMm: 0.1, margin: 1.4, because: 'late' },
  offers: { flaskC: 600, metalC: null, gate: { at, normal: [1, 0, 0], diameterMm: 1.5, margin: 2.6 } },
};

interface Asked {
  pouring?: Pouring | undefined;
  reading?: FillReading | null | undefined;
  change?: (doc: PourDoc) => void;
  noMetal?: boolean;
}
/** The block with one placed gate, its filling answered by a reading. */
function planWith({ pouring, reading, change = () => {}, noMetal = false }: Asked) {
  const asked: FillInput[] = [];
  const readings = {
    of: (job: { name: string }, input: FillInput) => {
      if (job.name !== fillJob.name) return { status: 'unread' };
      asked.push(fillJob.input.parse(input));
      return reading === undefined ? { status: 'unread' } : { status: 'known', value: reading };
    },
  };
  const doc = fullDoc(ZERO, (changed: PourDoc) => {
    const section = { widthMm: 4, heightMm: 4 };
    const placed = [{ key: 'g', placeMm: at, normal: [1, 0, 0] as [number, number, number], section }];
    changed.wayUp.lines = { [LINE]: { gates: { count: 1, diameterMm: 4, lengthMm: 6, placed } } };
    if (noMetal) delete changed.brief.alloyId;
    change(changed);
  });
  const settings = { ...DEFAULT_SETTINGS, ...(pouring ? { pouring } : {}) };
  const plan = ofOneFlask(planPour({ doc }, { ...planShop(), settings, readings: readings as never }));
  const fill = plan.gates[0]!.judgements.filter(({ rule }) => /fill|liquid/.test(rule));
  return {
    asked,
    fill,
    said: fill.map(({ weight, lead, why }) => `${weight} ${lead} ${formatPhrase(why, METRIC)}`),
  };
}

describe('whether a part fills', () => {
  it('is not said without the way of pouring, the metal, or anybody who followed it', () => {
    expect(planWith({}).said).toEqual([
      expect.stringMatching(/^watch .*not reckoned yet\. How the shop pours is not said/),
    ]);
    expect(planWith({ pouring: usualPouring('vacuum'), noMetal: true }).said[0]).toMatch(
      /not reckoned yet\. The metal is not chosen/,
    );
    expect(planWith({ pouring: usualPouring('vacuum') }).said[0]).toMatch(
      /not reckoned yet\. The metal is not followed/,
    );
    expect(planWith({ pouring: usualPouring('vacuum'), reading: null }).said[0]).toMatch(
      /not reckoned yet\. The grid is too coarse/,
    );
  });
  it('is asked with the temperatures and the head of this pour, and the shop’s way of pouring', () => {
    const { asked } = planWith({
      pouring: { ...usualPouring('centrifuge'), armMm: 250, turnsPerMin: 400 },
      change: (doc) => {
        doc.flasks[0]!.pour.flaskTempC = 555;
        doc.flasks[0]!.pour.metalTempC = 1001;
        doc.flasks[0]!.sprue.mainSprueLengthMm = 20;
      },
    });
    const flask = planShop().lists.flask[0]!;
    expect(asked[0]).toMatchObject({
      gates: [{ at, diameterMm: 4, lengthMm: 6 }],
      heat: { flaskC: 555, metalC: 1001 },
      drive: { way: 'centrifuge', armMm: 250, headMm: flask.coneHeightMm + 20 },
    });
    expect(asked[0]!.hottest.flaskC).toBeLessThanOrEqual(730);
  });
  it('has the head of where it hangs: of its pieces the one nearest the button', () => {
    const hung = [40, 25].map((heightMm, n) => ({
      key: `${LINE}/${n + 1}`,
      angleDeg: 180 * n,
      awayMm: 3,
      heightMm,
      tiltDeg: 45,
      spinDeg: 0,
    }));
    const change = (doc: PourDoc): void => void (doc.flasks[0]!.sprue.hung = hung);
    const { asked } = planWith({ pouring: usualPouring('gravity'), change });
    expect(asked[0]!.drive).toEqual({ way: 'gravity', headMm: 25 });
  });
  it('is offered with what each offer worsens', () => {
    const { said } = planWith({ pouring: usualPouring('vacuum'), reading: LATE });
    expect(said[0]).toMatch(/^watch It may fill late\. Where it is 0\.40 mm thick, the metal has 1\.4 times/);
    expect(said[0]).toMatch(/a flask of 600 °C \(over its 540 °C: rough skin/);
    expect(said[0]).toMatch(/one more gate of 1\.5 mm there \(then 2\.6/);
    expect(said[0]).toMatch(/estimated from its composition/);
  });
  it('is reckoned with a usual head where no flask is chosen, and says so where it counts', () => {
    const change = (doc: PourDoc): void => void delete doc.flasks[0]!.sprue.flaskId;
    const reading = { ...LATE, last: { ...LATE.last, margin: 3 }, offers: null };
    const { said, asked } = planWith({ pouring: usualPouring('gravity'), reading, change });
    expect(asked[0]!.drive).toEqual({ way: 'gravity', headMm: 40 });
    expect(said[0]).toMatch(/^ok It fills\..* with 40 mm of metal above it, until a flask is chosen\.$/);
    expect(planWith({ pouring: usualPouring('vacuum'), reading, change }).said[0]).not.toContain(
      'until a flask',
    );
  });
  it('is not asked of metal that is not liquid', () => {
    const change = (doc: PourDoc): void => void (doc.flasks[0]!.pour.metalTempC = 700);
    const { said, asked } = planWith({ pouring: usualPouring('vacuum'), reading: LATE, change });
    expect(said[0]).toMatch(/^stop The metal is not liquid\. 700 °C; it is liquid from/);
    expect(asked).toEqual([]);
  });
});
