import type { PourDoc, PourGate } from '@zero-pour/contracts';
import { gatesTogether, type Gates } from '@zero-pour/core';
import type { Point, ViewShape } from '../../pattern';

type LineGates = NonNullable<PourDoc['wayUp']['lines'][string]['gates']>;

/** Out of the face with these corners. */
export function normalOf({ positions }: Pick<ViewShape, 'positions'>, vertices: Point): Point {
  const [a, b, c] = vertices.map((v) => [0, 1, 2].map((k) => positions[3 * v + k]!)) as [Point, Point, Point];
  const [u, v] = [b, c].map((p) => p.map((x, k) => x - a[k]!)) as [Point, Point];
  const cross = [0, 1, 2].map((k) => u[(k + 1) % 3]! * v[(k + 2) % 3]! - u[(k + 2) % 3]! * v[(k + 1) % 3]!);
  const length = Math.hypot(...cross) || 1;
  return cross.map((x) => x / length) as Point;
}

/** One more gate, as thick as the others are to be. */
export const newGate = (placeMm: Point, normal: Point, diameterMm: number): PourGate => ({
  key: crypto.randomUUID().slice(0, 8),
  placeMm,
  normal,
  section: { widthMm: diameterMm, heightMm: diameterMm },
});

const tidy = (value: number): number => Math.round(1000 * value) / 1000;

/** The line's gates with these places; with none, the numbers that were typed stand. */
export function withPlaced(gates: Gates, placed: readonly PourGate[]): LineGates {
  const { count, diameterMm, lengthMm } = placed.length > 0 ? gatesTogether(placed) : gates;
  return { count, diameterMm: tidy(diameterMm), lengthMm: tidy(lengthMm), placed: [...placed] };
}
