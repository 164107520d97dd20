import type { PourDoc } from './pourDoc';

/** What is set whole: a reading too, whose number means nothing without how it was come by. */
type Leaf = string | number | boolean | null | undefined | { state: string };
type Keyed = readonly { key: string }[];

/** What stands one step below: an entry of a keyed list by its key, a field or an entry of a record by its name. */
type Below<T, K extends string> =
  NonNullable<T> extends Keyed
    ? NonNullable<T>[number]
    : K extends keyof NonNullable<T>
      ? NonNullable<T>[K]
      : never;

/** Steps that lead on from here; other lists are set whole. */
type Steps<T> = T extends Leaf
  ? never
  : T extends Keyed
    ? string
    : T extends readonly unknown[]
      ? never
      : keyof T & string;

/** Every path below `T` of up to so many steps as the counter has entries. */
type PathsOf<T, Depth extends readonly unknown[]> = Depth extends readonly [unknown, ...infer Left]
  ? Steps<NonNullable<T>> extends infer K
    ? K extends string
      ? readonly [K] | readonly [K, ...PathsOf<Below<T, K>, Left>]
      : never
    : never
  : never;

/** A path to a field of the pour's document: keyed lists are stepped into by key. */
export type PourPath = PathsOf<PourDoc, [1, 2, 3, 4, 5, 6]>;

type ValueAt<P extends readonly string[], T> = P extends readonly [
  infer K extends string,
  ...infer Rest extends readonly string[],
]
  ? Rest extends readonly []
    ? Below<T, K>
    : ValueAt<Rest, Below<T, K>>
  : never;

/** The same, whoever holds it: nothing of it is written into. */
type Held<T> = T extends Leaf ? T : { readonly [K in keyof T]: Held<T[K]> };

/** What may stand at a path. */
export type PourValue<P extends readonly string[]> = Held<ValueAt<P, PourDoc>>;
