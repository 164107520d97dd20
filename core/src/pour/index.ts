export {
  judgeTemperature,
  MIDDLE_TO_5,
  ON_PURPOSE,
  pourTemperatures,
  type PourTemperatures,
} from './temperatures';
export {
  adviseOpening,
  DIVEST_TOOLS,
  EFFORTS,
  judgeQuench,
  ordersWhenSlow,
  takesNoAcid,
  type DivestTool,
  type OpeningEffort,
  type OpeningAdvice,
} from './opening';
export { freezingMin, judgeFreezing } from './freezing';
export {
  foreseeHeat,
  GUESSED_SHARE,
  heatWindow,
  type HeatEdge,
  type HeatOutcome,
  type HeatTrial,
  type HeatWindow,
} from './heatWindow';
export {
  judgeMeltFall,
  meltFall,
  POUR_OVER_LIQUIDUS_C,
  type FlaskThen,
  type MeltFall,
  type MeltRead,
} from './meltFall';
export { vacuumOverTime, type VacuumOverTime, type VacuumRead } from './vacuumFall';
