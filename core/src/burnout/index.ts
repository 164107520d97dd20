export {
  CASTING_RANGE_C,
  coolingHours,
  HAND_NAME_MAX,
  handNames,
  hoursAbove,
  programmeCurve,
  temperatureAt,
  type CurvePoint,
  type FlaskWay,
  type HandsOn,
  type PlacedSegment,
  type ProgrammeCurve,
  type Segment,
} from './programme';
export {
  CARBON_C,
  CLEAN_OUT_H,
  GYPSUM_CEILING_C,
  judgeProgramme,
  SWELL_RAMP_MAX_C_PER_H,
  SWELL_RANGE_C,
  type BurnoutLimits,
} from './judgeProgramme';
export { BOOK_PROGRAMMES, type BookProgramme } from './data/bookProgrammes';
export { judgeBurnable } from './judgeBurnable';
export { judgeFlaskSize, judgePaceAsked, judgeVented, judgePeak } from './judgeKiln';
export { ROOM_C, type KilnPace } from './kilnLimits';
export { interruptedBy, type Interruption } from './interrupt';
export { readProgramme, type ProgrammeDefaults, type ReadProgramme } from './readProgramme';
export {
  reconcileProgrammes,
  type AskedProgramme,
  type ProgrammeConflict,
  type Reconciled,
} from './reconcile';
export { crossesSwell, slowSwell, swellsSlowly } from './slowSwell';
export { dutyAt, kilnEnergyKwh } from './energy';
export { judgeWaxDrain } from './judgeWaxDrain';
