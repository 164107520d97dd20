import { learnRevision, revisionAt } from '../api/revisions';
import { dropKept, readKept, shopKey, writeKept } from './shopKeys';

const keyOf = (at: string): string => shopKey(`base.${at}`);

/** Remembers what an entry was typed over, until it is kept: a reload learns newer states that its writer never saw. */
export function rememberBase(at: string): void {
  const revision = revisionAt(at);
  if (readKept(keyOf(at)) === null && revision !== undefined) writeKept(keyOf(at), String(revision));
}
/** An entry of an earlier window is sent over what it was typed over. */
export function recallBase(at: string): void {
  const kept = readKept(keyOf(at));
  if (kept !== null) learnRevision(at, Number(kept));
}
export const forgetBase = (at: string): void => dropKept(keyOf(at));
