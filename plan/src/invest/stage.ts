import { investCastSigns } from './castSigns';
import { formatQuantity, formatValue, quantity, say } from '@zero-pour/core';
import { attempt } from '../attempt';
import { beginning } from '../moment';
import { valueOf } from '../planned';
import { QUIET, type Stage } from '../stage';
import { figureLine, wordsLine, type TicketLine } from '../ticketLine';
import { investWork } from './investWork';
import { planMix, type MixPlan } from './mixPlan';

const mixed = ({ ratio, water, boric }: MixPlan): TicketLine[] => [
  { label: `Water ${ratio.toFixed(2)}`, kind: 'figure', figure: water },
  boric ? { label: 'Boric acid', kind: 'figure', figure: boric } : wordsLine('Boric acid', say`none`),
];

export const invest: Stage<'invest'> = {
  ...QUIET,
  castEvidence: investCastSigns,
  key: 'invest',
  plan: ({ context, of }) =>
    attempt(() => {
      const hung = of('sprue');
      return planMix(
        context,
        context.flasks.map((flask, i) => ({ context: flask, tree: hung[i]!.tree })),
      );
    }),
  isDone: ({ doc }) => doc.invest.doneAt !== undefined,
  line: ({ of }, choice) => {
    const mix = valueOf(of('invest'));
    return mix
      ? `${formatValue({ ...mix.powder, digits: 0 }, choice)} + ${formatQuantity(mix.water, choice)}`
      : '';
  },
  ticket: ({ of }) => {
    const planned = of('invest');
    const mix = valueOf(planned);
    return [
      {
        section: 'Mix',
        lines: [figureLine('Powder', planned, ({ powder }) => powder), ...(mix ? mixed(mix) : [])],
      },
    ];
  },
  work: investWork,
  moments: ({ of }, clock) => {
    const mix = valueOf(of('invest'));
    return mix
      ? beginning(
          'invest',
          clock?.begins.invest,
          say`Mix ${quantity(mix.powder.value, 'g', 0)} + ${quantity(mix.water.value, 'g', 0)}`,
          say`powder + water`,
        )
      : beginning('invest', clock?.begins.invest, say`Mix and invest`);
  },
};
