import { freezingMin, meltOf } from '@zero-pour/core';
import { readingValue } from '@zero-pour/contracts';
import { metalMeets } from '../burnout/outOfKiln';
import { valueOf } from '../planned';
import type { Sight } from '../stage';

/** When the button of a flask is solid, by what was read of flask and metal, else as planned; undefined while charge or make-up are not known. */
export function solidAfter({ context, of }: Sight, at: number): { min: number; read: boolean } | undefined {
  const { alloy, flasks } = context;
  const [plan, hung] = [valueOf(of('pour')[at]!), of('sprue')[at]!];
  const charge = valueOf(hung.charge);
  if (!alloy || !plan || !charge || Object.keys(alloy.composition).length === 0) return undefined;
  const { pour } = flasks[at]!.decided;
  const [flaskRead, metalRead] = [readingValue(pour.flaskRead), readingValue(pour.metalRead)];
  const flaskC = flaskRead ?? metalMeets(context, at, plan.flaskC)?.tempC ?? plan.flaskC;
  const melt = meltOf(alloy.composition, {
    latentJPerG: alloy.latentJPerG ?? undefined,
    heatJPerGK: alloy.heatJPerGK ?? undefined,
    surfaceNPerM: alloy.surfaceNPerM ?? undefined,
  });
  const buttonCm3 = charge.button.value / alloy.densityGPerCm3;
  if (!(buttonCm3 > 0)) return undefined;
  const metalC = Math.max(metalRead ?? plan.metalC, alloy.liquidusC);
  const min = freezingMin(buttonCm3, { ...melt, liquidusC: alloy.liquidusC, metalC, flaskC });
  return Number.isFinite(min) ? { min, read: flaskRead !== undefined && metalRead !== undefined } : undefined;
}
