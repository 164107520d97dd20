export {
  BASE_LAYERS,
  baseLayersOf,
  layerCount,
  layerExposureS,
  LAYERS,
  PLATE_HOURS,
  printTime,
  type PrintProfile,
  type PrintTime,
} from './printTime';
export { judgeTook, type TookTime } from './tookTime';
export { FILM_LOSS_ML, RESIN_G, RAFT_ML, RESIN_ML, resinUse, type ResinUse } from './resinUse';
export { PLATE_GAP_MM, platePlaces } from './plateFit';
export { BOOK_YIELDS, howManyToPrint, OWN_FROM, withBook, WANTED_CHANCE, type HowMany } from './howMany';
export {
  hullOf,
  outlineArea,
  raftAreaMm2,
  shadowOf,
  turnOutline,
  widenOutline,
  type Outline,
} from './footprint';
export { nestPlate, type NestedPlate, type NestItem, type NestOptions, type Placed } from './nestPlate';
export { learnMotion, MOTION_SPREAD, type LearntMotion, type TimedPrint } from './learnMotion';
export { learnSupports, type LearntSupports, type MeasuredPlate } from './learnSupports';
export { judgeAdhesion, type HeldPlate, type PlateLoad } from './adhesion';
export { judgeBottles, judgeHeight, judgePlaces } from './judgePlate';
