import { sizeAfter, type LearntSizes, type SizeStep } from '@zero-pour/core';
import type { ScaleChain } from './chain';
import type { PlannedSize } from './plannedSize';
import { sizePathOf, stepOf } from './sizePathOf';

/** What each step does to a size, from the file to the finished piece, mm; they sum to finished less file. */
export function sharesOfSize(
  size: PlannedSize,
  chain: ScaleChain,
  learnt: LearntSizes,
): { name: string; mm: number }[] {
  const out = [{ name: 'Scaled', mm: size.printMm - size.drawnMm }];
  const lies = { surface: size.scale.surface, zShare: size.scale.along[2] };
  const full = size.scale.path;
  let path = {
    changes: [] as typeof full.changes,
    adds: [] as typeof full.adds,
    takes: [] as typeof full.takes,
  };
  let at = size.printMm;
  const go = (name: string, next: typeof path): void => {
    const after = sizeAfter(next, size.printMm, learnt.shifts);
    if (Math.abs(after - at) > 1e-9) out.push({ name, mm: after - at });
    [path, at] = [next, after];
  };
  go('Printing', { ...path, adds: full.adds });
  for (const { step } of chain.steps) {
    const keys = new Set([
      stepOf(step, chain.things).key,
      ...(step === 'resin' ? [`resin ${chain.things.resin.id} z`] : []),
    ]);
    const own = sizePathOf(chain.things, lies, 'finished').changes.filter((c) => keys.has(c.key));
    go(WATERFALL_NAMES[step], { ...path, changes: [...path.changes, ...own] });
  }
  go('Finishing', { ...path, takes: full.takes });
  return out;
}

const WATERFALL_NAMES: Readonly<Record<SizeStep, string>> = {
  resin: 'Cure',
  mold: 'Mold',
  wax: 'Wax',
  investment: 'Investment',
  metal: 'Metal',
};
