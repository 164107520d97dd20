import type { Route } from '../brief';

/** Steps that change every size by a share of itself, in the order of the work. */
export const SIZE_STEPS = ['resin', 'mold', 'wax', 'investment', 'metal'] as const;
export type SizeStep = (typeof SIZE_STEPS)[number];

export const SIZE_STEP_NAMES: Readonly<Record<SizeStep, string>> = {
  resin: 'Resin, printed to cured',
  mold: 'Mold',
  wax: 'Wax, injected to cold',
  investment: 'Investment, hot',
  metal: 'Metal, freezing to room',
};

/** Where sizes are measured, in the order of the work. */
export const SIZE_STAGES = ['printed', 'cured', 'wax', 'cast', 'finished'] as const;
export type SizeStage = (typeof SIZE_STAGES)[number];

const ROUTE_STEPS: Readonly<Record<Route, readonly SizeStep[]>> = {
  'burn out the print': ['resin', 'investment', 'metal'],
  'wax from a rubber mold': SIZE_STEPS,
  'wax from a silicone mold': SIZE_STEPS,
  // The mold itself is printed: nothing is taken from a master.
  'wax from a printed mold': ['resin', 'wax', 'investment', 'metal'],
};

const LAST_STEP: Readonly<Record<SizeStage, SizeStep | null>> = {
  printed: null,
  cured: 'resin',
  wax: 'wax',
  cast: 'metal',
  finished: 'metal',
};

/** Steps that a size has gone through when it is measured at a stage. */
export function stepsUntil(route: Route, stage: SizeStage): SizeStep[] {
  const last = LAST_STEP[stage];
  const reach = last === null ? -1 : SIZE_STEPS.indexOf(last);
  return ROUTE_STEPS[route].filter((step) => SIZE_STEPS.indexOf(step) <= reach);
}

/** Stages at which a route's sizes can be measured: there is no wax when the print is burnt out. */
export const stagesOf = (route: Route): SizeStage[] =>
  SIZE_STAGES.filter((stage) => stage !== 'wax' || ROUTE_STEPS[route].includes('wax'));

/** A printed mold is the negative: what printing adds to the mold is taken from the wax. */
export const printsNegative = (route: Route): boolean => route === 'wax from a printed mold';
