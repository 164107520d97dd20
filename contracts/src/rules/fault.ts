import { Refusal } from '../apiError';
import { placeWords } from '../placeWords';

/**
 * What is wrong between fields, or with a number that cannot have been measured. These rules are asked when something
 * is written, and only what a write newly makes wrong is refused: what is kept already is always read.
 */
export interface Fault {
  path: string[];
  /** What it is called on its form; absent: as its place says. */
  what?: string;
  why: string;
}

const same = (a: Fault) => (b: Fault) => a.why === b.why && a.path.join() === b.path.join();

/** Refuses the first fault that did not stand there before. */
export function refuseNewFaults(before: readonly Fault[], after: readonly Fault[]): void {
  const fresh = after.find((fault) => !before.some(same(fault)));
  if (fresh)
    throw new Refusal('BAD_REQUEST', { where: fresh.what ?? placeWords(fresh.path), why: fresh.why });
}

/** A fault where `holds` does not. */
export const unless = (holds: boolean, path: readonly (string | number)[], why: string): Fault[] =>
  holds ? [] : [{ path: path.map(String), why }];
