import { dropKept, readKept, shopKey, writeKept } from './shopKeys';

/**
 * Which state of a whole thing this window has seen, by the address it is kept at: sent along with what is written over
 * it, so that what somebody else changed meanwhile is never written over unseen.
 */
const seen = new Map<string, number>();

export const revisionAt = (at: string): number | undefined => seen.get(at);
export const learnRevision = (at: string, revision: number): void => void seen.set(at, revision);
export function learnRevisions(all: Readonly<Record<string, number>>): void {
  for (const [at, revision] of Object.entries(all)) seen.set(at, revision);
}

const keyOf = (at: string): string => shopKey(`base.${at}`);

/** Remembers what an entry was typed over, until it is kept: a reload learns newer states that its writer never saw. */
export function rememberBase(at: string): void {
  const revision = seen.get(at);
  if (readKept(keyOf(at)) === null && revision !== undefined) writeKept(keyOf(at), String(revision));
}
/** An entry of an earlier window is sent over what it was typed over. */
export function recallBase(at: string): void {
  const kept = Number(readKept(keyOf(at)) ?? NaN);
  if (Number.isInteger(kept)) seen.set(at, kept);
}
export const forgetBase = (at: string): void => dropKept(keyOf(at));
