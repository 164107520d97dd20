import { costOfPour, type CostLine } from '@zero-pour/core';
import type { BurnoutPlan } from './burnoutPlan';
import type { ChargePlan } from './chargePlan';
import type { PourContext } from './context';
import type { MixPlan } from './mixPlan';
import type { PrintPlan } from './printPlan';

export interface CostPlan {
  lines: CostLine[];
  /** All but the metal that stays metal. */
  total: number;
  /** Value of the metal weighed out. */
  metalHeld: number;
}

/** What the pour costs as far as it is planned; parts that are not planned yet cost nothing yet. */
export function planCost(
  { resin, powder, printer, kiln, alloy }: PourContext,
  parts: {
    print: PrintPlan | undefined;
    mix: MixPlan | undefined;
    burnout: BurnoutPlan | undefined;
    charges: readonly ChargePlan[];
  },
): CostPlan {
  const sum = (of: (charge: ChargePlan) => number): number =>
    parts.charges.reduce((total, charge) => total + of(charge), 0);
  const lines = costOfPour({
    resinG: parts.print?.resinG.value ?? 0,
    resinPricePerKg: resin?.pricePerKg ?? 0,
    powderG: parts.mix?.powder.value ?? 0,
    powderPricePerKg: powder?.pricePerKg ?? 0,
    printH: parts.print?.hours.value ?? 0,
    printerPerH: printer?.costPerH ?? 0,
    kilnH: parts.burnout?.curve.totalH ?? 0,
    kilnPerH: kiln?.costPerH ?? 0,
    metalLostG: sum((charge) => charge.lostG),
    metalPricePerG: alloy?.pricePerG ?? 0,
  });
  return {
    lines,
    total: lines.reduce((sum, line) => sum + line.amount, 0),
    metalHeld: sum((charge) => charge.total.value) * (alloy?.pricePerG ?? 0),
  };
}
