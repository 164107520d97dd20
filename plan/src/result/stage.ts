import { pouredAt } from '@zero-pour/contracts';
import { countOutcomes, say } from '@zero-pour/core';
import type { PourContext } from '../context';
import { castPieces } from '../pieces';
import { QUIET, type Stage } from '../stage';
import { wordsLine } from '../ticketLine';

const outcomes = (context: PourContext) =>
  castPieces(context).map(({ key }) => context.doc.result.castings[key]?.outcome);

export const result: Stage<'result'> = {
  ...QUIET,
  key: 'result',
  isDone: (context) => {
    if (context.doc.result.doneAt !== undefined) return true;
    const all = outcomes(context);
    return context.parts.length > 0 && all.length > 0 && all.every((outcome) => outcome !== undefined);
  },
  line: ({ context }) => {
    const count = countOutcomes(outcomes(context));
    return count.judged > 0 ? `${count.sellable} of ${count.total} sellable` : '';
  },
  ticket: ({ context }) => {
    if (pouredAt(context.doc) === undefined) return [];
    const count = countOutcomes(outcomes(context));
    return [
      {
        section: 'Castings',
        lines: [
          wordsLine('Sellable', say`${count.sellable} of ${count.total}`),
          wordsLine('Repairable', say`${count.repairable}`),
          wordsLine('Scrap', say`${count.scrap}`),
        ],
      },
    ];
  },
};
