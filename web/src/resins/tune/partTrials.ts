import type { Trial } from '@zero-pour/contracts';
import type { TunedClass } from '@zero-pour/core';
import type { TuningOf } from '@zero-pour/plan';

type Part = NonNullable<Trial['part']>;

/** What is typed of parts that failed or stood. */
export interface PartSeen extends Omit<Part, 'good' | 'of'> {
  /** "10, 15, 20": each a trial. */
  seconds: string;
  good: number | undefined;
  of: number | undefined;
  vatC: Trial['vatC'];
  printedAt: string;
  base: Trial['base'];
}

/** An empty entry for a class; everything else as in `from`, a trial at these settings. */
export const newPartSeen = (of: TuningOf, from: Trial): PartSeen => ({
  patternId: null,
  name: '',
  castClass: of === 'base' ? 'standard' : (of satisfies TunedClass),
  thinnestMm: null,
  seconds: String(from.exposureS),
  good: undefined,
  of: undefined,
  vatC: from.vatC,
  printedAt: from.printedAt,
  base: null,
});

/** An entry as it was kept, to be changed. */
export const seenOf = (trial: Trial & { part: Part }): PartSeen => ({
  ...trial.part,
  seconds: String(trial.exposureS),
  vatC: trial.vatC,
  printedAt: trial.printedAt,
  base: trial.base,
});

const SECONDS_MOST = 12;

/** One or several exposures: "10, 15 and 20 s". */
export function readSeconds(
  text: string,
): { status: 'read'; seconds: number[] } | { status: 'unreadable'; reason: string } {
  const words = text
    .replace(/\b(?:and|s|sec|seconds)\b|[;/]/g, ' ')
    .split(/,\s+|\s+/)
    .filter((word) => word !== '');
  const seconds = words.map((word) => Number(word.replace(/s$/, '').replace(',', '.')));
  if (words.length === 0) return { status: 'unreadable', reason: 'At how many seconds?' };
  if (words.length > SECONDS_MOST || seconds.some((s) => !(s > 0)))
    return { status: 'unreadable', reason: 'Seconds, one or several: 10, 15, 20.' };
  return { status: 'read', seconds: [...new Set(seconds)] };
}

/** A trial for each exposure; the first keeps the id of what it was made from. */
export function partTrials(from: Trial, seen: PartSeen): Trial[] {
  const { seconds, good, of, vatC, printedAt, base, ...part } = seen;
  const read = readSeconds(seconds);
  if (read.status === 'unreadable' || good === undefined || of === undefined) return [];
  return read.seconds.map((exposureS, n) => ({
    ...from,
    id: n === 0 ? from.id : crypto.randomUUID(),
    exposureS,
    vatC,
    printedAt,
    base,
    coupon: { ...from.coupon, classes: [] },
    counts: {},
    widths: [],
    part: { ...part, name: part.name.trim(), good, of },
  }));
}
