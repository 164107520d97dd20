/**
 * What an analysis is doing, in order, with the share of the whole that is done when it begins: the middle of
 * seven parts of 3,000 to 512,000 triangles. */
export const STEPS = {
  reading: 0,
  welding: 0.004,
  checking: 0.008,
  outline: 0.012,
  solid: 0.02,
  thickness: 0.12,
  gaps: 0.54,
  feed: 0.71,
  holes: 0.79,
  pockets: 0.85,
  surface: 0.98,
} as const;
export type Step = keyof typeof STEPS;
