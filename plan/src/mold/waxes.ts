import type { Mold, Pattern } from '@zero-pour/contracts';
import { ROUTES, type MoldKind, type Route } from '@zero-pour/core';

/** The kinds of mold that a route takes its waxes from. */
const KINDS: Partial<Record<Route, readonly MoldKind[]>> = {
  'wax from a rubber mold': ['rubber'],
  'wax from a silicone mold': ['silicone'],
  'wax from a printed mold': ['flexible resin', 'hard resin'],
};
export const kindsOfRoute = (route: Route): readonly MoldKind[] => KINDS[route] ?? [];

/** The route that takes its waxes from such a mold. */
export const routeOfKind = (kind: MoldKind): Route =>
  ROUTES.find((route) => kindsOfRoute(route).includes(kind))!;

/** Waxes that a mold has given, and how many of them were good. */
export function waxesOf({ shots }: Pick<Mold, 'shots'>): { waxes: number; good: number } {
  return {
    waxes: shots.reduce((sum, shot) => sum + shot.waxes, 0),
    good: shots.reduce((sum, shot) => sum + Math.min(shot.good, shot.waxes), 0),
  };
}

/** What a mold's cavity holds, cm³: the part at its scale. */
export const waxCm3 = (mold: Mold, pattern: Pattern | undefined): number | undefined =>
  pattern && (pattern.measure.volumeMm3 / 1000) * (mold.scalePercent / 100) ** 3;
