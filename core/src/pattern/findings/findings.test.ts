import { describe, expect, it } from 'vitest';
import { formatPhrase, METRIC } from '../../numeric';
import type { Finding } from '../../judge';
import { measured } from '../../testing/analysed';
import { box, cube, together } from '../../testing/solids';
import type { PatternAnalysis } from '../analysePattern';
import { GAP_BIN_MM } from '../readSurface';
import { areaInGaps, findPattern, type FindingContext } from './index';

/** A sound band of 2 mm, against which nothing is found; each test changes what it is about. */
function analysis(change: Partial<PatternAnalysis> = {}): PatternAnalysis {
  return {
    resolution: { fineMm: 0.05, midMm: 0.1, coarseMm: 0.15 },
    estimate: false,
    exactMm3: null,
    thickness: {
      p1Mm: 1.8,
      p10Mm: 1.9,
      p50Mm: 2,
      p90Mm: 2.1,
      thinnestMm: 1.8,
      thickestMm: 2.2,
      histogramMm3: Array.from({ length: 60 }, (_, bin) => (bin === 40 ? 1000 : 0)),
    },
    thin: [],
    thick: [],
    gaps: [],
    gapAreaMm2: [],
    gapPlaces: [],
    hotSpots: [],
    feed: [],
    genus: 0,
    holes: [],
    chambers: [],
    bore: null,
    voids: [],
    hangs: [],
    ...change,
  };
}
const sound = measured(cube(10)).measure;
const found = (change: Partial<PatternAnalysis>, context: FindingContext = {}): Finding[] =>
  findPattern(sound, analysis(change), context);
const one = (change: Partial<PatternAnalysis>, context: FindingContext = {}): Finding => {
  const all = found(change, context);
  expect(all).toHaveLength(1);
  return all[0]!;
};
describe('a sheet or a needle', () => {
  it('of which nothing could be read is stopped, not passed', () => {
    const { thickness } = analysis();
    const unread = one({ thickness: { ...thickness, histogramMm3: [0, 0, 0] } });
    expect([unread.rule, unread.weight]).toEqual(['finer than the reading', 'stop']);
  });
});

const said = (finding: Finding): string => `${finding.lead} ${formatPhrase(finding.why, METRIC)}`;
/** Spots of one size along a line from `x`, a cell apart. */
const line = (sizeMm: number, x: number, depthsMm?: readonly number[]) =>
  Array.from({ length: 8 }, (_, n) => ({
    at: [x + 0.05 * n, 0, 0] as [number, number, number],
    sizeMm,
    ...(depthsMm ? { depthMm: depthsMm[n % depthsMm.length]! } : {}),
  }));
const section = (widthMm: number, modulusMm: number, x = 0) => ({
  at: [x, 0, 0] as [number, number, number],
  widthMm,
  modulusMm,
});

describe('a sound part', () => {
  it('has no findings', () => {
    expect(found({})).toEqual([]);
  });
});

describe('thin places', () => {
  it('under the resin’s limit are to be mended, each stretch a place', () => {
    const finding = one(
      { thin: [...line(0.2, 0), ...line(0.25, 20)] },
      { limits: { finestMm: 0.3, wearWireMm: 0.1 }, resinName: 'Skerry Low-Ash' },
    );
    expect(finding).toMatchObject({ rule: 'under resin limit', weight: 'fix' });
    expect(said(finding)).toBe(
      'Two places under the resin’s limit. 0.20 mm at the thinnest where Skerry Low-Ash holds 0.30 mm: it may not print, or break.',
    );
    expect(finding.places.map(({ at }) => Math.round(at[0]))).toEqual([0, 20]);
  });
  it('are not there for a resin that holds finer', () => {
    expect(found({ thin: line(0.2, 0) }, { limits: { finestMm: 0.15, wearWireMm: 0.1 } })).toEqual([]);
  });
  it('are thin for wear only after the skin is gone, by band or wire', () => {
    const thin = line(1.25, 0);
    expect(found({ thin })).toEqual([]);
    const bore = {
      diameterMm: 17.3,
      at: [0, 0, 0] as [number, number, number],
      axis: [0, 0, 1] as [number, number, number],
      residualMm: 0.01,
    };
    const finding = found({ thin, bore })[0]!;
    expect(finding.rule).toBe('thin for wear');
    expect(said(finding)).toContain('1.15 mm is left');
  });
  it('of a single spot are the grid’s, not the part’s', () => {
    expect(found({ thin: line(0.1, 0).slice(0, 1) })).toEqual([]);
  });
});

describe('masses', () => {
  it('thicker than the resin takes crack the mold; the wax-free one takes them', () => {
    const thick = [{ at: [0, 0, 0] as [number, number, number], sizeMm: 5.2 }];
    expect(one({ thick })).toMatchObject({ rule: 'thick resin', weight: 'fix' });
    expect(found({ thick }, { limits: { thickestMm: 8 } })).toEqual([]);
  });
  const mass = (feedRatio: number, neckMm: number) => ({
    ...section(4, 0.7),
    parent: 0,
    neck: section(neckMm, 0.5, 3),
    feedRatio,
  });
  it.each([
    ['sound', 0.9, 2.5, undefined],
    ['watched by modulus', 0.7, 3, 'watch'],
    ['mended by modulus', 0.5, 3, 'fix'],
    ['watched by width', 0.95, 2, 'watch'],
    ['mended by width', 0.95, 1.2, 'fix'],
  ])('behind a way that is %s', (_what, ratio, neckMm, weight) => {
    const hotSpots = [{ ...section(6, 1), parent: -1, neck: null, feedRatio: 1 }, mass(ratio, neckMm)];
    expect(found({ hotSpots }).map((f) => f.weight)).toEqual(weight ? [weight] : []);
  });
});

describe('hollows', () => {
  it('that are sealed stop the print', () => {
    const finding = one({ voids: [{ volumeMm3: 4.1, at: [1, 2, 3] }] });
    expect(finding).toMatchObject({ weight: 'stop', places: [{ at: [1, 2, 3] }] });
    expect(said(finding)).toContain('4.1 mm³ of wet resin');
  });
  const hang = (xDeg: number, ...volumes: number[]) => ({
    rotation: { xDeg, yDeg: 0, zDeg: 0 },
    pockets: volumes.map((volumeMm3) => ({
      volumeMm3,
      depthMm: 1,
      at: [0, 0, 1] as [number, number, number],
    })),
  });
  it('that keep air say the tilt at which none stays', () => {
    const finding = one({ hangs: [hang(0, 1, 0.9), hang(20, 0.5), hang(40)] });
    expect(said(finding)).toContain('Two cups keep air. 1.9 mm³ of bubble when it hangs as in the file');
    expect(formatPhrase(finding.remedy, METRIC)).toBe('Hang it at 40°: none stays. Or vent each cup.');
    expect(finding.places[0]!.from![2]).toBeCloseTo(-1, 9);
    expect(found({ hangs: [hang(0, 1), hang(40)] }, { tiltDeg: 40 })).toEqual([]);
  });
  it('with a narrow way in are hard to divest', () => {
    const chambers = [
      {
        at: [0, 0, 0] as [number, number, number],
        widthMm: 4,
        entranceAt: [0, 0, 2] as [number, number, number],
        entranceMm: 0.9,
      },
    ];
    expect(found({ chambers }).map(({ rule }) => rule)).toContain('hard to divest');
    expect(found({ chambers: [{ ...chambers[0]!, entranceMm: 1.5 }] }).map(({ rule }) => rule)).not.toContain(
      'hard to divest',
    );
  });
});

describe('slots and recesses', () => {
  it('are fragile when they are deeper than one and a half widths', () => {
    const deep = found({ gaps: line(0.3, 0, [0.2, 0.6, 1]) })[0]!;
    expect(deep).toMatchObject({ rule: 'fragile investment', weight: 'watch' });
    expect(said(deep)).toContain('0.30 mm wide and 0.95 mm deep');
    expect(found({ gaps: line(0.3, 0, [0.2, 0.3]) })).toEqual([]);
  });
  it('that no point reaches are counted by surface, and have a place even without a slot', () => {
    const gapAreaMm2 = new Array<number>(33).fill(0);
    gapAreaMm2[Math.round(1.5 / GAP_BIN_MM)] = 38;
    expect(areaInGaps(gapAreaMm2, 2)).toBe(38);
    expect(areaInGaps(gapAreaMm2, 1.2)).toBe(0);
    const gapPlaces = gapAreaMm2.map((area): [number, number, number] | null =>
      area > 0 ? [7, 7, 7] : null,
    );
    expect(found({ gapAreaMm2, gapPlaces })[0]).toMatchObject({
      rule: 'polish will not reach',
      weight: 'note',
      places: [{ at: [7, 7, 7] }],
    });
  });
});

describe('ways through', () => {
  const hole = (widthMm: number) => ({
    at: [0, 0, 0] as [number, number, number],
    widthMm,
    axis: [0, 0, 1] as [number, number, number],
  });
  it('are noted for the eye; missing ones are watched', () => {
    expect(one({ holes: [hole(2)], genus: 1 })).toMatchObject({ rule: 'through-holes', weight: 'note' });
    expect(one({ holes: [hole(2)], genus: 2 }).weight).toBe('watch');
  });
  it('that are not the wanted bore are to be mended', () => {
    const bore = {
      diameterMm: 17,
      at: [0, 0, 0] as [number, number, number],
      axis: [0, 0, 1] as [number, number, number],
      residualMm: 0.01,
    };
    const wantedBore = { diameterMm: 17.32, toleranceMm: 0.1, name: 'US 7' };
    expect(said(one({ bore }, { wantedBore }))).toBe(
      'Bore is not the size. 17.00 mm in the file; the brief wants 17.32 mm (US 7) ± 0.10 mm.',
    );
    expect(found({ bore: { ...bore, diameterMm: 17.36 } }, { wantedBore })).toEqual([]);
  });
});

describe('the surface itself', () => {
  it('is found open, turned or overlapping before anything else is known', () => {
    const { measure } = measured(together(box([10, 4, 4]), box([10, 4, 4], [6, 0, 0])));
    const findings = findPattern(measure, analysis(), {});
    expect(findings).toHaveLength(1);
    expect(findings[0]).toMatchObject({ rule: 'overlap', weight: 'note' });
  });
  it('comes after what is graver', () => {
    const weights = found({
      voids: [{ volumeMm3: 1, at: [0, 0, 0] }],
      thick: [{ at: [0, 0, 0], sizeMm: 9 }],
      gaps: line(0.3, 0, [0.2, 1.2]),
      holes: [{ at: [0, 0, 0], widthMm: 2, axis: [0, 0, 1] }],
      genus: 1,
    }).map(({ weight }) => weight);
    expect(weights).toEqual(['stop', 'fix', 'watch', 'note']);
  });
});
