import type { PourDoc } from '@zero-pour/contracts';
import type { Gates } from '@zero-pour/core';
import type { Point, ViewShape } from '../../pattern';

type LineGates = NonNullable<PourDoc['wayUp']['lines'][string]['gates']>;
export type PlacedGate = NonNullable<LineGates['placed']>[number];

/** Out of the face with these corners. */
export function normalOf({ positions }: Pick<ViewShape, 'positions'>, vertices: Point): Point {
  const [a, b, c] = vertices.map((v) => [0, 1, 2].map((k) => positions[3 * v + k]!)) as [Point, Point, Point];
  const [u, v] = [b, c].map((p) => p.map((x, k) => x - a[k]!)) as [Point, Point];
  const cross = [0, 1, 2].map((k) => u[(k + 1) % 3]! * v[(k + 2) % 3]! - u[(k + 2) % 3]! * v[(k + 1) % 3]!);
  const length = Math.hypot(...cross) || 1;
  return cross.map((x) => x / length) as Point;
}

/** One more gate, as thick as the others are to be. */
export const newGate = (placeMm: Point, normal: Point, diameterMm: number): PlacedGate => ({
  key: crypto.randomUUID().slice(0, 8),
  placeMm,
  normal,
  section: { widthMm: diameterMm, heightMm: diameterMm },
});

/** How long a gate is until somebody says: short, 1.5 diameters. */
const usualLength = (diameterMm: number): number => Math.round(3 * diameterMm) / 2;

/** The line's gates with these places: as many as there are, as thick as they are on the average by their section. */
export function withPlaced(gates: Gates, placed: readonly PlacedGate[]): LineGates {
  if (placed.length === 0) return { ...gates, placed: [] };
  const area = placed.reduce((sum, { section }) => sum + section.widthMm * section.heightMm, 0);
  const diameterMm = Math.round(1000 * Math.sqrt(area / placed.length)) / 1000;
  return {
    count: placed.length,
    diameterMm,
    lengthMm: gates.lengthMm > 0 ? gates.lengthMm : usualLength(diameterMm),
    placed: [...placed],
  };
}
