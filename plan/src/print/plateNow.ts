import type { PrintedPlate } from '@zero-pour/contracts';
import { printTime } from '@zero-pour/core';
import { partsOf, type PourContext } from '../context';
import type { PrintPlan } from './printPlan';
import { motionOf } from './knowPrints';
import { loadOf } from './plateLoad';

/** The plate as it is reckoned now, to be kept when the print is started. */
export function plateNow(context: PourContext, print: PrintPlan): PrintedPlate | undefined {
  const { printer, profile } = context;
  if (!printer || !profile || !partsOf(context)) return undefined;
  const { value: motionS } = motionOf(context.prints, printer, profile);
  const { layers, seconds } = printTime(print.heightMm, { ...profile, motionS });
  const load = loadOf(context);
  const vat = context.resin?.vats.find((v) => v.printerId === printer.id);
  return {
    printerId: printer.id,
    profileId: profile.id,
    layers,
    exposureS: seconds - layers * motionS,
    hours: print.hours.value,
    partsMl: print.partsMl,
    raftMl: print.raftMl.value,
    ...(vat ? { vatFilledAt: vat.filledAt } : {}),
    ...(load ? { load } : {}),
  };
}
