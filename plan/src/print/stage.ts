import { formatQuantity, METRIC, quantity, say } from '@zero-pour/core';
import { attempt } from '../attempt';
import { beginning } from '../moment';
import { printedPieces } from '../pieces';
import { valueOf } from '../planned';
import { QUIET, type Sight, type Stage } from '../stage';
import { figureLine } from '../ticketLine';
import { printMoments } from './printMoments';
import { printWork } from './printWork';
import { planPrint } from './printPlan';
import { printSigns } from './printSigns';

/** How many came out good, once any is judged; until then how long it takes. */
function lineOf({ context, of }: Sight): string {
  const judged = context.doc.print.pieces;
  const pieces = printedPieces(context);
  if (pieces.some(({ key }) => judged[key] !== undefined))
    return `${pieces.filter(({ key }) => judged[key]?.outcome === 'good').length} of ${pieces.length} good`;
  const hours = valueOf(of('print'))?.hours.value;
  return hours === undefined ? '' : formatQuantity({ value: hours, unit: 'h' }, METRIC);
}

export const print: Stage<'print'> = {
  ...QUIET,
  key: 'print',
  plan: ({ context, of }) => attempt(() => planPrint(context, valueOf(of('scale')))),
  isDone: ({ doc }) => doc.print.finishedAt !== undefined,
  line: lineOf,
  ticket: ({ of }) =>
    of('print').status === 'known'
      ? [
          {
            section: 'Set',
            lines: [
              figureLine('Print time', of('print'), (plan) => plan.hours),
              figureLine('Resin', of('print'), (plan) => plan.resinG),
            ],
          },
        ]
      : [],
  moments: ({ context, of }, clock) => {
    const plan = valueOf(of('print'));
    return [
      ...beginning('print', clock?.begins['warm'], say`Warm the bottle`, undefined, 'warm'),
      ...beginning(
        'print',
        clock?.begins.print,
        say`Start the print`,
        plan &&
          say`${plan.copies} ${plan.copies === 1 ? 'part' : 'parts'}, ${quantity(plan.hours.value, 'h')}`,
      ),
      ...printMoments(context, plan),
    ];
  },
  work: printWork,
  evidence: printSigns,
};
