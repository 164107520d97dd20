import { uniteFile, weldEqual, writeBinaryStl } from '@zero-pour/core';
import { loadEngine } from '../jobs/src/node';

type Point = [number, number, number];

const RADIUS_MM = 30;
const HIGH_MM = 40;
/** An open cuff: so much of the round, in radians. */
const ROUND = 1.65 * Math.PI;
const WIRE_MM = 0.9;
const WIRES = 26;

/** A place on the cuff: a share of the way round, and a height. */
const onCuff = (share: number, high: number, out = 0): Point => {
  const turn = share * ROUND;
  return [(RADIUS_MM + out) * Math.cos(turn), (RADIUS_MM + out) * Math.sin(turn), high];
};

const minus = (a: Point, b: Point): Point => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
const unit = (v: Point): Point => v.map((value) => value / Math.hypot(...v)) as Point;
const cross = (a: Point, b: Point): Point => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];

/** A round wire along places, shut at both ends. */
function wire(along: readonly Point[], round: number, positions: number[], triangles: number[]): void {
  const first = positions.length / 3;
  along.forEach((at, n) => {
    const way = unit(minus(along[Math.min(n + 1, along.length - 1)]!, along[Math.max(n - 1, 0)]!));
    const side = unit(cross(way, [at[0], at[1], 0]));
    const up = cross(side, way);
    for (let k = 0; k < round; k++) {
      const [c, s] = [Math.cos((2 * Math.PI * k) / round), Math.sin((2 * Math.PI * k) / round)];
      positions.push(...at.map((value, i) => value + (WIRE_MM / 2) * (c * side[i]! + s * up[i]!)));
    }
  });
  const last = first + (along.length - 1) * round;
  for (let n = first; n < last; n += round)
    for (let k = 0; k < round; k++) {
      const [a, b] = [n + k, n + ((k + 1) % round)];
      triangles.push(a, b + round, b, a, a + round, b + round);
    }
  for (let k = 1; k + 1 < round; k++) {
    triangles.push(first, first + k, first + k + 1);
    triangles.push(last, last + k + 1, last + k);
  }
}

/** A filigree cuff of waves of wire between two rims, one body with hundreds of ways through; about 330,000 triangles. */
export async function cuffStl(pieces = 220, round = 20): Promise<Uint8Array> {
  const positions: number[] = [];
  const triangles: number[] = [];
  const run = (place: (share: number) => Point): void =>
    wire(
      Array.from({ length: pieces + 1 }, (_, n) => place(n / pieces)),
      round,
      positions,
      triangles,
    );
  for (const rim of [-1, 1]) run((share) => onCuff(share, (rim * HIGH_MM) / 2));
  for (let w = 0; w < WIRES; w++) {
    const high = HIGH_MM * ((w + 0.5) / WIRES - 0.5);
    const sign = w % 2 === 0 ? 1 : -1;
    run((share) =>
      onCuff(share, high + sign * 1.4 * Math.sin(24 * Math.PI * share), 0.2 * Math.cos(24 * Math.PI * share)),
    );
  }
  const mesh = weldEqual(
    { positions: Float64Array.from(positions), triangles: Uint32Array.from(triangles) },
    1,
  );
  const united = uniteFile(mesh, await loadEngine());
  if (!united) throw new Error('the wires must become one body');
  return writeBinaryStl(united.positions, united.triangles);
}
