export {
  readKilnLog,
  type KilnLog,
  type KilnLogReading,
  type KilnReadings,
  type RefusedLog,
} from './readKilnLog';
export { findEvents, findOvershoots, type KilnEvent, type Overshoot } from './findEvents';
export { kilnPace, tauOfFalls, type RateAt, type ShownTau } from './kilnPace';
export { KilnBody, USUAL_KILN } from './kilnBody';
export { drivenSegments, KilnDrive } from './kilnDrive';
export { judgeHolds, heldHours } from './heldHours';
export { thinLog } from './thinLog';
export { steepestClimb } from './steepestClimb';
