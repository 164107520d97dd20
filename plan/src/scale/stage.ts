import { formatNumber } from '@zero-pour/core';
import { attempt } from '../attempt';
import { valueOf, type Planned } from '../planned';
import { QUIET, type Stage } from '../stage';
import { figureLine, type TicketLine } from '../ticketLine';
import { planScale, type ScalePlan } from './planScale';

const printedSize = (planned: Planned<ScalePlan>): TicketLine[] => {
  const printMm = valueOf(planned)?.printMm;
  return printMm ? [{ label: printMm.name, kind: 'figure', figure: printMm }] : [];
};

export const scale: Stage<'scale'> = {
  ...QUIET,
  key: 'scale',
  // One kiln brings all flasks to one temperature: the first one's.
  plan: ({ context, of }) => attempt(() => planScale(context, of('pour').map(valueOf)[0])),
  isDone: ({ doc, resin, alloy }) =>
    doc.scale.way === 'percent'
      ? doc.scale.percent !== undefined
      : resin !== undefined && alloy !== undefined,
  line: ({ of }) => {
    const percent = valueOf(of('scale'))?.percent.value;
    return percent === undefined ? '' : `${percent >= 100 ? '+' : ''}${formatNumber(percent - 100, 2)} %`;
  },
  ticket: ({ of }) => [
    {
      section: 'Set',
      lines: [figureLine('Scale', of('scale'), (plan) => plan.percent), ...printedSize(of('scale'))],
    },
  ],
};
