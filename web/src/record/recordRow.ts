import type { RecordLine } from '@zero-pour/contracts';
import { flawWords } from '@zero-pour/core';

/** A line of the record in words; "–" where nothing is told. */
export interface RecordRow {
  line: RecordLine;
  title: string;
  alloy: string;
  resin: string;
  /** "3 of 4". */
  result: string;
  flaws: string;
}

export function recordRow(line: RecordLine): RecordRow {
  const { castings } = line;
  return {
    line,
    title: line.title,
    alloy: line.alloy ?? '–',
    resin: line.resin ?? '–',
    result: castings.judged > 0 ? `${castings.sellable} of ${castings.total}` : '–',
    flaws: line.flaws.map(flawWords).join(', '),
  };
}
