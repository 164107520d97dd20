import { requirePositive } from '../numeric';
import { platePlaces, printTime, RAFT_ML, resinUse, type PrintProfile } from '../print';

/** The plate that all choices would print. */
export interface PlateJob {
  heightMm: number;
  /** All copies together. */
  volumeMm3: number;
  copies: number;
  /** What rafts under all copies cover, mm². */
  raftMm2: number;
  /** The largest copy from above. */
  footprintMm: readonly [number, number];
}

/** One way to print and cast it: a resin on a printer at a layer height. */
export interface PlateChoice {
  name: string;
  profile: PrintProfile;
  /** As weighed, or null: by its thickness. */
  raftMl: number | null;
  raftMm: number;
  plateMm: readonly [number, number];
  supportsPercent: number;
  densityGPerMl: number;
  pricePerKg: number;
  printerCostPerH: number;
  /** Price of a new screen or lamp over the hours of light it is rated for. */
  lightCostPerH: number;
  /** Shares of pieces that print, and of prints that cast, by the shop's record. */
  printYield: number;
  castYield: number;
  burnoutH: number;
  kilnCostPerH: number;
  /** Washing and curing, h; and how long somebody stands there, min. */
  cleanH: number;
  handsOnMin: number;
}

export interface PlateCosts {
  resin: number;
  printer: number;
  light: number;
  kiln: number;
}

export interface PlateComparison {
  name: string;
  /** So many plates, one after the other: a printer takes what its plate holds; 0: it does not fit. */
  plates: number;
  layers: number;
  printH: number;
  /** Hours that the screen is lit. */
  lightH: number;
  resinG: number;
  survivors: number;
  burnoutH: number;
  cleanH: number;
  handsOnMin: number;
  goodCastings: number;
  costs: PlateCosts;
  totalCost: number;
  costPerGood: number;
}

/** Hours, light, resin, survivors and cost of one choice for a plate (handbook 02 and 04). */
export function comparePlate(job: PlateJob, choice: PlateChoice): PlateComparison {
  const { profile } = choice;
  const { layers, seconds } = printTime(requirePositive('heightMm', job.heightMm), profile);
  const places = platePlaces(choice.plateMm, job.footprintMm);
  const plates = places > 0 ? Math.ceil(job.copies / places) : 0;
  const runs = Math.max(1, plates);
  const printH = (runs * seconds) / 3600;
  const lightH = (runs * (seconds - layers * profile.motionS)) / 3600;
  const raftMl = choice.raftMl ?? RAFT_ML.of({ A: job.raftMm2, d: choice.raftMm });
  const { totalG } = resinUse(job.volumeMm3, choice.densityGPerMl, choice.supportsPercent, raftMl);
  const survivors = job.copies * choice.printYield;
  const goodCastings = survivors * choice.castYield;
  const costs = {
    resin: (totalG / 1000) * choice.pricePerKg,
    printer: printH * choice.printerCostPerH,
    light: lightH * choice.lightCostPerH,
    kiln: choice.burnoutH * choice.kilnCostPerH,
  };
  const totalCost = costs.resin + costs.printer + costs.light + costs.kiln;
  return {
    name: choice.name,
    plates,
    layers,
    printH,
    lightH,
    resinG: totalG,
    survivors,
    burnoutH: choice.burnoutH,
    cleanH: choice.cleanH,
    handsOnMin: choice.handsOnMin,
    goodCastings,
    costs,
    totalCost,
    costPerGood: totalCost / goodCastings,
  };
}

export type Deciding = keyof PlateCosts | 'good castings';

/** The number that sets the cheapest apart from the next: what it would cost with the other's, all else its own. */
export interface Decision {
  best: string;
  next: string;
  by: Deciding;
  /** Cost of a good casting that this number alone accounts for. */
  amount: number;
}

/** Which number decides between the two cheapest per good casting; undefined with fewer than two choices. */
export function decidingNumber(rows: readonly PlateComparison[]): Decision | undefined {
  const [best, next] = [...rows].sort((a, b) => a.costPerGood - b.costPerGood);
  if (!best || !next) return undefined;
  const swapped = (Object.keys(best.costs) as (keyof PlateCosts)[]).map((by) => ({
    by: by as Deciding,
    amount: (best.totalCost - best.costs[by] + next.costs[by]) / best.goodCastings - best.costPerGood,
  }));
  swapped.push({ by: 'good castings', amount: best.totalCost / next.goodCastings - best.costPerGood });
  const most = swapped.reduce((a, b) => (b.amount > a.amount ? b : a));
  return { best: best.name, next: next.name, ...most };
}
