import type { Report } from './grids';
import type { Part, PartSolid } from './partSolid';
import type { BallTask, Grids } from './tasks';

/** What the reading of a part asks for as it goes: it is answered on the spot, or shared with another thread. */
export type Want =
  /** The part, before anything of it is read: another thread may begin. */
  | { kind: 'part'; solid: PartSolid; part: Part }
  /** Grids that balls will be asked for on. */
  | { kind: 'grids'; grids: Grids }
  | { kind: 'balls'; task: BallTask; tell: (share: number) => void }
  | { kind: 'readings'; report: Report };
/** A reading that asks as it goes. Answers: `Balls` to balls, `Readings` to readings. */
export type Reading<T> = Generator<Want, T, unknown>;
