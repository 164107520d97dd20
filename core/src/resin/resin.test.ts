import { describe, expect, it } from 'vitest';
import { formatPhrase, InputError, METRIC } from '../numeric';
import {
  beforePrint,
  byStanding,
  comparePlate,
  countGrades,
  curedDensity,
  decidingNumber,
  freshness,
  pricePerKg,
  standing,
  stockLasts,
  suggestVerdict,
  type BeforePrint,
  type PlateChoice,
} from './index';

const DAY = 86_400_000;

describe('freshness', () => {
  const vat = { name: 'Vat of Printer A', sinceMs: 0, lifeDays: 10 };
  it('is fresh, then to be used first, then past', () => {
    expect([1, 8.5, 10.5].map((d) => freshness(vat, d * DAY).weight)).toEqual(['ok', 'watch', 'fix']);
  });
  it('counts whole days that are left, and days past', () => {
    expect(freshness(vat, 3.5 * DAY).daysLeft).toBe(6);
    expect(formatPhrase(freshness(vat, 11.2 * DAY).line, METRIC)).toContain('2 days past');
    expect(formatPhrase(freshness(vat, 10.1 * DAY).line, METRIC)).toContain('1 day past');
  });
  it('refuses a life below nothing', () => {
    expect(() => freshness({ ...vat, lifeDays: -1 }, 0)).toThrow(InputError);
  });
});

describe('stock', () => {
  it('is whole trials and hours of plate', () => {
    expect(stockLasts(100, 1.3)).toMatchObject({ trials: 76, plateH: 100 / 6 });
    expect(stockLasts(0, 1.3).trials).toBe(0);
  });
});

const GIVEN: BeforePrint = {
  resin: {
    name: 'Skerry Wax 55',
    solidBelowC: 24,
    printFromC: 26,
    printToC: 32,
    shakeMin: 2,
    filter: true,
    primingCoats: 2,
  },
  printer: { name: 'Printer A', heatedVat: false, needsLevelling: true },
  roomC: 19,
};
const needed = (given: BeforePrint): string[] =>
  beforePrint(given)
    .filter((step) => step.needed)
    .map((step) => step.key);

describe('before the print', () => {
  it('asks for everything that a waxy resin needs in a cold room', () => {
    expect(needed(GIVEN)).toEqual([
      'warm',
      'shake',
      'filter',
      'vat',
      'level',
      'prime',
      'enclosure',
      'light',
      'note',
    ]);
  });
  it('asks for little where little is needed', () => {
    const easy = {
      resin: {
        ...GIVEN.resin,
        solidBelowC: null,
        printFromC: 18,
        shakeMin: 0,
        filter: false,
        primingCoats: 0,
      },
      printer: { name: 'Printer B', heatedVat: true, needsLevelling: false },
      roomC: 22,
    };
    expect(needed(easy)).toEqual(['vat', 'light', 'note']);
    expect(beforePrint(easy)).toHaveLength(9);
  });
  it('warms when nobody knows the room, and names the bath’s limit in the reader’s unit', () => {
    const warm = beforePrint({ ...GIVEN, roomC: null })[0]!;
    expect(warm.needed).toBe(true);
    expect(formatPhrase(warm.how, METRIC)).toContain('40 °C');
    expect(formatPhrase(warm.how, { ...METRIC, temperature: 'F' })).toContain('104 °F');
    expect(formatPhrase(beforePrint({ ...GIVEN, roomC: null })[6]!.how, METRIC)).toContain('24 °C');
  });
});

describe('standing', () => {
  it('counts only what was graded, prints and casts apart', () => {
    const counts = countGrades([
      { print: 'whole', cast: 'good' },
      { print: 'whole', cast: 'scrap' },
      { print: 'thin or distorted', cast: null },
      { print: null, cast: null },
    ]);
    expect(counts).toEqual({ prints: { good: 2, of: 3 }, casts: { good: 1, of: 2 } });
  });
  it('does not put three of three above forty of forty-two', () => {
    const order = [
      { good: 3, of: 3 },
      { good: 40, of: 42 },
      { good: 10, of: 20 },
    ]
      .map(standing)
      .sort(byStanding);
    expect(order.map((s) => s.n)).toEqual([42, 20, 3]);
    expect(order.at(-1)!.few).toBe(true);
  });
  it('suggests to keep, to drop, or that it is not settled', () => {
    const lead = (good: number, of: number) => suggestVerdict({ good, of }, 'prints').lead;
    expect(lead(19, 20)).toBe('Keep.');
    expect(lead(2, 12)).toBe('Drop.');
    expect(lead(4, 7)).toBe('Not settled.');
    expect(lead(4, 4)).toBe('Too few to say.');
  });
});

const CHOICE: PlateChoice = {
  name: 'A',
  profile: { layerMm: 0.05, exposureS: 3, baseExposureS: 3, baseLayers: 0, transitionLayers: 0, motionS: 6 },
  raftMl: 0,
  raftMm: 1,
  plateMm: [120, 68],
  supportsPercent: 0,
  densityGPerMl: 1.1,
  pricePerKg: 200,
  printerCostPerH: 0.5,
  lightCostPerH: 0.1,
  printYield: 0.9,
  castYield: 0.8,
  burnoutH: 12,
  cleanH: 1,
  handsOnMin: 45,
  kilnCostPerH: 0.5,
};
const JOB = { heightMm: 20, volumeMm3: 5000, copies: 10, raftMm2: 400, footprintMm: [10, 10] as const };

describe('comparing plates', () => {
  it('reckons the raft by its thickness under all copies, unless one was weighed', () => {
    const g = (raft: { raftMl: number | null; raftMm: number }) =>
      comparePlate(JOB, { ...CHOICE, ...raft }).resinG;
    const none = g({ raftMl: 0, raftMm: 1 });
    // 400 mm² under a raft of 2 mm are 0.8 ml.
    expect(g({ raftMl: null, raftMm: 2 }) - none).toBeCloseTo(0.8 * CHOICE.densityGPerMl, 9);
    expect(g({ raftMl: 3, raftMm: 2 }) - none).toBeCloseTo(3 * CHOICE.densityGPerMl, 9);
  });
  it('takes as many plates as the printer’s plate asks for', () => {
    const small = { ...CHOICE, plateMm: [40, 30] as const };
    const [one, several] = [comparePlate(JOB, CHOICE), comparePlate(JOB, small)];
    expect(comparePlate(JOB, { ...CHOICE, plateMm: [8, 8] }).plates).toBe(0);
    expect(one.plates).toBe(1);
    expect(several.plates).toBeGreaterThan(1);
    expect(several.printH).toBeCloseTo(several.plates * one.printH, 9);
    expect(several.lightH).toBeCloseTo(several.plates * one.lightH, 9);
  });
  it('is hours, light, resin, kiln and yields put together', () => {
    const row = comparePlate(JOB, CHOICE);
    expect(row.layers).toBe(400);
    expect(row.printH).toBeCloseTo((400 * 9) / 3600, 12);
    expect(row.lightH).toBeCloseTo((400 * 3) / 3600, 12);
    expect(row.goodCastings).toBeCloseTo(7.2, 12);
    expect(row.totalCost).toBeCloseTo(
      Object.values(row.costs).reduce((a, b) => a + b, 0),
      12,
    );
    expect(row.costPerGood).toBeCloseTo(row.totalCost / 7.2, 12);
  });
  it('takes twice the light and twice the layers at half the height', () => {
    const thin = comparePlate(JOB, { ...CHOICE, profile: { ...CHOICE.profile, layerMm: 0.025 } });
    expect(thin.lightH).toBeCloseTo(2 * comparePlate(JOB, CHOICE).lightH, 12);
  });
  it('says which number decides', () => {
    const rows = (other: Partial<PlateChoice>) => [
      comparePlate(JOB, CHOICE),
      comparePlate(JOB, { ...CHOICE, name: 'B', ...other }),
    ];
    expect(decidingNumber(rows({ pricePerKg: 400 }))).toMatchObject({ best: 'A', next: 'B', by: 'resin' });
    expect(decidingNumber(rows({ castYield: 0.3 }))).toMatchObject({ best: 'A', by: 'good castings' });
    expect(decidingNumber(rows({ burnoutH: 2 }))).toMatchObject({ best: 'B', by: 'kiln' });
    expect(decidingNumber([rows({})[0]!])).toBeUndefined();
  });
});

describe('cured resin', () => {
  it('is denser than the liquid, as measured or by the book', () => {
    expect(curedDensity(1.1, 1.17)).toBe(1.17);
    expect(curedDensity(1.1, null)).toBeCloseTo(1.1715, 9);
    expect(curedDensity(1.1, undefined)).toBeCloseTo(1.1715, 9);
    expect(() => curedDensity(0, null)).toThrow(InputError);
  });
});

describe('a price by the litre', () => {
  it.each(['99 a litre', '99/l', '99 per liter', '99 a L', '99 / litre'])(
    '%s is one by the kilogram',
    (text) => {
      expect(pricePerKg(text, 1.1)).toBeCloseTo(90, 9);
    },
  );
  it.each(['99', '99 a kilo', 'a litre', '-9 a litre', '99 a letter'])('%s is none', (text) => {
    expect(pricePerKg(text, 1.1)).toBeUndefined();
  });
});
