import { list, tree, type Tree } from './tree';

/** A line of a brief as far as its pieces are numbered through it. */
export interface NumberedLine {
  key: string;
  count: number;
}

/** What decided how pieces were numbered in version 1. */
export interface Numbering {
  lines: readonly NumberedLine[];
  spares: number;
  /** By a mold route a line is printed once, as a master, and its castings are waxes. */
  castsWax: boolean;
  /** Verdicts after cleaning, by the piece's name. */
  verdicts: Tree;
}

/** Routes of version 1 that burn out the print itself; its others cast wax. */
const BURNS_PRINT = 'burn out the print';
/** Verdicts of version 1 with which a piece went into the flask. */
const WENT: readonly unknown[] = ['cast', 'test', 'mend'];

export const castWax = (brief: Tree): boolean => brief['route'] !== BURNS_PRINT;
export const countOf = (line: Tree): number => Math.max(0, Math.floor(Number(line['count']) || 0));

const upTo = (n: number): number[] => Array.from({ length: n }, (_, i) => i + 1);

/** Name of the printed piece of each number from 1: through the lines in order, spares of each line included. */
export function namesOfPrints({ lines, spares, castsWax }: Omit<Numbering, 'verdicts'>): string[] {
  return lines.flatMap(({ key, count }) =>
    upTo((castsWax ? 1 : count) + spares).map((copy) => (castsWax ? `${key}/m${copy}` : `${key}/${copy}`)),
  );
}

/**
 * Name of the casting of each number from 1: through the lines in order. Pieces that went into the flask filled a line's
 * castings in order; where that is not told for all of them, the copies that are left follow in order.
 */
export function namesOfCastings({ lines, spares, castsWax, verdicts }: Numbering): string[] {
  return lines.flatMap(({ key, count }) => {
    const copies = upTo(castsWax ? count : count + spares).map((copy) => `${key}/${copy}`);
    const went = castsWax ? [] : copies.filter((name) => WENT.includes(tree(verdicts[name])['verdict']));
    const others = copies.filter((name) => !went.includes(name));
    const judged = (name: string): boolean => verdicts[name] !== undefined;
    return [...went, ...others.filter((n) => !judged(n)), ...others.filter(judged)].slice(0, count);
  });
}

/** A record by number as one by name; what has a number beyond the last name is not lost, it follows on its line. */
export function byName(record: unknown, names: readonly string[], fallbackLine: string): Tree {
  return Object.fromEntries(
    Object.entries(tree(record)).map(([number, entry]) => [
      names[Number(number) - 1] ?? `${fallbackLine}/${Math.min(999, 500 + Number(number))}`,
      entry,
    ]),
  );
}

/** Lines of a version 1 brief, named in their order. */
export const nameLines = (brief: Tree): (NumberedLine & { patternId: unknown })[] =>
  list(brief['patterns']).map((line, i) => ({
    key: `l${i + 1}`,
    patternId: line['patternId'],
    count: countOf(line),
  }));
