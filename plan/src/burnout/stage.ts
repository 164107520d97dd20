import { burnoutCastSigns } from './castSigns';
import { pouredAt } from '@zero-pour/contracts';
import { formatQuantity } from '@zero-pour/core';
import { attempt } from '../attempt';
import { valueOf } from '../planned';
import { QUIET, type Stage } from '../stage';
import { planBurnout } from './burnoutPlan';
import { houseMoments } from './house';
import { houseOf } from './houseOf';
import { kilnMoments } from './kilnMoments';

export const burnout: Stage<'burnout'> = {
  ...QUIET,
  castEvidence: burnoutCastSigns,
  key: 'burnout',
  // One kiln brings all flasks to one temperature: the first one's is the programme's.
  plan: ({ context, of }) => attempt(() => planBurnout(context, of('pour').map(valueOf)[0])),
  isDone: ({ doc }) => pouredAt(doc) !== undefined,
  line: ({ of }, choice) => {
    const plan = valueOf(of('burnout'));
    return plan ? formatQuantity({ value: plan.curve.totalH, unit: 'h' }, choice) : '';
  },
  moments: ({ context }, clock) => {
    if (!clock) return [];
    const house = houseOf(context);
    if (house) return houseMoments(context, house, clock.kilnIn, clock.zero);
    return clock.burnout ? kilnMoments(context, clock, clock.burnout) : [];
  },
};
