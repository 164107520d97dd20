/** `good` of `of` features; fractions where the count was a word. */
export interface FeatureCount {
  good: number;
  of: number;
}

/** One coupon of one class: what stood and what stayed open at an exposure. */
export interface TuningTrial {
  exposureS: number;
  struts: FeatureCount;
  slots: FeatureCount;
}
