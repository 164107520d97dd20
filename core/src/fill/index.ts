export {
  capillaryPa,
  coolingS,
  drivePressurePa,
  flowSpeed,
  OXIDE_FACTOR,
  POUR_WAYS,
  SPEED_MOST,
  stopTimeS,
  VACUUM_MOST_KPA,
  type Drive,
  type Passage,
  type PouredHeat,
  type PourWay,
} from './flow';
export { readFillField, type FillField } from './fillField';
export {
  FILL_LIMITS,
  fillMargins,
  gradeFill,
  nodeNear,
  type FillConditions,
  type FillGrade,
  type FillingGate,
} from './fillByGates';
export {
  FLASK_MOST_C,
  readFill,
  SUPERHEAT_MOST_C,
  type Hottest,
  type FillOffers,
  type FillReading,
  type LastFilled,
  type OfferedGate,
} from './fillPart';
export { fillUnread, judgeFill, judgeNotLiquid, type FillLimits } from './judgeFill';
