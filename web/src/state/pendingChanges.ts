import { changesSchema, type FieldChange } from '@zero-pour/contracts';

const keyOf = (pourId: string): string => `zero-pour.unsent.${pourId}`;

/**
 * Changes that the server has not acknowledged, in the order they were made, kept in this browser so that a reload
 * loses nothing. The list is the browser's, not a window's: two windows on one pour add to the same one.
 */
export function readPending(pourId: string): FieldChange[] {
  const text = localStorage.getItem(keyOf(pourId));
  if (text === null) return [];
  try {
    const parsed = changesSchema.safeParse({ changes: JSON.parse(text) });
    return parsed.success ? parsed.data.changes : [];
  } catch {
    return [];
  }
}

function keepPending(pourId: string, changes: readonly FieldChange[]): void {
  if (changes.length === 0) localStorage.removeItem(keyOf(pourId));
  else localStorage.setItem(keyOf(pourId), JSON.stringify(changes));
}

const samePath = (a: readonly string[], b: readonly string[]): boolean =>
  a.join('\u0000') === b.join('\u0000');

/** Adds a change; an earlier one of the same field is replaced, so that a typed word is one change. */
export function mergeChange(changes: readonly FieldChange[], change: FieldChange): FieldChange[] {
  return [...changes.filter((other) => !samePath(other.path, change.path)), change];
}

/** Keeps a change until it is dropped. */
export const addPending = (pourId: string, change: FieldChange): void =>
  keepPending(pourId, mergeChange(readPending(pourId), change));

/** Forgets changes that were acknowledged or refused; a field that was changed again meanwhile stays. */
export function dropPending(pourId: string, done: readonly FieldChange[]): void {
  const gone = new Set(done.map((change) => JSON.stringify(change)));
  keepPending(
    pourId,
    readPending(pourId).filter((change) => !gone.has(JSON.stringify(change))),
  );
}
