import { dequal } from 'dequal';
import { z } from 'zod';
import type { PourDoc } from './pourDoc';

/** So many of its own attempts a writer remembers of one field. */
export const OVER_MOST = 20;

/** One field set (or, with null, taken away) at a path below the pour document. */
export const fieldChangeSchema = z.strictObject({
  path: z
    .array(
      z
        .string()
        .min(1)
        .max(300)
        .refine((key) => key !== '__proto__', 'not a field'),
    )
    .min(1)
    .max(6),
  value: z.json(),
  /** Version of the document that the path is meant for; absent: 1, which did not say so. */
  version: z.number().int().positive().optional(),
  /**
   * What its writer knew to stand there: what was shown when it was typed, and what was sent of it since. Where something else
   * stands by now, it is refused and both are told. Absent: it goes over whatever stands there.
   */
  over: z.array(z.json()).max(OVER_MOST).optional(),
});
export type FieldChange = z.infer<typeof fieldChangeSchema>;

/** Changes that go in one request; a longer list is sent in several. */
export const CHANGES_MAX = 200;
export const changesSchema = z.strictObject({ changes: z.array(fieldChangeSchema).min(1).max(CHANGES_MAX) });

/** Changes of fields that hold by now what their writer neither knew nor meant; after another change of the same sending none is. */
export function clashesOf(doc: PourDoc, changes: readonly FieldChange[]): Map<FieldChange, unknown> {
  const clashes = new Map<FieldChange, unknown>();
  changes.forEach((change, i) => {
    const { path, value, over } = change;
    if (!over || changes.slice(0, i).some((earlier) => meet(earlier.path, path))) return;
    const stored = valueAt(doc, path);
    if (![value, ...over].some((known) => dequal(known, stored))) clashes.set(change, stored);
  });
  return clashes;
}
const meet = (a: readonly string[], b: readonly string[]): boolean => pathsMeet(a, b) || pathsMeet(b, a);

/** Whether one path is the other's, or leads through it. */
export const pathsMeet = (a: readonly string[], b: readonly string[]): boolean =>
  a.slice(0, b.length).every((key, i) => key === b[i]);

type Tree = { [key: string]: unknown };
const isTree = (value: unknown): value is Tree =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
/** Entries of a list that have keys are stepped into by their key, never by their place. */
const isKeyed = (value: unknown): value is ({ key: string } & Tree)[] =>
  Array.isArray(value) && value.every((entry) => isTree(entry) && typeof entry['key'] === 'string');

function setInTree(tree: Tree, [head, ...rest]: readonly [string, ...string[]], value: unknown): Tree {
  const { [head]: below, ...others } = tree;
  if (rest.length === 0) return value === null ? others : { ...tree, [head]: value };
  return { ...tree, [head]: setBelow(below, rest as [string, ...string[]], value) };
}

function setInList(
  list: readonly ({ key: string } & Tree)[],
  [key, ...rest]: readonly [string, ...string[]],
  value: unknown,
): unknown[] {
  const at = list.findIndex((entry) => entry.key === key);
  const others = list.filter((_, i) => i !== at);
  if (rest.length === 0 && value === null) return others;
  const entry =
    rest.length === 0 ? value : setInTree(list[at] ?? { key }, rest as [string, ...string[]], value);
  return at < 0 ? [...list, entry] : list.map((before, i) => (i === at ? entry : before));
}

const setBelow = (below: unknown, path: readonly [string, ...string[]], value: unknown): unknown =>
  isKeyed(below) ? setInList(below, path, value) : setInTree(isTree(below) ? below : {}, path, value);

/** Value at a path, or null when there is none: what undoing a change has to set. */
export function valueAt(doc: PourDoc, path: readonly string[]): unknown {
  let at: unknown = doc;
  for (const key of path)
    at = isKeyed(at) ? at.find((entry) => entry.key === key) : isTree(at) ? at[key] : undefined;
  return at ?? null;
}

/**
 * The document with the changes made, unchecked: the caller parses it with `pourDocSchema`. Branches that are not
 * touched are shared, the given document is not changed.
 */
export function applyChanges(doc: PourDoc, changes: readonly FieldChange[]): unknown {
  return changes.reduce<Tree>(
    (tree, { path, value }) =>
      path.length > 0 ? setInTree(tree, path as [string, ...string[]], value) : tree,
    doc,
  );
}
