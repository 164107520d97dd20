/** A JSON object of unknown shape. */
export type Tree = Record<string, unknown>;
export const isTree = (value: unknown): value is Tree =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
export const tree = (value: unknown): Tree => (isTree(value) ? value : {});
export const list = (value: unknown): Tree[] => (Array.isArray(value) ? value.filter(isTree) : []);

export const without = (from: Tree, ...keys: string[]): Tree =>
  Object.fromEntries(Object.entries(from).filter(([key]) => !keys.includes(key)));
export const defined = (from: Tree): Tree =>
  Object.fromEntries(Object.entries(from).filter(([, value]) => value !== undefined && value !== null));
