export {
  FINISH_SKIN_MM,
  investmentExpansionPercent,
  RESIN_CURE_PERCENT,
  type ResinFamily,
} from './bookShrink';
export {
  bookPrior,
  calibrate,
  type Calibration,
  type Estimate,
  type SizePair,
  type SizePrior,
} from './calibrate';
export { scaleOfSteps, sizeToPrint, type ChainInput, type ChainResult, type Surface } from './chain';
export {
  RING_SYSTEM_NAMES,
  RING_SYSTEMS,
  ringDiameterMm,
  ringSizesNear,
  type RingSizeName,
  type RingSystem,
} from './ringSize';
