/** A name that a line may say whole or in part. */
interface Named {
  name: string;
}

/** Words of a name: "14 ct yellow gold" is "14ct", "yellow", "gold". */
export const wordsOf = (name: string): string[] =>
  name
    .toLowerCase()
    .replace(/(\d+)\s*(?:ct|kt|k)\b/g, '$1ct')
    .split(/[\s·,/()-]+/)
    .filter(Boolean);

/** Words of metals that the trade says in another way. */
const ALSO: Readonly<Record<string, readonly string[]>> = {
  pink: ['rose'],
  red: ['rose'],
  ss: ['sterling'],
  pt: ['platinum'],
  pd: ['palladium'],
};

export interface NamesFound<T> {
  /** Everything whose name has all the words that were said. */
  fitting: T[];
  /** Words that belong to such names. */
  said: string[];
}

/**
 * What is named by some words: those things whose names have all of the words that any name has. One that is named whole,
 * with nothing left over, is meant alone.
 */
export function namesIn<T extends Named>(words: readonly string[], list: readonly T[]): NamesFound<T> {
  const known = new Set(list.flatMap(({ name }) => wordsOf(name)));
  const said = words.filter((word) => known.has(word) || ALSO[word]?.some((other) => known.has(other)));
  if (said.length === 0) return { fitting: [], said };
  const has = (of: readonly string[], word: string): boolean =>
    of.includes(word) || (ALSO[word]?.some((other) => of.includes(other)) ?? false);
  const fitting = list.filter(({ name }) => said.every((word) => has(wordsOf(name), word)));
  const whole = fitting.filter(({ name }) => wordsOf(name).length === new Set(said).size);
  return { fitting: whole.length === 1 ? whole : fitting, said };
}
