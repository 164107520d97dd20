import { describe, expect, it } from 'vitest';
import { turned, welded } from '../testing/analysed';
import { box, lathe, moved, together, torus, tube, type TestMesh } from '../testing/solids';
import { passingCylinder } from './passingCylinder';
import { readBore } from './readBore';

const boreOf = (mesh: TestMesh) => readBore(welded(mesh), []);

const leaning = (mesh: TestMesh, xDeg: number, zDeg: number): TestMesh =>
  turned(mesh, { xDeg, yDeg: 0, zDeg });

const BORE_MM = 17.35;
const band = tube(BORE_MM / 2 + 1.8, BORE_MM / 2, 5, 144);
/** Four prongs and two rails on one side of the band: holes between them, none a finger's. */
const head = together(
  ...[-2, 2].flatMap((x) => [0.6, 3.6].map((z) => box([0.8, 4, 0.8], [x, BORE_MM / 2 + 1.4, z]))),
  ...[2.2, 4.2].map((up) => box([4.8, 0.5, 3.8], [-2, BORE_MM / 2 + up, 0.6])),
);

describe('a finger’s bore', () => {
  it('is read of a plain band, however it lies', () => {
    for (const part of [band, leaning(band, 40, 63), leaning(band, 90, 12)]) {
      const bore = boreOf(part)!;
      expect(bore.diameterMm).toBeCloseTo(BORE_MM, 1);
      expect(Math.abs(bore.diameterMm - BORE_MM)).toBeLessThan(0.01);
      expect(bore.residualMm).toBeLessThan(0.01);
    }
  });
  it('is the same with prongs, rails and their holes', () => {
    for (const part of [together(band, head), leaning(together(band, head), 29, 23)])
      expect(Math.abs(boreOf(part)!.diameterMm - BORE_MM)).toBeLessThan(0.02);
  });
  it('is the waist of a bore rounded for comfort', () => {
    const comfort = lathe([[9.2, 0], [10.6, 0], [10.6, 6], [9.2, 6], [8.9, 5], [8.7, 4], [8.675, 3], [8.7, 2], [8.9, 1]], 180); // prettier-ignore
    expect(Math.abs(boreOf(comfort)!.diameterMm - BORE_MM)).toBeLessThan(0.06);
  });
  it('goes through a head that is open at the back', () => {
    // A band of a frame: the wall is missing over a fifth of the way round, and rails go round outside.
    const open = { ...band, triangles: band.triangles.filter((_, i, all) => {
      const t = Math.floor(i / 3) * 3;
      const [x, y] = [0, 1].map((k) => [0, 1, 2].reduce((s, c) => s + band.positions[3 * all[t + c]! + k]!, 0));
      return Math.atan2(y!, x!) < 0.9 || Math.atan2(y!, x!) > 2.2;
    }) }; // prettier-ignore
    const rails = moved(tube(13, 11.5, 1, 90), [0, 0, 2]);
    expect(Math.abs(boreOf(together(open, rails))!.diameterMm - BORE_MM)).toBeLessThan(0.02);
  });
  it('is none in a square frame, a ball, a small hole or an open cuff', () => {
    const frame = together(box([24, 3, 4]), box([24, 3, 4], [0, 21, 0]), box([3, 18, 4], [0, 3, 0]), box([3, 18, 4], [21, 3, 0])); // prettier-ignore
    expect(boreOf(frame)).toBeNull();
    expect(boreOf(torus(4, 1.5, 60, 30))).toBeNull();
    expect(boreOf(box([20, 20, 20]))).toBeNull();
    const cuff = { ...band, triangles: band.triangles.filter((_, i, all) => {
      const t = Math.floor(i / 3) * 3;
      const [x, y] = [0, 1].map((k) => [0, 1, 2].reduce((s, c) => s + band.positions[3 * all[t + c]! + k]!, 0));
      return Math.abs(Math.atan2(y!, x!)) > 0.5;
    }) }; // prettier-ignore
    expect(boreOf(cuff)).toBeNull();
  });
  it('passes what the narrowest place along the way lets through', () => {
    const narrowed = together(tube(10, 9, 4, 120), moved(tube(10, 7, 1, 120), [0, 0, 8]));
    const { diameterMm, at } = passingCylinder(welded(narrowed), [0, 0, 1])!;
    expect(Math.abs(diameterMm - 14)).toBeLessThan(0.3);
    expect(Math.hypot(at[0], at[1])).toBeLessThan(0.2);
  });
});
