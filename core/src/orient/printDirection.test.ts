import { describe, expect, it } from 'vitest';
import geometry from '../../reference/geometry.json';
import { measured } from '../testing/analysed';
import { blocks, box, lathe, sphere, tube, type TestMesh } from '../testing/solids';
import { findDirection } from './findDirection';
import { layerBitmap } from './layers';
import { measurePrintDirection, type PrintDirectionInput } from './printDirection';
import { NO_ROTATION } from './rotation';
import { measureSteps } from './stepsShow';

const cut = (part: TestMesh, input: Partial<PrintDirectionInput> = {}) =>
  measurePrintDirection(measured(part).mesh, {
    rotation: NO_ROTATION,
    layerMm: 0.05,
    pixelMm: 0.05,
    ...input,
  });
const leads = (part: TestMesh, input: Partial<PrintDirectionInput> = {}) => {
  const whole = { rotation: NO_ROTATION, layerMm: 0.05, pixelMm: 0.05, ...input };
  return findDirection(cut(part, whole).direction, whole);
};

describe('layers', () => {
  it('of a box have its area and nearly its outline, all alike', () => {
    const { direction } = cut(box([6, 4, 2]));
    expect(direction.areaMm2).toHaveLength(40);
    for (const area of direction.areaMm2) expect(area).toBeCloseTo(24, 1);
    // Crofton's count over four directions is 5 % low along the pixels (layers.ts).
    expect(direction.perimeterMm[20]).toBeGreaterThan(0.94 * 20);
    expect(direction.perimeterMm[20]).toBeLessThan(1.01 * 20);
    expect(direction.jump.changeMm2).toBeCloseTo(0, 6);
    expect(direction.firstLayerMm2).toBeCloseTo(24, 1);
  });
  it('of a cylinder have the outline of a circle', () => {
    const { direction } = cut(lathe([[0, 0], [3, 0], [3, 1], [0, 1]], 180)); // prettier-ignore
    expect(direction.perimeterMm[10]).toBeCloseTo(6 * Math.PI, 0);
    expect(direction.areaMm2[10]).toBeCloseTo(9 * Math.PI, 1);
  });
  it('turned on its side stand as high as the part is wide', () => {
    const { direction, stack } = cut(box([6, 4, 2]), { rotation: { xDeg: 0, yDeg: 90, zDeg: 0 } });
    expect(direction.heightMm).toBeCloseTo(6, 9);
    expect(stack.layers).toBe(120);
    expect(direction.areaMm2[60]).toBeCloseTo(8, 1);
  });
  it('shown as pixels have the layer’s area', () => {
    const { direction, stack } = cut(tube(4, 3, 1, 90));
    const lit = layerBitmap(stack, 7).reduce((sum, pixel) => sum + pixel, 0);
    expect(lit * 0.05 ** 2).toBeCloseTo(direction.areaMm2[7]!, 0);
  });
  it.each([
    ['layerMm', { layerMm: 0 }],
    ['pixelMm', { pixelMm: Number.NaN }],
    ['layerMm', { layerMm: 1e-6 }],
  ])('cannot be made of a wrong %s', (field, input) => {
    expect(() => cut(box([5, 5, 5]), input)).toThrow(field);
  });
});

describe('islands', () => {
  /** A table whose top hangs over on one side, with a peg below its free end that begins 1 mm up. */
  const bridge = blocks([[0, 2, 6, 7], [0, 2], [0, 1, 3, 4]], (i, _j, k) =>
    i === 0 || (k === 2) || (i === 2 && k >= 1),
  ); // prettier-ignore
  it('are found where detail begins in mid-air', () => {
    const { islands } = cut(bridge).direction;
    expect(islands).toHaveLength(1);
    expect(islands[0]!.layer).toBe(20);
    expect(islands[0]!.areaMm2).toBeCloseTo(2, 1);
    expect(islands[0]!.at[0]).toBeCloseTo(6.5, 1);
    expect(leads(bridge)[0]).toMatchObject({ rule: 'islands', weight: 'fix' });
  });
  it('are places of the file, however it is turned', () => {
    const upsideDown = { xDeg: 180, yDeg: 0, zDeg: 0 };
    expect(cut(bridge, { rotation: upsideDown }).direction.islands).toEqual([]);
    const onItsBack = leads(bridge, { rotation: { xDeg: 0, yDeg: 0, zDeg: 90 } })[0]!;
    const [x, y, z] = onItsBack.places[0]!.at;
    expect(x > 6 && x < 7 && y > 0 && y < 2).toBe(true);
    expect(z).toBeCloseTo(1, 1);
  });
});

describe('suction cups', () => {
  const { area_mm2, volume_mm3 } = geometry.suction_cup;
  const [r, depth] = [Math.sqrt(area_mm2 / Math.PI), volume_mm3 / area_mm2];
  const beaker = lathe(
    [[0, depth], [r, depth], [r, 0], [r + 1, 0], [r + 1, depth + 1], [0, depth + 1]],
    90,
  ); // prettier-ignore
  /** A square beaker, mouth up, with a hole through its wall at the given layer of its grid. */
  const vented = (hole: number): TestMesh =>
    blocks([[0, 1, 5, 6], [0, 1, 3, 5, 6], [0, 1, 2, 8, 9]], (i, j, k) => {
      const inside = i === 1 && (j === 1 || j === 2) && k > 0;
      return !inside && !(i === 2 && j === 1 && k === hole);
    }); // prettier-ignore
  it('have the mouth and the volume that the reference says', () => {
    const { cups } = cut(beaker, { layerMm: 0.1 }).direction;
    expect(cups).toHaveLength(1);
    expect(Math.abs(cups[0]!.areaMm2 - geometry.suction_cup.area_mm2)).toBeLessThan(0.5);
    expect(Math.abs(cups[0]!.volumeMm3 - geometry.suction_cup.volume_mm3)).toBeLessThan(8);
    const found = leads(beaker, { layerMm: 0.1 }).find(({ rule }) => rule === 'suction');
    expect(found?.places[0]?.from).toEqual([0, 0, -1]);
  });
  it('end where the wall has a way out, and a hole that comes later does not help', () => {
    expect(cut(vented(-1), { layerMm: 0.1 }).direction.cups).toHaveLength(1);
    const low = cut(vented(1), { layerMm: 0.1 }).direction.cups;
    expect(low).toHaveLength(geometry.suction_cup.with_hole_in_closed_end);
    const high = cut(vented(2), { layerMm: 0.1 }).direction.cups;
    expect(high[0]).toMatchObject({ firstLayer: 10, lastLayer: 19 });
  });
  it('are tubes that stand on the plate, too', () => {
    expect(cut(tube(4, 3, 2, 60)).direction.cups).toHaveLength(1);
  });
});

describe('overhang', () => {
  it('of a sphere is the cap that the reference says', () => {
    const { direction } = cut(sphere(5, 6), { layerMm: 0.2, pixelMm: 0.2 });
    expect(Math.abs(direction.overhangMm2 - geometry.overhang.area_mm2)).toBeLessThan(
      0.01 * geometry.overhang.area_mm2,
    );
    const byLayer = direction.overhangByLayerMm2.reduce((sum, v) => sum + v, 0);
    expect(byLayer).toBeCloseTo(direction.overhangMm2, 9);
  });
});

describe('steps', () => {
  const roof = { positions: [0, 0, 0, 4, 0, 4, 0, 4, 0], triangles: Uint32Array.from([0, 1, 2]) };
  it('are as deep as the layer times the cosine of the slope, where no tool reaches', () => {
    const steps = measureSteps(roof, [500, 500, 500], NO_ROTATION, 0.05, 2);
    expect(steps?.deepestMm).toBeCloseTo(0.05 * Math.SQRT1_2, 9);
    expect(steps?.areaMm2).toBeCloseTo((Math.hypot(4, 4) * 4) / 2, 9);
  });
  it.each([
    ['open surface', [0, 0, 0], NO_ROTATION],
    ['a gap that a tool enters', [2500, 2500, 2500], NO_ROTATION],
    ['a face that stands upright', [500, 500, 500], { xDeg: 0, yDeg: 45, zDeg: 0 }],
    ['a face that lies level', [500, 500, 500], { xDeg: 0, yDeg: -45, zDeg: 0 }],
  ])('are none on %s', (_what, gaps, rotation) => {
    const found = [rotation, { ...rotation, yDeg: -rotation.yDeg }].map((turn) =>
      measureSteps(roof, gaps, turn, 0.05, 2),
    );
    expect(found).toContain(null);
  });
});
