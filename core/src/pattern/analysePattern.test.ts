import { describe, expect, it } from 'vitest';
import geometry from '../../reference/geometry.json';
import { NO_ROTATION } from '../orient';
import { analysed, measured, turned } from '../testing/analysed';
import {
  arc,
  blocks,
  bowl,
  lathe,
  moved,
  prism,
  sphere,
  together,
  torus,
  tube,
  type TestMesh,
} from '../testing/solids';
import { analysePattern } from './analysePattern';
import { findPattern } from './findings';
import { isEstimate } from './readPattern';
import { groupSpots } from './spots';
import { readPockets } from './readPockets';

const rules = ({ measure, analysis }: ReturnType<typeof analysed>): string[] =>
  findPattern(measure, analysis).map(({ rule }) => rule);

/** Balls of two diameters on the z axis joined by a cylinder (reference, "feed"). */
function dumbbell(large: number, small: number, neck: number): TestMesh {
  const [a, b, r] = [large / 2, small / 2, neck / 2];
  const [angleA, angleB] = [a, b].map((R) => (Math.acos(r / R) * 180) / Math.PI) as [number, number];
  const between = a + b + 2;
  return lathe([...arc(a, 0, -90, angleA, 40), ...arc(b, between, -angleB, 90, 40)], 96);
}

describe('thickness by closed forms', () => {
  it('is the diameter of a sphere, almost throughout', () => {
    const { analysis } = analysed(sphere(3, 4));
    expect(analysis.thickness.p50Mm).toBeGreaterThan(5.9);
    expect(analysis.thickness.p10Mm).toBeGreaterThan(5.9);
    expect(analysis.thickness.thickestMm).toBeGreaterThan(5.94);
    expect(analysis.thickness.thickestMm).toBeLessThanOrEqual(6);
  });

  it('is the tube of a torus, whose hole is a bore as wide as its waist', () => {
    const { analysis } = analysed(torus(8, 1.5, 96, 48));
    expect(analysis.thickness.p50Mm).toBeCloseTo(3, 1);
    expect(analysis.genus).toBe(1);
    expect(analysis.holes).toHaveLength(1);
    expect(analysis.holes[0]!.widthMm).toBeGreaterThan(12.95);
    expect(analysis.holes[0]!.widthMm).toBeLessThan(13.01);
    expect(analysis.bore!.diameterMm).toBeGreaterThan(12.99);
    expect(analysis.bore!.diameterMm).toBeLessThan(13.2);
  });

  it('is the wall of a tube, and the bore is a cylinder', () => {
    const { analysis } = analysed(tube(9.4, 8.4, 5, 128));
    expect(analysis.thickness.p50Mm).toBeCloseTo(1, 1);
    expect(Math.abs(analysis.thickness.thinnestMm! - 1)).toBeLessThan(0.012);
    expect(analysis.bore?.diameterMm).toBeCloseTo(16.8, 1);
    expect(Math.abs(analysis.bore!.axis[2])).toBeCloseTo(1, 6);
  });

  it('is a plate’s, however it lies and whatever its size', () => {
    const plate = blocks([[0, 9], [0, 6], [0, 0.8]], () => true); // prettier-ignore
    const flat = analysed(plate).analysis.thickness;
    expect(Math.abs(flat.thinnestMm! - 0.8)).toBeLessThan(0.012);
    expect(flat.p50Mm).toBeCloseTo(0.8, 1);
    const tilted = analysed(turned(plate, { xDeg: 33, yDeg: 21, zDeg: 47 })).analysis.thickness;
    expect(Math.abs(tilted.thinnestMm! - 0.8)).toBeLessThan(0.012);
    expect(tilted.p90Mm).toBeCloseTo(flat.p90Mm, 1);
    const large = analysed(turned(plate, NO_ROTATION, 2)).analysis.thickness;
    expect(large.thinnestMm! / flat.thinnestMm!).toBeCloseTo(2, 1);
  });
});

describe('bars', () => {
  it.each([0.2, 0.25, 0.4])(
    'of square section, %d mm, are as thin as they are, wherever the grid falls',
    (mm) => {
      const { analysis } = analysed(together(blocks([[0, mm], [0, mm], [0, 4]], () => true), moved(sphere(2, 3), [6, 0, 2]))); // prettier-ignore
      expect(analysis.thickness.thinnestMm).toBeGreaterThan(0.95 * mm);
      expect(analysis.thickness.thinnestMm).toBeLessThanOrEqual(mm);
    },
  );
});

describe('sharp edges', () => {
  const degrees = Math.PI / 180;
  /** A plate 2.2 mm thick whose two long sides lean out to an edge. */
  const bevelled = (deg: number, lean = 2.2 / Math.tan(deg * degrees)): TestMesh =>
    prism([[0, 0], [14, 0], [14 - lean, 2.2], [lean, 2.2]], 8); // prettier-ignore

  it.each([30, 45, 58])('of %d degrees are edges of a plate, not walls', (deg) => {
    const reading = analysed(bevelled(deg));
    expect(reading.analysis.thickness.thinnestMm).toBeGreaterThan(1.7);
    expect(rules(reading)).not.toContain('under resin limit');
  });
  it('are edges however the part lies', () => {
    const reading = analysed(turned(bevelled(45), { xDeg: 20, yDeg: 33, zDeg: 47 }));
    expect(rules(reading)).not.toContain('under resin limit');
  });
  it('do not hide a wall that tapers slowly, or ends blunt', () => {
    const taper = prism([[0, 0], [6, 0], [6, 0.2 + 6 * Math.tan(10 * degrees)], [0, 0.2]], 5); // prettier-ignore
    expect(analysed(taper).analysis.thickness.thinnestMm).toBeLessThan(0.25);
    const foil = blocks([[0, 6], [0, 4], [0, 0.05]], () => true); // prettier-ignore
    expect(analysed(foil).analysis.thickness.thinnestMm).toBeCloseTo(0.05, 2);
  });
  it('do not hide the neck between two grooves', () => {
    // Grooves of 50° from both sides leave 0.3 mm of a bar 3 mm high.
    const half = 1.35 * Math.tan(25 * degrees);
    const bar = prism([[3, 1.35], [3 + half, 0], [6, 0], [6, 3], [3 + half, 3], [3, 1.65], [3 - half, 3], [0, 3], [0, 0], [3 - half, 0]], 4); // prettier-ignore
    const reading = analysed(bar);
    expect(reading.measure.closed).toBe(true);
    expect(reading.analysis.thickness.thinnestMm).toBeCloseTo(0.3, 1);
  });
  it('are not narrow gaps either, where a groove is as sharp', () => {
    const half = 1.5 * Math.tan(22 * degrees);
    const grooved = prism([[3, 1.5], [3 + half, 3], [6, 3], [6, 0], [0, 0], [0, 3], [3 - half, 3]].reverse() as [number, number][], 6); // prettier-ignore
    expect(rules(analysed(grooved))).not.toContain('fragile investment');
  });
});

describe('a part of any size', () => {
  it('is read within the same number of cells, gaps only as far as those reach', () => {
    // A band of a fixed width round a speck would be a thousand of its cells wide.
    const { analysis } = analysed(sphere(0.1, 3));
    expect(analysis.thickness.thickestMm).toBeCloseTo(0.2, 2);
    expect(analysis.gaps).toEqual([]);
  });
});

describe('gaps', () => {
  /** Five fins 1 mm wide with slots of the given widths between them, 2.5 mm deep, over a floor. */
  const widths = [0.3, 0.6, 0.9, 1.4];
  const xs = [0, 1];
  for (const width of widths) xs.push(xs.at(-1)! + width, xs.at(-1)! + width + 1);
  const comb = blocks([xs, [0, 6], [0, 1, 3.5]], (i, _j, k) => k === 0 || i % 2 === 0);

  it.each([0, 25])('of a slotted plate are the slots, turned by %d degrees', (deg) => {
    const { analysis } = analysed(turned(comb, { xDeg: deg, yDeg: deg / 2, zDeg: deg }));
    const found = widths.map((width) =>
      groupSpots(analysis.gaps, analysis.resolution.midMm, ({ sizeMm }) => Math.abs(sizeMm - width) < 0.03),
    );
    for (const [n, regions] of found.entries()) {
      expect(regions.length, `slot of ${widths[n]}`).toBeGreaterThan(0);
      expect(regions[0]!.medianMm).toBeCloseTo(widths[n]!, 1);
    }
  });

  it('say which investment is fragile: the slot under half a millimetre', () => {
    const reading = analysed(comb);
    const fragile = findPattern(reading.measure, reading.analysis).find(
      (f) => f.rule === 'fragile investment',
    );
    expect(fragile?.places).toHaveLength(1);
    expect(fragile!.places[0]!.sizeMm).toBeCloseTo(0.3, 1);
    expect(fragile!.places[0]!.at[0]).toBeGreaterThan(0.95);
    expect(fragile!.places[0]!.at[0]).toBeLessThan(1.35);
  });
});

describe('feed', () => {
  it('of two balls through a neck agrees with the reference', () => {
    const { analysis } = analysed(dumbbell(6, 4, 2.4));
    expect(analysis.hotSpots).toHaveLength(geometry.feed.hot_spots);
    const [large, small] = analysis.hotSpots;
    expect(large!.widthMm).toBeCloseTo(6, 1);
    expect(small!.widthMm).toBeCloseTo(4, 1);
    expect(small!.neck!.widthMm / small!.widthMm).toBeCloseTo(geometry.feed.small, 2);
    expect(small!.parent).toBe(0);
  });
  it('is one mass where the neck is nearly as wide', () => {
    expect(analysed(dumbbell(6, 4, 3.4)).analysis.hotSpots).toHaveLength(1);
  });
  it('through a wire is said, and is worse the thinner the wire', () => {
    const thin = analysed(dumbbell(6, 4, 1));
    const [, small] = thin.analysis.hotSpots;
    const found = findPattern(thin.measure, thin.analysis).find(({ rule }) => rule === 'fed through thin');
    expect(found?.weight).toBe('fix');
    expect(found!.places[0]!.sizeMm).toBeCloseTo(1, 1);
    expect(analysed(dumbbell(6, 4, 1.8)).analysis.hotSpots[1]!.feedRatio).toBeGreaterThan(small!.feedRatio);
  });
});

describe('hollows', () => {
  it('of a bowl hung mouth down keep the air that the formula says', () => {
    const { mesh } = measured(bowl(5, 4, 40, 96));
    for (const { theta_deg, volume_mm3 } of geometry.air_pocket.rows) {
      const { pockets } = readPockets(mesh, { xDeg: theta_deg, yDeg: 0, zDeg: 0 });
      const volume = pockets.reduce((sum, pocket) => sum + pocket.volumeMm3, 0);
      // A hundredth of a cubic millimetre is a layer of cells at the smallest pocket's mouth.
      expect(Math.abs(volume - volume_mm3), `${theta_deg} degrees`).toBeLessThan(0.06 * volume_mm3 + 0.6);
    }
  });
  it('of a bowl hung mouth up keep none', () => {
    const { mesh } = measured(bowl(5, 4, 20, 48));
    expect(readPockets(mesh, { xDeg: 180, yDeg: 0, zDeg: 0 }).pockets).toEqual([]);
  });

  const room = (open: boolean): TestMesh =>
    blocks([[0, 1.5, 4.5, 6], [0, 1.5, 4.5, 6], [0, 1.5, 4.5, 6]], (i, j, k) =>
      !(i === 1 && j === 1 && (k === 1 || (open && k === 2))),
    ); // prettier-ignore
  it('that are sealed hold wet resin; opened they are cups', () => {
    const sealed = analysed(room(false));
    expect(sealed.analysis.voids).toHaveLength(1);
    expect(sealed.analysis.voids[0]!.volumeMm3).toBeCloseTo(27, 0);
    expect(sealed.measure.volumeMm3).toBeCloseTo(216 - 27, 6);
    expect(findPattern(sealed.measure, sealed.analysis)[0]).toMatchObject({
      rule: 'sealed void',
      weight: 'stop',
    });
    expect(analysed(room(true)).analysis.voids).toEqual([]);
  });

  it('behind a narrow mouth are chambers, and hard to divest', () => {
    const jar = lathe(
      [[0, 0], [5, 0], [5, 8], [0.5, 8], [0.5, 7], [4, 7], [4, 1], [0, 1]],
      64,
    ); // prettier-ignore
    const reading = analysed(jar);
    expect(reading.analysis.chambers).toHaveLength(1);
    expect(reading.analysis.chambers[0]!.entranceMm).toBeCloseTo(1, 1);
    expect(rules(reading)).toContain('hard to divest');
  });

  it('that go through are ways, each with its width', () => {
    const lines = [0, 1.5, 2.5, 5, 7, 8.5];
    const plate = blocks([lines, [0, 2, 4, 6], [0, 2]], (i, j) => !(j === 1 && (i === 1 || i === 3)));
    const { analysis } = analysed(plate);
    expect(analysis.genus).toBe(2);
    expect(analysis.holes.map(({ widthMm }) => Math.round(widthMm * 20) / 20)).toEqual([1, 2]);
  });
});

describe('bodies that overlap', () => {
  const pair = together(moved(sphere(5, 4), [-3, 0, 0]), moved(sphere(5, 4), [3, 0, 0]));
  it('displace their union, and the overlap is named', () => {
    const { measure } = measured(pair);
    const lost = geometry.overlap.sphere - measured(sphere(5, 4)).measure.volumeMm3;
    expect(measure.volumeMm3 + 2 * lost).toBeGreaterThan(0.998 * geometry.overlap.union);
    expect(measure.volumeMm3 + 2 * lost).toBeLessThan(1.002 * geometry.overlap.union);
    expect(measure.bodySumMm3 - measure.overlapMm3).toBeCloseTo(measure.volumeMm3, 6);
    expect(measure.overlapMm3).toBeCloseTo(geometry.overlap.lens, -1);
  });
});

describe('open surfaces', () => {
  it('with a few faces missing are an estimate with its uncertainty', () => {
    const ball = sphere(4, 3);
    const { mesh, measure } = measured({ ...ball, triangles: ball.triangles.slice(9) });
    const whole = measured(ball).measure.volumeMm3;
    expect(measure.closed).toBe(false);
    expect(measure.volumePlusMinusMm3).toBeGreaterThan(0);
    expect(Math.abs(measure.volumeMm3 - whole)).toBeLessThan(
      Math.max(3 * measure.volumePlusMinusMm3, 0.02 * whole),
    );
    const result = analysePattern(mesh, measure);
    expect(result.status).toBe('analysed');
    if (result.status !== 'analysed') return;
    // Three facets of a ball shut flat: what is not known does not show in cm³ to three digits, and no way goes through.
    expect(result.analysis.estimate).toBe(isEstimate(measure));
    expect(result.analysis.holes).toEqual([]);
    expect(result.analysis.chambers).toEqual([]);
  });
  it('that are half a surface are refused an analysis', () => {
    const ball = sphere(4, 3);
    const { mesh, measure } = measured({
      ...ball,
      triangles: ball.triangles.slice(ball.triangles.length / 2),
    });
    expect(analysePattern(mesh, measure).status).toBe('too open');
  });
});

describe('progress', () => {
  it('is told step by step and only grows', () => {
    const { mesh, measure } = measured(sphere(2, 3));
    const shares: number[] = [];
    analysePattern(mesh, measure, (_step, share) => shares.push(share));
    expect(shares.length).toBeGreaterThan(5);
    expect(shares).toEqual([...shares].sort((a, b) => a - b));
  });
});
