import { say } from '@zero-pour/core';
import type { PourContext } from '../context';
import type { Moment } from '../moment';
import type { PourClock } from '../stage';
import { waxesLeft } from './moldOfPour';
import { stepsAhead, waxesWords, workKeyOf } from './moldWork';

/** What a pour asks of hands for its mold, where it contains the making, and for its waxes. */
export function moldMoments(context: PourContext, { begins }: Pick<PourClock, 'begins'>): Moment[] {
  const { mold: things } = context;
  if (!things) return [];
  const { mold } = things;
  const making = stepsAhead(mold, things).flatMap((step): Moment[] => {
    const at = begins[workKeyOf(step)];
    if (at === undefined || step.attendance === 'none') return [];
    return [
      {
        stage: 'brief',
        at,
        what: say`${step.name}`,
        detail: say`${mold.name}`,
        done: false,
        mold: { id: mold.id, step: step.key },
        step: workKeyOf(step),
      },
    ];
  });
  const waxAt = begins['wax'];
  if (waxAt === undefined) return making;
  const detail = waxesWords(mold, waxesLeft(context));
  return [
    ...making,
    {
      stage: 'brief',
      at: waxAt,
      what: say`Inject waxes`,
      detail,
      done: false,
      mold: { id: mold.id },
      step: 'wax',
    },
  ];
}
