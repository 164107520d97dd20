import { describe, expect, it } from 'vitest';
import { formatPhrase, InputError, METRIC } from '../numeric';
import {
  cheapest,
  costPerGood,
  crossings,
  frameFillCm3,
  handsPerGood,
  judgeMaster,
  judgeRelease,
  kindsThatRelease,
  pressMinutes,
  rubberFor,
  shotG,
  shotsFor,
  siliconeFor,
  whichDecides,
  whyWax,
  type Master,
  type RouteCosts,
  type Undercut,
} from './index';

const FRAME = { lengthMm: 60, widthMm: 45, heightMm: 25.6, masterCm3: 1.5 };

describe('rubber and silicone', () => {
  it('fill the frame round the master', () => {
    // 60 × 45 × 25.6 mm is 69.12 cm³.
    expect(frameFillCm3(FRAME)).toBeCloseTo(67.62, 9);
    expect(frameFillCm3({ ...FRAME, masterCm3: 90 })).toBe(0);
    expect(rubberFor(FRAME)).toEqual({ massG: expect.closeTo(67.62 * 1.1 * 1.05, 6), sheets: 8 });
    const { massG, partsG, cupMl } = siliconeFor(FRAME, [10, 1]);
    expect(massG).toBeCloseTo(67.62 * 1.05 * 1.15, 6);
    expect(partsG[0] / partsG[1]).toBeCloseTo(10, 9);
    expect(partsG[0] + partsG[1]).toBeCloseTo(massG, 9);
    expect(cupMl).toBeCloseTo(3 * 67.62 * 1.05, 6);
  });
  it('are pressed by their thickness: 7.5 min for each 3.2 mm', () => {
    expect(pressMinutes(3.2)).toBeCloseTo(7.5, 9);
    expect(pressMinutes(25.6)).toBeCloseTo(60, 9);
    expect(() => pressMinutes(0)).toThrow(InputError);
    expect(() => siliconeFor(FRAME, [0, 1])).toThrow(InputError);
  });
  it('a shot weighs by the wax’s density', () => {
    expect(shotG(2)).toBeCloseTo(1.9, 9);
  });
});

describe('shots for good castings', () => {
  /** Chance of at least k of n by counting every outcome. */
  const chance = (k: number, n: number, p: number): number => {
    let sum = 0;
    for (let mask = 0; mask < 2 ** n; mask++) {
      const good = mask.toString(2).replaceAll('0', '').length;
      if (good >= k) sum += p ** good * (1 - p) ** (n - good);
    }
    return sum;
  };
  it('are the fewest that nine times in ten give enough', () => {
    for (const [k, p] of [
      [1, 0.5],
      [3, 0.8],
      [5, 0.9],
      [6, 0.7],
    ] as const) {
      // prettier-ignore
      const n = shotsFor(k, p)!;
      expect(chance(k, n, p)).toBeGreaterThanOrEqual(0.9);
      expect(chance(k, n - 1, p)).toBeLessThan(0.9);
    }
    expect(shotsFor(12, 1)).toBe(12);
    expect(shotsFor(0, 0.5)).toBe(0);
    expect(shotsFor(3, 0)).toBeUndefined();
  });
});

const BURN: RouteCosts = {
  mold: null,
  life: 1,
  moldYield: 1,
  piece: { handsMin: 12, material: 4, machineH: 0.5 },
  pieceYield: 0.8,
  days: 2,
};
const RUBBER: RouteCosts = {
  mold: { handsMin: 90, material: 20, machineH: 2, days: 2 },
  life: 100,
  moldYield: 1,
  piece: { handsMin: 3, material: 0.2, machineH: 0 },
  pieceYield: 1,
  days: 4,
};
const RATES = { perHandsHour: 30, perMachineHour: 2 };
const BOTH = { 'burn out the print': BURN, 'wax from a rubber mold': RUBBER } as const;

describe('which route', () => {
  it('costs molds, waxes and what fails by every good casting', () => {
    // (12 min at 30 an hour + 4 + half an hour at 2) / 0.8.
    expect(costPerGood(BURN, RATES, 1)).toBeCloseTo((6 + 4 + 1) / 0.8, 9);
    expect(costPerGood(BURN, RATES, 50)).toBeCloseTo(13.75, 9);
    // A mold of 45 + 20 + 4, shared by ten, and 1.70 each.
    expect(costPerGood(RUBBER, RATES, 10)).toBeCloseTo(69 / 10 + 1.7, 9);
    expect(costPerGood(RUBBER, RATES, 150)).toBeCloseTo((2 * 69) / 150 + 1.7, 9);
    expect(costPerGood({ ...RUBBER, moldYield: 0.5 }, RATES, 10)).toBeCloseTo(138 / 10 + 1.7, 9);
    expect(handsPerGood(RUBBER, 10)).toBeCloseTo(9 + 3, 9);
  });
  it('cross where a mold has paid for itself', () => {
    // 69 / n + 1.7 = 13.75: from 5.73 on.
    expect(crossings(BOTH, RATES, 40)).toEqual([
      { from: 1, route: 'burn out the print' },
      { from: 6, route: 'wax from a rubber mold' },
    ]);
    expect(cheapest(BOTH, RATES, 5)).toBe('burn out the print');
    expect(cheapest({}, RATES, 5)).toBeUndefined();
  });
  it('name the input that decides, and whether it turns the choice', () => {
    const near = whichDecides(BOTH, RATES, 6)!;
    expect(near.turns).toBe(true);
    const far = whichDecides(BOTH, RATES, 60)!;
    expect(far).toMatchObject({ route: 'burn out the print', turns: false });
    expect(whichDecides({ 'burn out the print': BURN }, RATES, 6)).toBeUndefined();
  });
  it('refuse a yield that is none', () => {
    expect(() => costPerGood({ ...BURN, pieceYield: 0 }, RATES, 5)).toThrow(InputError);
    expect(() => costPerGood(BURN, RATES, 0)).toThrow(InputError);
  });
});

const undercut = (over: Partial<Undercut> = {}): Undercut => ({
  kind: 'springs',
  at: [0, 0, 0],
  depthMm: 1,
  widthMm: 5,
  strainPercent: 20,
  volumeMm3: 12,
  ...over,
});
const reading = (...undercuts: Undercut[]) => ({
  undercuts,
  trappedMm3: undercuts.reduce((sum, { volumeMm3 }) => sum + volumeMm3, 0),
  cellMm: 0.1,
});
const words = (...said: Parameters<typeof judgeRelease>): string =>
  judgeRelease(...said)
    .map(({ weight, lead, why }) => `${weight}: ${lead} ${formatPhrase(why, METRIC)}`)
    .join(' ');

describe('release', () => {
  it('is fine where nothing is caught, and says how fine it looked', () => {
    expect(words(reading(), 'hard resin', null)).toMatch(/^ok: .* 0\.15 mm are finer than the grid/);
  });
  it('goes by what the material bears', () => {
    const slight = undercut({ strainPercent: 2 });
    expect(words(reading(slight), 'flexible resin', null)).toMatch(/^ok: Springs off in flexible resin/);
    expect(words(reading(slight), 'hard resin', null)).toMatch(/^stop: Two halves of hard resin/);
    expect(words(reading(undercut({ strainPercent: 2.5 })), 'flexible resin', null)).toMatch(/^watch/);
    expect(words(reading(undercut()), 'rubber', null)).toMatch(/^ok/);
    expect(kindsThatRelease(reading(undercut()))).toEqual(['rubber', 'silicone']);
    expect(kindsThatRelease(reading(slight))).toEqual(['rubber', 'silicone', 'flexible resin']);
  });
  it('says where it does not, and what each way out that was tried would bring', () => {
    const caught = reading(undercut(), undercut({ strainPercent: 4, volumeMm3: 3 }));
    expect(words(caught, 'hard resin', reading())).toMatch(
      /Pulled the other way that was found, nothing is caught\. A mold of rubber or silicone springs off it\. Filled with 0\.0[12] cm³/,
    );
    expect(words(caught, 'hard resin', caught)).toContain('No other pull that was tried catches less.');
    const core = undercut({ kind: 'core', depthMm: Infinity, strainPercent: Infinity, widthMm: 0 });
    expect(words(reading(core), 'rubber', null)).toMatch(/^stop: .* 1 hollow leads out nowhere sideways/);
    expect(kindsThatRelease(reading(core))).toEqual([]);
  });
});

const KNOWN: Master = {
  resinName: 'Skerry Hard 90',
  survivesC: 180,
  thinnestMm: 1.4,
  sprued: true,
  sanded: true,
  cured: true,
  tested: { result: 'clean', coat: '', product: 'Red sheet' },
};
const rules = (
  change: Partial<Master>,
  kind: Parameters<typeof judgeMaster>[1] = 'rubber',
  pressC?: number,
): string[] =>
  judgeMaster({ ...KNOWN, ...change }, kind, pressC).map(({ rule, weight }) => `${rule} ${weight}`);

describe('a master', () => {
  it('that is known in every point came off clean', () => {
    expect(rules({})).toEqual(['master tested ok']);
    expect(rules({}, 'hard resin')).toEqual([]);
  });
  it('names the product that was tried: another one is not known by it', () => {
    const [said] = judgeMaster(KNOWN, 'rubber');
    expect(formatPhrase(said!.why, METRIC)).toBe(
      'By this shop’s own test of Red sheet on Skerry Hard 90; another rubber is another test.',
    );
  });
  it('is told in each point that is not so', () => {
    expect(rules({ survivesC: 148 })).toEqual(['master heat fix', 'master tested ok']);
    expect(rules({ survivesC: 148 }, 'rubber', 143)).toEqual(['master tested ok']);
    expect(rules({ thinnestMm: 0.7 })).toContain('master wall fix');
    expect(rules({ sprued: false })).toContain('master sprue fix');
    expect(rules({ sanded: false }, 'silicone')).toContain('master surface fix');
    expect(rules({ cured: false }, 'silicone')).toContain('master cure fix');
    expect(rules({ tested: { result: 'sticky', coat: 'lacquer', product: '' } }, 'silicone')).toEqual([
      'master tested fix',
    ]);
  });
  it('of which nothing is known has nothing good said of it', () => {
    const unknown = { survivesC: null, thinnestMm: undefined, sprued: undefined, sanded: undefined, cured: undefined, tested: undefined }; // prettier-ignore
    const said = rules(unknown);
    expect(said).toHaveLength(6);
    expect(said.every((one) => one.endsWith('watch'))).toBe(true);
    expect(rules(unknown, 'silicone').every((one) => one.endsWith('watch'))).toBe(true);
  });
});

describe('why a wax is flawed', () => {
  const first = (...asked: Parameters<typeof whyWax>): string => whyWax(...asked)[0]!.key;
  it('goes by what is known of the shot', () => {
    expect(first('flash', { warpMm: 0.5, pressureKpa: 50, usualPressureKpa: 55 })).toBe('clamp');
    expect(first('flash', { warpMm: 0.05, pressureKpa: 90, usualPressureKpa: 55 })).toBe('pressure');
    expect(first('short', { waxC: 62, usualWaxC: 68 })).toBe('cold');
    expect(first('short', { waxC: 68, usualWaxC: 68, blindEnds: 2 })).toBe('air');
    expect(first('distorted', { restMin: 0.2, usualRestMin: 1 })).toBe('early');
  });
  it('without a sign goes by the odds, and names the signs that are missing', () => {
    const ranked = whyWax('flash', {});
    expect(ranked.every(({ signs }) => signs.length === 0)).toBe(true);
    expect(ranked.flatMap(({ missing }) => missing)).toContain('mold warped');
    expect(ranked.reduce((sum, { chance }) => sum + chance, 0)).toBeCloseTo(1, 9);
  });
});
