export {
  BORIC_ACID,
  BORIC_SCHOOLS,
  INVEST_CHECKS,
  MIX_WASTE_PERCENT,
  mixSlurry,
  POWDER,
  POWDER_DENSITY,
  SLURRY_DENSITY,
  WATER,
  type BoricSchool,
  type Mix,
} from './mix';
export { bowlTurns, judgeBowl, RISE, shareBowls, type BowlGear, type BowlTurn, type ToFill } from './bowl';
export {
  investSteps,
  WORKING_REFERENCE_C,
  workingMinutes,
  type InvestStep,
  type WorkingAt,
} from './workingTime';
export {
  judgeBond,
  judgeBoric,
  judgeBoricAsked,
  judgeRatio,
  judgeWater,
  judgeWeighed,
  knownWaterC,
  type BoricAsk,
} from './judgeMix';
export { helpForOrdinary, judgeGrade, type OrdinaryHelp } from './ordinaryPowder';
export { DAMP_AFTER_H, GLOSS_AFTER_MIN, judgeGlossOff, judgeStood } from './setting';
