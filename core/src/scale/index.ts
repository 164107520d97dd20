export {
  COUPON_ADDS_SD_MM,
  FINISH_SKIN_MM,
  flaskBand,
  INJECTED_WAX,
  INVESTMENT_RANGE_PERCENT,
  investmentExpansionPercent,
  METAL_RANGE_PERCENT,
  MOLD_MATERIALS,
  RESIN_CURE_PERCENT,
  RESIN_RANGE_PERCENT,
  sdOfRange,
  SKIN_SD_MM,
  type BookStep,
  type MoldMaterial,
  type ResinFamily,
} from './bookSteps';
export {
  printsNegative,
  SIZE_STAGES,
  SIZE_STEP_NAMES,
  SIZE_STEPS,
  stagesOf,
  stepsUntil,
  type SizeStage,
  type SizeStep,
} from './sizeSteps';
export {
  BOOK_OFFSET_SD_MM,
  bookPrior,
  calibrate,
  plusMinus,
  type Calibration,
  type Estimate,
  type SizePair,
  type SizePrior,
} from './calibrate';
export {
  amountsOf,
  NO_SHIFTS,
  productOf,
  sizeAfter,
  sizeToPrint,
  slopesOf,
  type Amount,
  type Change,
  type Shifts,
  type SizePath,
  type Surface,
} from './sizePath';
export { BOOK_SIZES, learnSizes, type LearntSizes, type SizeEvidence } from './learnSizes';
export {
  acrossAxisShares,
  alongLine,
  bestScale,
  FLAT_ON_PLATE,
  type AlongAxes,
  type BestScale,
  type FittedTarget,
  type ScaleChoice,
  type ScaleTarget,
} from './bestScale';
export { foreseePiece, type PieceReading } from './pieceSpread';
export { whichStep, type Mistake, type StepShare, type WhichStep } from './whichStep';
export { driftOf, lotMeans, type DatedResidual, type Drift, type LotMean } from './drift';
export { judgeWall, wallAfter, type WallAfter } from './wallAfter';
export {
  RING_SYSTEM_NAMES,
  readRingSize,
  RING_SYSTEMS,
  ringDiameterMm,
  ringSizesNear,
  WIDE_BAND_MM,
  wideBandAllowanceMm,
  type RingSizeName,
  type RingSystem,
} from './ringSize';
export { PERCENT_OF_DRAWN, SAME_VOLUME, SCALED_LENGTH, SCALED_VOLUME } from './scaled';
