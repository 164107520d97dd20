import {
  becameOf,
  readingValue,
  repeatPourDoc,
  type PourDoc,
  type PourFlask,
  type Trying,
} from '@zero-pour/contracts';
import type { CastChangeKey, FlawKind } from '@zero-pour/core';
import { valueOf } from '../planned';
import type { FlaskPlan, PourPlan } from '../planPour';
import type { ExplainedFault } from '../why/explain';

type Setting = (flask: PourFlask, plan: FlaskPlan) => PourFlask;
const withPour = (flask: PourFlask, pour: Partial<PourFlask['pour']>): PourFlask => ({
  ...flask,
  pour: { ...flask.pour, ...pour },
});

/** A temperature so much off what it was: as it was read, and never on the other side of what was planned. */
const shifted = (byC: number, planned: number, read: number | undefined): number =>
  Math.round(byC > 0 ? Math.max(planned, (read ?? planned) + byC) : Math.min(planned, (read ?? planned) + byC)); // prettier-ignore

const flaskBy =
  (byC: number): Setting =>
  (flask, { temperatures, context }) => {
    const planned = valueOf(temperatures);
    const read = readingValue(context.decided.pour.flaskRead);
    return planned ? withPour(flask, { flaskTempC: shifted(byC, planned.flaskC, read) }) : flask;
  };
const metalBy =
  (byC: number): Setting =>
  (flask, { temperatures, context }) => {
    const planned = valueOf(temperatures);
    const read = readingValue(context.decided.pour.metalRead);
    return planned ? withPour(flask, { metalTempC: shifted(byC, planned.metalC, read) }) : flask;
  };

/** What a change sets in the plan by itself, flask by flask; what it does not set hands do. */
const SETS: Partial<Record<CastChangeKey, Setting>> = {
  'flask hotter': flaskBy(30),
  'flask cooler': flaskBy(-30),
  'metal hotter': metalBy(20),
  'metal cooler': metalBy(-20),
  'new metal': (flask) => ({ ...flask, sprue: { ...flask.sprue, newPercent: 100 } }),
};

/** Whether a change sets something in the plan by itself. */
export const setsByItself = (change: string): boolean => change in SETS;

/**
 * The next pour, with the one change that was offered for a flaw of this one: its plan repeated, the change stated, and set where
 * it is a number of the plan. Undefined where no change was offered.
 */
export function tryChange(
  { id, number }: { id: string; number: number },
  plan: PourPlan,
  { fault, change }: ExplainedFault,
): PourDoc | undefined {
  if (!change) return undefined;
  const { doc } = plan.context;
  const looked = Object.values(doc.result.castings).filter((casting) => becameOf(casting) !== undefined || casting.flaws.length > 0); // prettier-ignore
  const had = looked.filter(({ flaws }) => flaws.some(({ kind }) => kind === fault.key)).length;
  const next = repeatPourDoc(doc, number, change.change.words);
  const trying: Trying = {
    flaw: fault.key as FlawKind,
    change: change.change.key,
    between: change.between,
    recursIf: change.recursIf,
    fromPourId: id,
    had,
    of: Math.max(1, looked.length),
  };
  const set = SETS[change.change.key as CastChangeKey];
  return {
    ...next,
    brief: { ...next.brief, trying },
    flasks: set ? next.flasks.map((flask, n) => set(flask, plan.flasks[n]!)) : next.flasks,
  };
}
