/** What the findings compare with. Defaults are those of handbook 01; a resin brings its own two. */
export interface PatternLimits {
  /** Finest feature that the resin holds, and the thickest that burns out without cracking the mold. */
  finestMm: number;
  thickestMm: number;
  /** Least thickness after finishing, for a band and for a wire. */
  wearBandMm: number;
  wearWireMm: number;
  /** Skin that finishing takes off each surface. */
  skinMm: number;
  /** Investment in gaps narrower than this and deeper than `fragileDepths` widths breaks away. */
  fragileGapMm: number;
  fragileDepths: number;
  /** Ways narrower than this are hard to divest. */
  divestMm: number;
  /** Smallest wheel or point, and the jaws of the clipper. */
  polishMm: number;
  clipperMm: number;
  /** Feed ratios under these are fixed, watched (handbook 05). */
  feedFix: number;
  feedWatch: number;
}

export const PATTERN_LIMITS: PatternLimits = {
  finestMm: 0.3,
  thickestMm: 4,
  wearBandMm: 1.2,
  wearWireMm: 0.7,
  skinMm: 0.05,
  fragileGapMm: 0.5,
  fragileDepths: 1.5,
  divestMm: 1.2,
  polishMm: 2,
  clipperMm: 3,
  feedFix: 0.6,
  feedWatch: 0.8,
};

/** Thickest part of a resin: wax holds less than clean-burning resin (handbook 01, shop defaults). */
export const THICKEST_MM = { usual: 4, waxFree: 8 } as const;
