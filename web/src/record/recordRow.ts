import { becameOf, type Pour } from '@zero-pour/contracts';
import { countOutcomes, flawWords } from '@zero-pour/core';
import { castPieces, planPour, pourTitle, type Shop } from '@zero-pour/plan';

/** A pour in a line of the record: what it is, and what came of it; "–" where nothing is told. */
export interface RecordRow {
  pour: Pour;
  title: string;
  alloy: string;
  resin: string;
  /** "3 of 4". */
  result: string;
  flaws: string;
}

export function recordRow(pour: Pour, shop: Shop): RecordRow {
  const { context } = planPour(pour, shop);
  const { castings } = pour.doc.result;
  // Of an old record what was cast may be a name alone: then its castings are all that is told.
  const keys = pour.doc.scrap ? Object.keys(castings) : castPieces(context).map(({ key }) => key);
  const count = countOutcomes(keys.map((key) => becameOf(castings[key])));
  const kinds = new Set(Object.values(castings).flatMap(({ flaws }) => flaws.map(({ kind }) => kind)));
  return {
    pour,
    title: pourTitle(context),
    alloy: context.alloy?.name ?? '–',
    resin: context.resin?.name ?? '–',
    result: count.judged > 0 ? `${count.sellable} of ${count.total}` : '–',
    flaws: [...kinds].map(flawWords).join(', '),
  };
}
