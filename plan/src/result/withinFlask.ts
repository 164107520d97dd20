import { becameOf, type HungAt } from '@zero-pour/contracts';
import { betterChance } from '@zero-pour/core';
import type { FlaskContext, PourContext } from '../context';
import type { PlannedPiece } from '../pieces';

/** Pieces that are alike in one thing: what it is, and how many of those that were looked at are sellable. */
export interface AlikePieces {
  says: string;
  good: number;
  n: number;
}

/** One thing in which the pieces of a flask differ, the best of it first. */
export interface FlaskDifference {
  flask: number;
  what: string;
  groups: AlikePieces[];
  /** P(the first comes out more often than the last). */
  better: number;
  /** What else is not alike between the first and the last: any of it may be behind it. */
  also: string[];
}

/** A thing that is told of a piece; undefined: not told. */
type Trait = [what: string, of: (piece: PlannedPiece) => string | undefined];

function traitsOf({ doc }: PourContext, { decided, pieces }: FlaskContext): Trait[] {
  const hung = new Map<string, HungAt>((decided.sprue.hung ?? []).map((one) => [one.key, one]));
  const heights = [...new Set(pieces.flatMap(({ key }) => hung.get(key)?.heightMm ?? []))].sort((a, b) => a - b); // prettier-ignore
  const middle = heights[Math.floor(heights.length / 2)];
  return [
    ['pattern', ({ pattern }) => pattern.name],
    ['gates', ({ line }) => gatesSay(doc.wayUp.lines[line]?.gates)],
    ['way up at the print', ({ line }) => turnSays(doc.wayUp.lines[line]?.rotation)],
    ['print', ({ key }) => doc.print.pieces[key]?.outcome],
    ['expected at Clean', ({ key }) => doc.clean.pieces?.[key]?.expect],
    ['height on the tree', ({ key }) => heightSays(hung.get(key)?.heightMm, heights.length > 1 ? middle : undefined)], // prettier-ignore
  ];
}
const gatesSay = (gates: { count: number; diameterMm: number } | undefined): string | undefined =>
  gates && `${gates.count} of ${gates.diameterMm} mm`;
const turnSays = (turn: { xDeg: number; yDeg: number; zDeg: number } | undefined): string | undefined =>
  turn && `turned ${turn.xDeg}, ${turn.yDeg}, ${turn.zDeg}°`;
const heightSays = (mm: number | undefined, middle: number | undefined): string | undefined =>
  mm === undefined || middle === undefined ? undefined : mm < middle ? 'low' : 'high';

/** Whether a trait is of one and the same value in two lists of pieces, and told of all of them. */
const alike = (of: Trait[1], a: readonly PlannedPiece[], b: readonly PlannedPiece[]): boolean =>
  new Set([...a, ...b].map(of)).size === 1;

/**
 * What the castings of each flask say of the things in which they differ (handbook 08, "Within one flask first"): they share
 * metal, powder, kiln and vacuum, which pours do not. Only pieces that were looked at count; a trait that is not told of a piece
 * leaves it out of that comparison.
 */
export function compareWithinFlasks(context: PourContext): FlaskDifference[] {
  return context.flasks.flatMap((flask, at) => {
    const looked = flask.pieces.filter(({ key }) => becameOf(context.doc.result.castings[key]) !== undefined);
    const traits = traitsOf(context, flask);
    return traits.flatMap(([what, of]): FlaskDifference[] => {
      const byValue = new Map<string, PlannedPiece[]>();
      for (const piece of looked) {
        const value = of(piece);
        if (value !== undefined) byValue.set(value, [...(byValue.get(value) ?? []), piece]);
      }
      if (byValue.size < 2) return [];
      const good = (pieces: readonly PlannedPiece[]): number =>
        pieces.filter(({ key }) => becameOf(context.doc.result.castings[key]) === 'sellable').length;
      const ranked = [...byValue].sort(([, a], [, b]) => good(b) / b.length - good(a) / a.length);
      const [first, last] = [ranked[0]![1], ranked.at(-1)![1]];
      return [
        {
          flask: at,
          what,
          groups: ranked.map(([says, pieces]) => ({ says, good: good(pieces), n: pieces.length })),
          better: betterChance({ good: good(last), n: last.length }, { good: good(first), n: first.length }),
          also: traits.filter((other) => other[0] !== what && !alike(other[1], first, last)).map(([name]) => name), // prettier-ignore
        },
      ];
    });
  });
}
