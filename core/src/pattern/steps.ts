/**
 * What an analysis is doing, in order, with the share of the whole that is done when it begins: the middle of
 * seven parts of 3,000 to 512,000 triangles. */
export const STEPS = {
  reading: 0,
  welding: 0.004,
  checking: 0.008,
  outline: 0.012,
  solid: 0.02,
  thickness: 0.1,
  feed: 0.5,
  gaps: 0.6,
  holes: 0.74,
  pockets: 0.84,
  surface: 0.97,
} as const;
export type Step = keyof typeof STEPS;
