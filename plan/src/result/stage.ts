import { becameOf, pouredAt, workMinutesOf } from '@zero-pour/contracts';
import { countOutcomes, say } from '@zero-pour/core';
import type { PourContext } from '../context';
import { beginning } from '../moment';
import { castPieces } from '../pieces';
import { QUIET, type Stage } from '../stage';
import { wordsLine } from '../ticketLine';
import { handsOn } from '../times/stageWork';

const outcomes = (context: PourContext) =>
  castPieces(context).map(({ key }) => becameOf(context.doc.result.castings[key]));

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
  moments: (_, clock) => [
    ...beginning(
      'result',
      clock?.begins['divest'],
      say`Clear of plaster`,
      say`wet, and with a dust mask`,
      'divest',
    ),
    ...beginning('result', clock?.begins['finish'], say`Cut off`, undefined, 'finish'),
  ],
  // Cutting off, after plaster is cleared of what was opened in water; when, is nobody's hurry.
  work: ({ context: { alloy, settings, flasks } }) => [
    ...(alloy?.divest === 'quench'
      ? [
          handsOn('divest', 'divest', 'finish', workMinutesOf(settings, 'divest') * flasks.length, {
            breakable: true,
          }),
        ]
      : []),
    handsOn('finish', 'cut off', 'finish', workMinutesOf(settings, 'finish') * flasks.length, {
      breakable: true,
    }),
  ],
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
