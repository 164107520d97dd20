import { pourCastSigns } from './castSigns';
import { pouredAt, readingValue } from '@zero-pour/contracts';
import { formatQuantity, formatValue, HOUR_MS, quantity, say, type UnitChoice } from '@zero-pour/core';
import { attempt } from '../attempt';
import { beginning, DETAIL_NONE } from '../moment';
import { valueOf } from '../planned';
import { QUIET, type Sight, type Stage } from '../stage';
import { ofFlask, readLine, type TicketLine, type TicketPart } from '../ticketLine';
import { meltsAtH } from './melt';
import { MELT, ZERO } from '../week/kilnNames';
import { openWork } from './openWork';
import { planTemperatures } from './temperaturePlan';

/** Flask and metal of the first flask, as read or as planned. */
function lineOf({ context, of }: Sight, choice: UnitChoice): string {
  const plan = of('pour').map(valueOf)[0];
  if (!plan) return '';
  const read = context.flasks[0]?.decided.pour;
  const flask = readingValue(read?.flaskRead) ?? plan.flaskC;
  const metal = readingValue(read?.metalRead) ?? plan.metalC;
  return `${formatValue({ value: flask, unit: 'degC' }, choice)} / ${formatQuantity({ value: metal, unit: 'degC' }, choice)}`;
}

const setLines = ({ context, of }: Sight): TicketLine[] =>
  of('pour').flatMap((planned, i): TicketLine[] => {
    const plan = valueOf(planned);
    return plan
      ? [
          {
            label: ofFlask('Flask / metal', context, i),
            kind: 'pair',
            figures: [plan.flaskFigure, plan.metalFigure],
          },
        ]
      : [];
  });

const readParts = ({ context }: Sight): TicketPart[] =>
  context.flasks.map(({ decided: { pour } }, flask): TicketPart => ({
    section: 'Temperatures',
    flask,
    lines: [
      readLine('Flask', pour.flaskRead, (value) => say`${quantity(value, 'degC')}`),
      readLine('Metal', pour.metalRead, (value) => say`${quantity(value, 'degC')}`),
      readLine('Vacuum', pour.vacuumKpa, (value) => say`${quantity(value, 'kPa')}`),
    ],
  }));

export const pour: Stage<'pour'> = {
  ...QUIET,
  castEvidence: pourCastSigns,
  key: 'pour',
  plan: ({ context }) => context.flasks.map((hung) => attempt(() => planTemperatures(context, hung))),
  isDone: ({ doc }) => pouredAt(doc) !== undefined,
  line: lineOf,
  ticket: (sight) => [
    ...(pouredAt(sight.context.doc) === undefined ? [] : readParts(sight)),
    { section: 'Set', lines: setLines(sight) },
  ],
  work: openWork,
  moments: ({ context: { doc, alloy, settings } }, clock) => {
    if (!clock?.burnout) return [];
    const done = pouredAt(doc) !== undefined;
    const metal = alloy ? say`${alloy.name}` : DETAIL_NONE;
    const hands = clock.burnout.curve.segments.flatMap((segment) => segment.hands);
    const melt = clock.kilnIn + meltsAtH(settings, hands, clock.kilnH) * HOUR_MS;
    return [
      { stage: 'pour', at: melt, what: say`Melt`, detail: metal, done, step: MELT },
      { stage: 'pour', at: clock.zero, what: say`Zero: pour`, detail: metal, done, step: ZERO },
      ...beginning(
        'pour',
        clock.begins['quench'],
        say`Open in water`,
        say`after its wait, with eyes and hands covered`,
      ),
    ];
  },
};
