import type { WeldedMesh } from '../mesh';
import { pocketsTurned } from '../pattern';
import { findHeldSpots, type HeldSpot } from './heldSpots';
import { hangingPose } from './pose';

type Mesh = Pick<WeldedMesh, 'positions' | 'triangles'>;
type Place = [number, number, number];

/** How a part stands on its gate: upward from level, and turned about the gate. */
export interface Stand {
  tiltDeg: number;
  spinDeg: number;
}

/** What stays in a part as it stands on its gate. mm, in its own axes. */
export interface HungAir extends Stand {
  pockets: { at: Place; volumeMm3: number; depthMm: number }[];
  spots: HeldSpot[];
  /** Cups narrower than two of these are not seen. */
  cellMm: number;
}

/** Smaller bubbles leave a pit that polishing takes away. mm³ (*shop default* of ours). */
export const BUBBLE_MM3 = 0.2;
/** Cells of a box while many stands are tried; the one that is told is read on a finer one. */
const CELLS_TRYING = 3e5;
/** Angles at which parts are joined by eye (handbook 05), and turns about the gate that are tried. */
export const JOINED_TILTS_DEG = [30, 45, 60] as const;
const SPINS = 8;

const turnOf = (normal: Place, { tiltDeg, spinDeg }: Stand): readonly number[] =>
  hangingPose(
    { at: [0, 0, 0], normal, lengthMm: 0 },
    { angleDeg: 0, awayMm: 0, heightMm: 0, tiltDeg, spinDeg },
  ).turn;

/** Air pockets, inside corners and tips of a part for one stand on its gate (handbook 05). O(cells). */
export function readHungAir(mesh: Mesh, normal: Place, stand: Stand, cellsMost?: number): HungAir {
  const turn = turnOf(normal, stand);
  const found = pocketsTurned(mesh, turn, cellsMost);
  const pockets = found.pockets
    .filter(({ volumeMm3 }) => volumeMm3 >= BUBBLE_MM3)
    .map(({ at, volumeMm3, depthMm }) => ({ at, volumeMm3, depthMm }));
  return { ...stand, pockets, spots: findHeldSpots(mesh, turn), cellMm: found.cellMm };
}

/** What of two stands holds less: air first, then corners and tips. */
function holdsLess(a: HungAir, b: HungAir): boolean {
  const air = ({ pockets }: HungAir): number => pockets.reduce((sum, { volumeMm3 }) => sum + volumeMm3, 0);
  const by = air(a) - air(b);
  return Math.abs(by) > BUBBLE_MM3 ? by < 0 : a.spots.length < b.spots.length;
}

/**
 * The stand that holds least of the tilts that parts are joined at and of turns about the gate; the first wins among equals, so that
 * what stands well is left. O(stands × cells).
 */
export function bestStand(mesh: Mesh, normal: Place, now: Stand, tell?: (share: number) => void): HungAir {
  const stands = JOINED_TILTS_DEG.flatMap((tiltDeg) =>
    Array.from({ length: SPINS }, (_, n) => ({ tiltDeg, spinDeg: (now.spinDeg + (360 * n) / SPINS) % 360 })),
  );
  let best = readHungAir(mesh, normal, now, CELLS_TRYING);
  for (const [n, stand] of stands.entries()) {
    if (best.pockets.length === 0 && best.spots.length === 0) break;
    const one = readHungAir(mesh, normal, stand, CELLS_TRYING);
    if (holdsLess(one, best)) best = one;
    tell?.((n + 1) / stands.length);
  }
  return readHungAir(mesh, normal, best);
}
