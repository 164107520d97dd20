import { fieldChangeSchema, OVER_MOST, type FieldChange } from '@zero-pour/contracts';
import { dropKept, keptNames, readKept, shopKey, writeKept } from './shopKeys';

const START = 'unsent.';
const keyOf = (pourId: string): string => shopKey(START + pourId);

/**
 * Changes that the server has not acknowledged, in the order they were made, kept in this browser so that a reload
 * loses nothing; however many. The list is the browser's, not a window's: two windows on one pour add to the same one.
 */
export function readPending(pourId: string): FieldChange[] {
  const text = readKept(keyOf(pourId));
  if (text === null) return [];
  try {
    const list: unknown = JSON.parse(text);
    if (!Array.isArray(list)) return [];
    return list.flatMap((entry) => fieldChangeSchema.safeParse(entry).data ?? []);
  } catch {
    return [];
  }
}

/** Pours that have something waiting. */
export const poursWaiting = (): string[] => keptNames(START).map((name) => name.slice(START.length));

function keepPending(pourId: string, changes: readonly FieldChange[]): void {
  if (changes.length > 0) writeKept(keyOf(pourId), JSON.stringify(changes));
  else dropKept(keyOf(pourId));
}

const samePath = (a: readonly string[], b: readonly string[]): boolean =>
  a.join('\u0000') === b.join('\u0000');

/**
 * Adds a change; an earlier one of the same field is replaced, so that a typed word is one change. It goes over what the
 * first of them was typed over.
 */
export function mergeChange(changes: readonly FieldChange[], change: FieldChange): FieldChange[] {
  const earlier = changes.find((other) => samePath(other.path, change.path));
  const merged = earlier?.over ? { ...change, over: earlier.over } : change;
  return [...changes.filter((other) => other !== earlier), merged];
}

/**
 * Says of changes that are about to be sent that they may have arrived, whether or not an answer does: what is typed after them
 * goes over them too. Returns them as they are sent.
 */
export function markSent(pourId: string, sent: readonly FieldChange[]): FieldChange[] {
  const marked = new Map(sent.map((change) => [JSON.stringify(change), withSent(change)]));
  const pending = readPending(pourId);
  keepPending(
    pourId,
    pending.map((change) => marked.get(JSON.stringify(change)) ?? change),
  );
  return [...marked.values()];
}
const withSent = (change: FieldChange): FieldChange =>
  change.over && !change.over.some((known) => JSON.stringify(known) === JSON.stringify(change.value))
    ? { ...change, over: [...change.over, change.value].slice(-OVER_MOST) }
    : change;

/** Keeps a change until it is dropped. */
export const addPending = (pourId: string, change: FieldChange): void =>
  keepPending(pourId, mergeChange(readPending(pourId), change));

/** Forgets changes that were acknowledged or set aside; a field that was changed again meanwhile stays. */
export function dropPending(pourId: string, done: readonly FieldChange[]): void {
  const gone = new Set(done.map((change) => JSON.stringify(change)));
  keepPending(
    pourId,
    readPending(pourId).filter((change) => !gone.has(JSON.stringify(change))),
  );
}
