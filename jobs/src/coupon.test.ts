import {
  buildCoupon,
  COUPON_EXTRAS,
  layCoupon,
  readPattern,
  usualCoupon,
  write3mf,
  writeBinaryStl,
  type BooleanEngine,
  type CouponSpec,
} from '@zero-pour/core';
import Module, { type Manifold } from 'manifold-3d';
import { beforeAll, describe, expect, it } from 'vitest';
import { manifoldEngine } from './run/index';
import { analyseBytes } from './node/index';

let engine: BooleanEngine<Manifold>;
beforeAll(async () => {
  engine = manifoldEngine(await Module());
});

function read(bytes: Uint8Array, name: string) {
  const reading = readPattern(bytes, name, 1);
  if (reading.status !== 'read') throw new Error(reading.status);
  return reading;
}

const everything: CouponSpec = { ...usualCoupon('3.7 S A405'), extras: [...COUPON_EXTRAS] };

describe('coupon mesh', () => {
  it.each([
    ['every class and every extra', everything],
    ['one class', usualCoupon('2.4 S', ['filigree'])],
    ['extras alone', { ...everything, classes: [] }],
    [
      'few of each',
      {
        ...usualCoupon('', ['heavy']),
        classes: [{ castClass: 'heavy', featureMm: 0.6, struts: 5, slots: 3 }],
      },
    ],
  ] as [string, CouponSpec][])('%s: one closed solid of the constructed volume and size', (_, spec) => {
    const mesh = buildCoupon(spec, engine);
    const layout = layCoupon(spec);
    const { measure } = read(writeBinaryStl(mesh.positions, mesh.triangles), 'c.stl');
    expect(measure.closed).toBe(true);
    expect(measure.shells).toBe(1);
    // Vertices are float32: a few parts in a million of a 40 mm coupon.
    expect(measure.volumeMm3 / layout.volumeMm3).toBeCloseTo(1, 4);
    layout.sizeMm.forEach((size, k) => {
      const axis = [...mesh.positions].filter((__, i) => i % 3 === k);
      expect(Math.max(...axis) - Math.min(...axis)).toBeCloseTo(size, 4);
    });
  });
  it('is the same part in both file formats', () => {
    const { positions, triangles } = buildCoupon(everything, engine);
    const stl = read(writeBinaryStl(positions, triangles), 'c.stl').measure;
    const mf = read(write3mf(positions, triangles), 'c.3mf').measure;
    expect(stl.triangles).toBe(triangles.length / 3);
    expect(mf.triangles).toBe(triangles.length / 3);
    expect(mf.volumeMm3).toBeCloseTo(stl.volumeMm3, 2);
  });
});

describe('measured back by the pattern reader', () => {
  it.each([
    ['filigree', 0.25],
    ['standard', 0.4],
    ['heavy', 0.6],
  ] as const)(
    '%s struts and slots are %s mm',
    async (castClass, size) => {
      const spec = usualCoupon('', [castClass]);
      const { positions, triangles } = buildCoupon(spec, engine);
      const run = await analyseBytes(writeBinaryStl(positions, triangles), 'c.stl', 1, async () => engine);
      if (run.status !== 'read' || run.output.result.status !== 'analysed') throw new Error(run.status);
      const { thickness, gaps, genus } = run.output.result.analysis;
      expect(thickness.thinnestMm! / size).toBeGreaterThan(0.97);
      expect(thickness.thinnestMm! / size).toBeLessThan(1.03);
      // Every slot is a way through, and none of the gaps is narrower than drawn.
      expect(genus).toBe(24);
      expect(Math.min(...gaps.map((gap) => gap.sizeMm))).toBeCloseTo(size, 2);
    },
    60_000,
  );
});
