import { z } from 'zod';
import type { PourDoc } from './pourDoc';

/** One field set (or, with null, taken away) at a path below the pour document. */
export const fieldChangeSchema = z.strictObject({
  path: z
    .array(
      z
        .string()
        .min(1)
        .max(60)
        .refine((key) => key !== '__proto__', 'not a field'),
    )
    .min(1)
    .max(5),
  value: z.json(),
});
export type FieldChange = z.infer<typeof fieldChangeSchema>;

/** Changes that go in one request; a longer list is sent in several. */
export const CHANGES_MAX = 200;
export const changesSchema = z.strictObject({ changes: z.array(fieldChangeSchema).min(1).max(CHANGES_MAX) });

/** Whether one path is the other's, or leads through it. */
export const pathsMeet = (a: readonly string[], b: readonly string[]): boolean =>
  a.slice(0, b.length).every((key, i) => key === b[i]);

type Tree = { [key: string]: unknown };
const isTree = (value: unknown): value is Tree =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

function setAt(tree: Tree, path: readonly string[], value: unknown): Tree {
  const [head, ...rest] = path;
  if (head === undefined) return tree;
  const { [head]: below, ...others } = tree;
  if (rest.length === 0) return value === null ? others : { ...tree, [head]: value };
  return { ...tree, [head]: setAt(isTree(below) ? below : {}, rest, value) };
}

/** Value at a path, or null when there is none: what undoing a change has to set. */
export function valueAt(doc: PourDoc, path: readonly string[]): unknown {
  let at: unknown = doc;
  for (const key of path) at = isTree(at) ? at[key] : undefined;
  return at ?? null;
}

/**
 * The document with the changes made, unchecked: the caller parses it with `pourDocSchema`.
 * Untouched branches are shared, the given document is not changed.
 */
export function applyChanges(doc: PourDoc, changes: readonly FieldChange[]): unknown {
  return changes.reduce<Tree>((tree, change) => setAt(tree, change.path, change.value), doc);
}
