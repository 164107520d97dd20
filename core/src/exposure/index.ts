export { judgeProfile, type ProfileFigures } from './profileLimits';
export { FEATURE_SIZE_MM, TUNED_CLASSES, type TunedClass } from './featureSizes';
export {
  edgePosterior,
  expectedAllPass,
  expectedPass,
  passChance,
  reweighted,
  thinned,
  type EdgeCount,
  type EdgePosterior,
} from './edgePosterior';
export { edgeQuantilesS } from './edgeQuantiles';
export { snapS, type Settable } from './settable';
export { type EdgeBand, type EdgePair, type Recommendation } from './recommend';
export { type CouponCounts, type NextCoupon } from './nextCoupon';
export { GOOD_SHARE, type Verdict, type VerdictKind } from './verdict';
export { tuneExposure, type Tuning, type TuningInput } from './tune';
export type { FeatureCount, TuningTrial } from './trials';
export { foreseeOutcomes, type CountRange, type CouponOutcome } from './foresee';
export { edgeCurve, type EdgeCurve } from './curves';
export { COUNT_WORDS, featureCount, type CountWord, type Seen } from './countWords';
export { cureDepthMm, firstGuessS, fitWorkingCurve, type CureDepth, type WorkingCurve } from './workingCurve';
export { carryOver, SAME_LAYER_MM, SAME_VAT_C, type CarriedOver, type ExposureSetting } from './carryOver';
export {
  farFromOthers,
  startingFigures,
  type FarFromOthers,
  type RefusedFigure,
  type ReportedExposure,
  type StartingFigure,
} from './startingFigure';
export {
  finestFeature,
  fitWidths,
  trueWithinReach,
  widthErrorMm,
  type FinestFeature,
  type MeasuredWidth,
  type SizeCount,
  type WidthModel,
} from './widths';
export { changedSettings, type TrialSettings } from './changedSettings';
export { BASE_COUPON, BASE_RESULTS, baseTrial, type BaseResult } from './baseLayers';
export { learnSpread, USUAL_SPREAD, weighedCount, type CouponSpread } from './couponSpread';
export { findContradictions, type Contradiction } from './contradictions';
