import { castsWax, type Route } from '../brief';
import type { Judgement } from '../judge';
import { say } from '../numeric';

/** Whether what is printed of a resin may go into the kiln; by a mold route only wax does. */
export function judgeBurnable(
  resin: { name: string; family: string; forBurnout: boolean },
  route: Route,
): Judgement[] {
  if (resin.forBurnout || castsWax(route)) return [];
  return [
    {
      rule: 'not for burnout',
      weight: 'stop',
      lead: 'Not for burnout.',
      why: say`${resin.name} is a ${resin.family} resin: it leaves residue and cracks the mold. Choose a castable one at Resin, or a mold route in the brief.`,
    },
  ];
}
