import { ROUTES, type Route } from '../brief';
import { InputError, requirePositive } from '../numeric';

/** What a route asks for, in one currency: once for each mold, and for each casting. Burning out the print has no mold. */
export interface RouteCosts {
  /** To make a mold with its master: hands, material, machines. */
  mold: { handsMin: number; material: number; machineH: number; days: number } | null;
  /** Waxes that a mold gives before it is worn. */
  life: number;
  /** Of molds that are begun, how many are good. */
  moldYield: number;
  piece: { handsMin: number; material: number; machineH: number };
  /** Castings that are good of those that are begun. */
  pieceYield: number;
  /** From beginning to the first casting. */
  days: number;
}
export interface Rates {
  perHandsHour: number;
  perMachineHour: number;
}

const INPUTS = ['mold.handsMin', 'mold.material', 'mold.machineH', 'life', 'moldYield', 'piece.handsMin', 'piece.material', 'piece.machineH', 'pieceYield'] as const; // prettier-ignore
export type RouteInput = (typeof INPUTS)[number];

const share = (name: string, value: number): number => {
  if (!(value > 0 && value <= 1)) throw new InputError(name, 'more than 0, up to 1', value);
  return value;
};

/** Cost of each good casting when so many are wanted (handbook 06, "Which route?"); as many molds as that wears. */
export function costPerGood(route: RouteCosts, rates: Rates, count: number): number {
  requirePositive('count', count);
  const begun = count / share('pieceYield', route.pieceYield);
  const hands = rates.perHandsHour / 60;
  const piece =
    route.piece.handsMin * hands + route.piece.material + route.piece.machineH * rates.perMachineHour;
  const { mold } = route;
  const molds = mold
    ? Math.ceil(begun / requirePositive('life', route.life) - 1e-9) / share('moldYield', route.moldYield)
    : 0;
  const each = mold ? mold.handsMin * hands + mold.material + mold.machineH * rates.perMachineHour : 0;
  return (molds * each + begun * piece) / count;
}

/** Hands-on minutes for each good casting. */
export function handsPerGood(route: RouteCosts, count: number): number {
  const noMoney = {
    ...route,
    piece: { ...route.piece, material: 0 },
    mold: route.mold && { ...route.mold, material: 0 },
  };
  return costPerGood(noMoney, { perHandsHour: 60, perMachineHour: 0 }, count);
}

/** From this count on another route is the cheapest. */
export interface Crossing {
  from: number;
  route: Route;
}

/** Which route is the cheapest for which count. A mold that wears out may turn it back: each turn is told. */
export function crossings(
  costs: Readonly<Partial<Record<Route, RouteCosts>>>,
  rates: Rates,
  most: number,
): Crossing[] {
  const out: Crossing[] = [];
  for (let count = 1; count <= most; count++) {
    const route = cheapest(costs, rates, count);
    if (route && out.at(-1)?.route !== route) out.push({ from: count, route });
  }
  return out;
}

export function cheapest(
  costs: Readonly<Partial<Record<Route, RouteCosts>>>,
  rates: Rates,
  count: number,
): Route | undefined {
  const known = ROUTES.filter((route) => costs[route]);
  return known.reduce<Route | undefined>((best, route) => {
    const less =
      best && costPerGood(costs[route]!, rates, count) >= costPerGood(costs[best]!, rates, count) - 1e-9;
    return less ? best : route;
  }, undefined);
}

/** So much otherwise each input is tried. */
const OTHERWISE = 0.25;

/** The input that most takes from the lead of the cheapest route over the next, and whether it turns it. */
export interface Decides {
  route: Route;
  input: RouteInput;
  turns: boolean;
}

/** Which input decides between the two cheapest for a count: each a quarter less and more. Undefined with one route. */
export function whichDecides(
  costs: Readonly<Partial<Record<Route, RouteCosts>>>,
  rates: Rates,
  count: number,
): Decides | undefined {
  const ranked = ROUTES.filter((route) => costs[route]).sort(
    (a, b) => costPerGood(costs[a]!, rates, count) - costPerGood(costs[b]!, rates, count),
  );
  const [first, second] = ranked;
  if (!first || !second) return undefined;
  const lead = (one: RouteCosts, other: RouteCosts): number =>
    costPerGood(other, rates, count) - costPerGood(one, rates, count);
  let least: (Decides & { lead: number }) | undefined;
  for (const route of [first, second])
    for (const input of INPUTS)
      for (const times of [1 - OTHERWISE, 1 + OTHERWISE]) {
        const changed = withInput(costs[route]!, input, times);
        if (!changed) continue;
        const now = route === first ? lead(changed, costs[second]!) : lead(costs[first]!, changed);
        if (now < (least?.lead ?? Infinity)) least = { route, input, turns: now < 0, lead: now };
      }
  if (!least) return undefined;
  const { lead: _, ...found } = least;
  return found;
}

function withInput(costs: RouteCosts, input: RouteInput, times: number): RouteCosts | undefined {
  const [group, field] = input.split('.') as [
    'mold' | 'piece' | 'life' | 'moldYield' | 'pieceYield',
    string?,
  ];
  if (group === 'life') return costs.mold ? { ...costs, life: Math.max(1, costs.life * times) } : undefined;
  if (group === 'moldYield')
    return costs.mold ? { ...costs, moldYield: Math.min(1, costs.moldYield * times) } : undefined;
  if (group === 'pieceYield') return { ...costs, pieceYield: Math.min(1, costs.pieceYield * times) };
  const of = costs[group];
  return of ? { ...costs, [group]: { ...of, [field!]: of[field as 'handsMin'] * times } } : undefined;
}

/** Detail that each copying step costs, and how far sizes spread by a route: *shop defaults*, ours. mm, percent. */
export const ROUTE_LOSS: Readonly<
  Record<Route, { copies: number; finestMm: number; spreadPercent: number }>
> = {
  'burn out the print': { copies: 0, finestMm: 0.1, spreadPercent: 0.4 },
  'wax from a rubber mold': { copies: 2, finestMm: 0.15, spreadPercent: 0.9 },
  'wax from a silicone mold': { copies: 2, finestMm: 0.12, spreadPercent: 0.7 },
  'wax from a printed mold': { copies: 1, finestMm: 0.2, spreadPercent: 0.8 },
};

/** Hands and machines an hour, where the shop has said nothing; in its own currency (*shop defaults*, ours). */
export const USUAL_RATES: Rates = { perHandsHour: 30, perMachineHour: 2 };

/** A block of a printed mold, and a pressed frame, by this much of the part round it; cm³ (*shop default*, ours). */
const BLOCK_CM3 = 35;

/** Routes as they usually are (*shop defaults*, ours); resin by the part's own volume and the resin's price. */
export function usualRoutes({
  partCm3,
  resinPerCm3,
}: {
  partCm3: number;
  resinPerCm3: number;
}): Record<Route, RouteCosts> {
  // Supports and what stays in the vat: half as much again.
  const print = 1.5 * partCm3 * resinPerCm3;
  return {
    'burn out the print': {
      mold: null,
      life: 1,
      moldYield: 1,
      piece: { handsMin: 15, material: print, machineH: 0.4 },
      pieceYield: 0.85,
      days: 2,
    },
    'wax from a rubber mold': {
      mold: { handsMin: 95, material: print + 22, machineH: 3, days: 2 },
      life: 500,
      moldYield: 0.9,
      piece: { handsMin: 4, material: 0.1, machineH: 0 },
      pieceYield: 0.9,
      days: 4,
    },
    'wax from a silicone mold': {
      mold: { handsMin: 70, material: print + 30, machineH: 2, days: 2 },
      life: 60,
      moldYield: 0.85,
      piece: { handsMin: 5, material: 0.1, machineH: 0 },
      pieceYield: 0.88,
      days: 4,
    },
    'wax from a printed mold': {
      mold: { handsMin: 45, material: BLOCK_CM3 * resinPerCm3, machineH: 5, days: 1 },
      life: 40,
      moldYield: 0.75,
      piece: { handsMin: 6, material: 0.1, machineH: 0 },
      pieceYield: 0.82,
      days: 3,
    },
  };
}
