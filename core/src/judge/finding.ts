import type { Weight } from './judgement';
import type { Phrase } from '../numeric';

/** A place on the part, for turning the view to it. mm, in the file's axes. */
export interface Place {
  at: [number, number, number];
  /** Size of what is there: width, or diameter of the mass. */
  sizeMm: number;
  /** Direction that it is best seen from, where the surface round it does not tell. */
  from?: [number, number, number];
}

/** Something about a part that decides whether it prints, casts and finishes (handbook 01, "Findings"). */
export interface Finding {
  /** Stable name of the rule. */
  rule: string;
  weight: Exclude<Weight, 'ok'> | 'note';
  /** Two to six words. */
  lead: string;
  /** The number, the limit, and why it matters. */
  why: Phrase;
  remedy: Phrase;
  /** Gravest first; empty when it concerns the whole part. */
  places: Place[];
}

const ORDER: readonly Finding['weight'][] = ['stop', 'fix', 'watch', 'note'];

/** Gravest first; the order within a weight is kept. */
export const sortFindings = (findings: readonly Finding[]): Finding[] =>
  [...findings].sort((a, b) => ORDER.indexOf(a.weight) - ORDER.indexOf(b.weight));

export const PLACES_MAX = 12;

const WORDS = [
  'No',
  'One',
  'Two',
  'Three',
  'Four',
  'Five',
  'Six',
  'Seven',
  'Eight',
  'Nine',
  'Ten',
  'Eleven',
  'Twelve',
];

/** "Three"; "14" above twelve. */
export const countWord = (count: number): string => WORDS[count] ?? String(count);

/** "Three places", "One place", "14 places". */
export const counted = (count: number, one: string, many = `${one}s`): string =>
  `${countWord(count)} ${count === 1 ? one : many}`;
