import type { Mold, PourYield } from '@zero-pour/contracts';
import {
  cheapest,
  costPerGood,
  crossings,
  handsPerGood,
  ROUTE_LOSS,
  ROUTES,
  USUAL_RATES,
  usualRoutes,
  whichDecides,
  type Crossing,
  type Decides,
  type Rates,
  type Route,
  type RouteCosts,
} from '@zero-pour/core';
import type { PourContext } from '../context';
import { kindsOfRoute, waxesOf } from './waxes';

export interface RouteRow {
  route: Route;
  costs: RouteCosts;
  /** … without the minutes that were typed. */
  usual: RouteCosts;
  perGood: number;
  handsMin: number;
  days: number;
  finestMm: number;
  spreadPercent: number;
  /** What of it the shop's own record says, in words; empty: shop defaults. */
  fromRecord: string[];
}
export interface RoutesPlan {
  rates: Rates;
  rows: RouteRow[];
  best: Route | undefined;
  crossings: Crossing[];
  decides: Decides | undefined;
}

/** A record of fewer says less than the default does. */
const FEWEST = 5;

/** What each route would cost for this pour's parts, from the shop's record where there is one (handbook 06, "Which route?"). */
export function planRoutes(
  { parts, resin, doc, settings }: PourContext,
  record: { yields: readonly PourYield[]; molds: readonly Mold[] },
  asked: { count: number; most: number },
): RoutesPlan {
  const partCm3 = Math.max(0, ...parts.map(({ pattern }) => pattern.measure.volumeMm3 / 1000));
  const resinPerCm3 = resin ? (resin.pricePerKg / 1000) * resin.densityGPerMl : 0.2;
  const costs = usualRoutes({ partCm3, resinPerCm3 });
  const { routeTimes } = settings;
  const rates = { ...USUAL_RATES, perHandsHour: routeTimes?.perHandsHour ?? USUAL_RATES.perHandsHour };
  const rows = ROUTES.map((route): RouteRow => {
    const known = withRecord(route, costs[route], record, doc.brief.castClass);
    const own = routeTimes?.minutes[route];
    const made: RouteCosts = {
      ...known.costs,
      mold: known.costs.mold && {
        ...known.costs.mold,
        handsMin: own?.moldHandsMin ?? known.costs.mold.handsMin,
      },
      piece: { ...known.costs.piece, handsMin: own?.pieceHandsMin ?? known.costs.piece.handsMin },
    };
    costs[route] = made;
    return {
      route,
      costs: made,
      perGood: costPerGood(made, rates, asked.count),
      handsMin: handsPerGood(made, asked.count),
      days: made.days,
      finestMm: ROUTE_LOSS[route].finestMm,
      spreadPercent: ROUTE_LOSS[route].spreadPercent,
      usual: known.costs,
      fromRecord: [
        ...(own?.moldHandsMin !== undefined || own?.pieceHandsMin !== undefined ? ['minutes as typed'] : []),
        ...known.fromRecord,
      ],
    };
  });
  return {
    rates,
    rows,
    best: cheapest(costs, rates, asked.count),
    crossings: crossings(costs, rates, asked.most),
    decides: whichDecides(costs, rates, asked.count),
  };
}

function withRecord(
  route: Route,
  costs: RouteCosts,
  { yields, molds }: { yields: readonly PourYield[]; molds: readonly Mold[] },
  castClass: string,
): { costs: RouteCosts; fromRecord: string[] } {
  const kinds = kindsOfRoute(route);
  if (kinds.length === 0) {
    const own = yields.filter((one) => one.castClass === castClass);
    const [good, of] = [own.reduce((s, y) => s + y.castGood, 0), own.reduce((s, y) => s + y.castOf, 0)];
    // A share of nothing would have no price: at least as if one more had been good.
    return of < FEWEST
      ? { costs, fromRecord: [] }
      : {
          costs: { ...costs, pieceYield: Math.max(good, 1) / of },
          fromRecord: [`${good} of ${of} castings of this class were good`],
        };
  }
  const own = molds.filter(({ kind }) => kinds.includes(kind));
  const { waxes, good } = waxesOf({ shots: own.flatMap(({ shots }) => shots) });
  const worn = own.filter(({ state }) => state === 'worn' || state === 'retired');
  const lives = worn.map((one) => waxesOf(one).waxes).filter((n) => n > 0);
  const fromRecord: string[] = [];
  let now = costs;
  if (waxes >= FEWEST) {
    now = { ...now, pieceYield: Math.max(good, 1) / waxes };
    fromRecord.push(`${good} of ${waxes} waxes were good`);
  }
  if (lives.length > 0) {
    now = { ...now, life: lives.reduce((sum, n) => sum + n, 0) / lives.length };
    fromRecord.push(`worn after ${Math.round(now.life)} waxes`);
  }
  return { costs: now, fromRecord };
}
