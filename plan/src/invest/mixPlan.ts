import {
  flaskVolumeMl,
  investSteps,
  judgeBond,
  judgeBoric,
  judgeBoricAsked,
  judgeGlossOff,
  judgeGrade,
  judgeRatio,
  judgeWater,
  judgeWeighed,
  knownWaterC,
  pourTemperatures,
  workingMinutes,
  type InvestStep,
  type WorkingAt,
} from '@zero-pour/core';
import { readingValue, type Powder } from '@zero-pour/contracts';
import type { FlaskContext, PourContext } from '../context';
import type { Input } from '../figure';
import { burntResin } from '../givens';
import { planBowls, type BowlsPlan } from './bowlPlan';
import { mixFigures, type Filled, type MixFigures } from './mixFigures';
import { askedBoric, glossMin, ordinaryMix } from './ofPowder';
import { impossible, known, lacking, missing, whenKnown, type Planned } from '../planned';
import type { TreePlan } from '../sprue/treePlan';

/** Powder, water and boric acid in all, and the bowls that they are mixed in. */
export interface MixPlan extends MixFigures, BowlsPlan {
  ratio: number;
  workingMin: number;
  /** The water's temperature was read or guessed, not taken as 22 °C. */
  waterKnown: boolean;
  /** Of the bowl at hand. */
  steps: InvestStep[];
}

/** The powder's working time at another water, where both of its figures are known. */
const secondWorking = ({ otherWaterC, workingMinAtOther }: Powder): WorkingAt | undefined =>
  otherWaterC == null || workingMinAtOther == null
    ? undefined
    : { waterC: otherWaterC, min: workingMinAtOther };

/** Every flask with its tree, once all are known; nothing hangs in a flask whose tree is larger than it. */
function fillAll(
  hung: readonly { context: FlaskContext; tree: Planned<TreePlan> }[],
): Planned<[Filled, ...Filled[]]> {
  const filled: Filled[] = [];
  for (const { context, tree } of hung) {
    if (tree.status !== 'known') return tree;
    const { flask } = context;
    if (!flask) return missing(lacking([flask, 'a flask', 'sprue']));
    if (tree.value.tree.value >= flaskVolumeMl(flask.innerDiameterMm, flask.heightMm))
      return impossible('The tree is larger than the flask. Choose a larger flask at Sprue.', 'sprue');
    filled.push({ name: `Flask ${filled.length + 1}`, flask, tree: tree.value });
  }
  const [first, ...others] = filled;
  return first ? known([first, ...others]) : missing(lacking([undefined, 'a flask', 'sprue']));
}

/** Powder, water, boric acid and the working-time clock of the bowl that all flasks are filled from (handbook 07, "Mix"). */
export function planMix(
  context: PourContext,
  hung: readonly { context: FlaskContext; tree: Planned<TreePlan> }[],
): Planned<MixPlan> {
  const { powder, alloy, doc } = context;
  const planned = fillAll(hung);
  const flask = hung.find((one) => !one.context.flask) ? undefined : hung;
  if (!powder || !flask) {
    const waiting = planned.status === 'missing' ? planned.needs.filter((n) => n.what !== 'a flask') : [];
    return missing([...lacking([powder, 'a powder', 'invest'], [flask, 'a flask', 'sprue']), ...waiting]);
  }
  return whenKnown(planned, (filled) => {
    const own = doc.invest.ratio;
    const ratio: Input = {
      name: 'Water ÷ powder',
      value: own ?? powder.ratioUsual,
      unit: 'ratio',
      source: own === undefined ? `powder record ${powder.name}` : 'typed at Invest',
      stage: 'invest',
    };
    const all = mixFigures(context, filled, ratio);
    const waterTempC = readingValue(doc.invest.waterTempC);
    const waterKnown = waterTempC !== undefined;
    const workingMin = workingMinutes(powder.workingMinAt22C, knownWaterC(waterTempC), secondWorking(powder));
    const bowls = planBowls(context, filled, ratio, { min: workingMin, waterKnown });
    return known({
      ...all,
      ...bowls,
      ratio: ratio.value,
      workingMin,
      waterKnown,
      steps: investSteps(
        workingMin,
        bowls.bowls[bowls.at]!.turns.map(({ name }) => name),
        context.settings.investing?.flasksAtOnce,
      ),
      judgements: [
        ...(alloy
          ? judgeBond(
              { name: alloy.name, lowC: pourTemperatures(alloy, doc.brief.castClass).metal.lowC },
              powder,
            )
          : []),
        ...judgeRatio(powder, ratio.value),
        ...(burntResin(context) ? judgeGrade(powder.grade, ordinaryMix(context, powder)) : []),
        ...judgeBoric(doc.invest.boric.school, all.boric?.value, all.water.value),
        ...judgeBoricAsked(askedBoric(context), {
          powderG: all.powder.value,
          waterG: all.water.value,
          boricG: all.boric?.value,
        }),
        ...bowls.judgements,
        ...judgeWater(waterTempC),
        ...judgeWeighed(ratio.value, doc.invest.weighedPowderG, doc.invest.weighedWaterG),
        ...judgeGlossOff(glossMin(context), workingMin, waterKnown),
      ],
    });
  });
}
