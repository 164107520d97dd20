/** What an analysis is doing, in order, with the share of the whole that is done when it begins. */
export const STEPS = {
  reading: 0,
  welding: 0.05,
  checking: 0.12,
  outline: 0.18,
  solid: 0.22,
  thickness: 0.28,
  gaps: 0.5,
  feed: 0.65,
  holes: 0.75,
  pockets: 0.85,
  surface: 0.95,
} as const;
export type Step = keyof typeof STEPS;
