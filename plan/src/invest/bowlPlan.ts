import {
  bowlTurns,
  flaskVolumeMl,
  judgeBowl,
  MIX_WASTE_PERCENT,
  RISE,
  shareBowls,
  sortJudgements,
  type BowlGear,
  type BowlTurn,
  type Judgement,
  type ToFill,
} from '@zero-pour/core';
import type { PourContext } from '../context';
import type { Input } from '../figure';
import { mixFigures, type Filled, type MixFigures } from './mixFigures';

/** One of the bowls that a pour is mixed in: its flasks, in the order of pouring and vacuum. */
export interface BowlPlan extends MixFigures {
  turns: BowlTurn[];
  slurryMl: number;
  /** The least bowl that its slurry does not run over, ml. */
  leastBowlMl: number;
}

/** All bowls of a pour, and which of them is at hand. */
export interface BowlsPlan {
  bowls: [BowlPlan, ...BowlPlan[]];
  at: number;
  judgements: Judgement[];
}

const toFill = ({ name, flask, tree }: Filled): ToFill => ({
  name,
  slurryMl:
    (flaskVolumeMl(flask.innerDiameterMm, flask.heightMm) - tree.tree.value) * (1 + MIX_WASTE_PERCENT / 100),
});

/** Of several bowls the worst is told of each rule. */
const worst = (judgements: readonly Judgement[]): Judgement[] =>
  sortJudgements(judgements).filter(
    ({ rule }, n, all) => all.findIndex((other) => other.rule === rule) === n,
  );

/** The flasks shared out over bowls by what the shop mixes in, or over as many as are wanted. */
export function planBowls(
  context: PourContext,
  filled: readonly [Filled, ...Filled[]],
  ratio: Input,
  working: { min: number; waterKnown: boolean },
): BowlsPlan {
  const { bowls: wanted, earlierBowls = [] } = context.doc.invest;
  const gear: BowlGear = context.settings.investing ?? {};
  const byName = new Map(filled.map((one) => [one.name, one]));
  const shared = shareBowls(filled.map(toFill), working.min, gear, wanted ?? 1);
  const bowls = shared.map((flasks): BowlPlan => {
    const slurryMl = flasks.reduce((sum, one) => sum + one.slurryMl, 0);
    const own = flasks.map(({ name }) => byName.get(name)!) as [Filled, ...Filled[]];
    return {
      ...mixFigures(context, own, ratio),
      turns: bowlTurns(
        flasks.map(({ name }) => name),
        gear.flasksAtOnce,
      ),
      slurryMl,
      leastBowlMl: RISE * slurryMl,
    };
  });
  return {
    bowls: bowls as [BowlPlan, ...BowlPlan[]],
    at: Math.min(earlierBowls.length, bowls.length - 1),
    judgements: worst(shared.flatMap((flasks) => judgeBowl(flasks, working.min, working.waterKnown, gear))),
  };
}
