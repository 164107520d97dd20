import { wordsOf } from '../quick';

/** How a name was found: as it is, by what the trade also calls it, or because it is much like it. */
export type Likeness = 'same' | 'also called' | 'like';
export interface NameFound<T> {
  thing: T;
  how: Likeness;
}

/** Shares of letter pairs that two names must have in common to be taken for one, by trial on names as they are misspelt. */
const LIKE_LEAST = 0.6;

/** What metals are also called, by the name in the book. */
const METALS: readonly [said: RegExp, name: string][] = [
  [/^(?:ag ?925|925(?: silver)?|925 ag|sterling(?: silver)?|ss|ster\.?|silver)$/, 'Sterling silver'],
  [/^(?:fine silver|ag ?999|999 silver|pure silver)$/, 'Fine silver'],
  [/^(?:9 ?(?:ct|k|kt)|375)(?: ?(?:y|yellow|yg))?(?: gold)?$/, '9 ct yellow gold'],
  [/^(?:14 ?(?:ct|k|kt)|585)(?: ?(?:y|yellow|yg))?(?: gold)?$/, '14 ct yellow gold'],
  [/^(?:18 ?(?:ct|k|kt)|750)(?: ?(?:y|yellow|yg))?(?: gold)?$/, '18 ct yellow gold'],
  [/^(?:18 ?(?:ct|k|kt)|750) ?(?:r|rose|rg|pink|red)(?: gold)?$/, '18 ct rose gold'],
  [/^(?:22 ?(?:ct|k|kt)|916)(?: ?(?:y|yellow|yg))?(?: gold)?$/, '22 ct yellow gold'],
  [/^(?:14 ?(?:ct|k|kt)|585) ?(?:w|white|wg)(?: gold)?$/, '14 ct white gold, nickel'],
  [/^(?:18 ?(?:ct|k|kt)|750) ?(?:w|white|wg)(?: gold)?$/, '18 ct white gold, nickel'],
  [/^(?:tin bronze|bronze 90\/10|90\/10|phosphor bronze)$/, 'Tin bronze 90/10'],
  [/^(?:silicon bronze|si bronze|sibr)$/, 'Silicon bronze'],
  [/^(?:brass|yellow brass)$/, 'Yellow brass 70/30'],
  [/^pewter$/, 'Pewter 92/7/1'],
];

/** The name in the book of a metal as it is called at the bench; undefined for one that is not known by another name. */
export const metalCalled = (said: string): string | undefined => {
  const plain = said.trim().toLowerCase().replace(/\s+/g, ' ');
  return METALS.find(([pattern]) => pattern.test(plain))?.[1];
};

const plainOf = (name: string): string => wordsOf(name).join(' ');
/** Pairs of neighbouring letters. */
function pairsOf(text: string): Map<string, number> {
  const pairs = new Map<string, number>();
  for (let i = 0; i + 1 < text.length; i++) {
    const pair = text.slice(i, i + 2);
    pairs.set(pair, (pairs.get(pair) ?? 0) + 1);
  }
  return pairs;
}

/** How alike two names are, 0 to 1: twice the letter pairs that both have over those of both (Dice 1945). */
export function likeness(a: string, b: string): number {
  const [first, second] = [pairsOf(plainOf(a)), pairsOf(plainOf(b))];
  const count = (pairs: Map<string, number>): number => [...pairs.values()].reduce((sum, n) => sum + n, 0);
  const all = count(first) + count(second);
  if (all === 0) return plainOf(a) === plainOf(b) && a !== '' ? 1 : 0;
  let shared = 0;
  for (const [pair, n] of first) shared += Math.min(n, second.get(pair) ?? 0);
  return (2 * shared) / all;
}

/** Whether all words of one name begin the words of the other, in order: "skerry wax" of "Skerry Wax 55". */
function begins(said: string, name: string): boolean {
  const [short, long] = [wordsOf(said), wordsOf(name)];
  return short.length > 0 && short.length < long.length && short.every((word, i) => word === long[i]);
}

/** Whether a name is much like that of anything, be it of several. */
export const isLikeAny = (said: string, things: readonly { name: string }[]): boolean =>
  things.some(({ name }) => begins(said, name) || likeness(said, name) >= LIKE_LEAST);

/** The thing that a scrap means; undefined where none is like it, or two are alike. */
export function findLike<T extends { name: string }>(
  said: string,
  things: readonly T[],
): NameFound<T> | undefined {
  const same = things.find(({ name }) => plainOf(name) === plainOf(said));
  if (same) return { thing: same, how: 'same' };
  const called = metalCalled(said);
  const also = called && things.find(({ name }) => name === called);
  if (also) return { thing: also, how: 'also called' };
  const begun = things.filter(({ name }) => begins(said, name));
  if (begun.length === 1) return { thing: begun[0]!, how: 'like' };
  const [first, second] = things
    .map((thing) => ({ thing, share: likeness(said, thing.name) }))
    .sort((a, b) => b.share - a.share);
  if (!first || first.share < LIKE_LEAST || (second && second.share === first.share)) return undefined;
  return { thing: first.thing, how: 'like' };
}
