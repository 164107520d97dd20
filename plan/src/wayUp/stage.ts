import { wayUpCastSigns } from './castSigns';
import { formatQuantity } from '@zero-pour/core';
import { attemptOr } from '../attempt';
import { QUIET, type Stage } from '../stage';
import { cutSigns } from './cutSigns';
import { planGates } from './gatePlan';

export const wayUp: Stage<'wayUp'> = {
  ...QUIET,
  castEvidence: wayUpCastSigns,
  key: 'wayUp',
  plan: ({ context, of }) => attemptOr([], () => planGates(context, of('pour'))),
  isDone: ({ parts, doc }) =>
    parts.length > 0 && parts.every(({ key }) => doc.wayUp.lines[key]?.gates !== undefined),
  line: ({ of }, choice) => {
    const [first] = of('wayUp');
    if (!first) return '';
    const { count, diameterMm } = first.gates;
    const diameter = formatQuantity({ value: diameterMm, unit: 'mm', digits: 1 }, choice);
    return `${count} × ${diameter}${first.proposed ? ', proposed' : ''}`;
  },
  evidence: cutSigns,
};
