import { BallFinder, isSolid, refineInOrder, type Balls } from '../solid';
import { PartSolid, type FieldGrid, type Part } from './partSolid';
import { readBore, type Bore } from './readBore';
import { readGaps, type GapReading } from './readGaps';
import { HANG_TILTS_DEG, readPockets, type HangReading } from './readPockets';
import { readWays, type WaysReading } from './readWays';

/** Balls at some cells of a grid that was told before, under its name. */
export interface BallTask {
  kind: 'balls';
  grid: GridName;
  entries: Uint32Array;
  /** Balls smaller than this are looked at closely for thin bars. mm. */
  settleBelowMm: number;
}
export type GridName = 'mid' | 'fine';
export type Grids = Partial<Record<GridName, FieldGrid>>;

/** A piece of an analysis that hangs on nothing but the part: any thread that has the part may do it. */
export type Task = { kind: 'gaps' } | { kind: 'ways' } | { kind: 'hang'; xDeg: number } | BallTask;

export interface WaysAndBore extends WaysReading {
  bore: Bore | null;
}
export type Answer = GapReading | WaysAndBore | HangReading | Balls;

/** All that is read of a part beside its thickness and its masses. */
export interface Readings {
  gaps: GapReading;
  ways: WaysAndBore;
  hangs: HangReading[];
}
export const READINGS: readonly Task[] = [
  { kind: 'gaps' },
  { kind: 'ways' },
  ...HANG_TILTS_DEG.map((xDeg): Task => ({ kind: 'hang', xDeg })),
];
/** Answers to READINGS, in their order. */
export const readingsOf = ([gaps, ways, ...hangs]: readonly Answer[]): Readings =>
  ({ gaps, ways, hangs }) as Readings;

/** Σ over closed shells of V − E + F = 2 − 2g, with E = 3F/2; null where that says nothing. */
export function genusOf(measure: Part['measure']): number | null {
  const { closed, overlapMm3, crowdedEdges, vertices, triangles, shells } = measure;
  if (!closed || overlapMm3 !== 0 || crowdedEdges !== 0) return null;
  return Math.max(0, Math.round(shells - (vertices - triangles / 2) / 2));
}

/** Does one task. `tell` hears now and then which share of the cells of a ball task is done. */
export function doTask(solid: PartSolid, grids: Grids, task: Task, tell?: (share: number) => void): Answer {
  const { part } = solid;
  switch (task.kind) {
    case 'gaps':
      return readGaps(solid);
    case 'ways': {
      const ways = readWays(
        part.mesh,
        solid.bounds,
        solid.resolution.coarseMm,
        solid.tree,
        genusOf(part.measure),
      );
      return { ...ways, bore: readBore(part.mesh, ways.holes) };
    }
    case 'hang':
      return readPockets(part.mesh, { xDeg: task.xDeg, yDeg: 0, zDeg: 0 });
    case 'balls':
      return refineInOrder(finderOn(solid, grids[task.grid]!, task), task.entries, tell);
  }
}

const finders = new WeakMap<Uint16Array, BallFinder>();

/** The finder of a grid's balls: kept from task to task, since neighbours lead to the same middles. */
function finderOn(
  { fine, tree }: PartSolid,
  { bricks, field }: FieldGrid,
  { settleBelowMm }: BallTask,
): BallFinder {
  const known = finders.get(field);
  if (known) return known;
  // The finest rays tell what lies beyond an edge.
  const sameSide = (x: number, y: number, z: number): boolean => isSolid(fine, x, y, z);
  const finder = new BallFinder(bricks, field, tree, { settleBelowMm, sameSide });
  finders.set(field, finder);
  return finder;
}

/** What the thread beside is told: the part first, grids as there are any, and what it is to do. */
export type SideMessage = { part: Part } | { grids: Grids } | { task: Task };

/** The thread beside: makes of the part what its own readings need, and does what it is told of it. */
export function makeSide(): (message: SideMessage) => Answer | null {
  let solid: PartSolid | undefined;
  let grids: Grids = {};
  return (message) => {
    if ('part' in message) solid = new PartSolid(message.part);
    else if ('grids' in message) grids = { ...grids, ...message.grids };
    else if (solid) return doTask(solid, grids, message.task);
    return null;
  };
}
