import { SUPPORT_SPACING_MM } from '@zero-pour/core';
import type { PourContext } from '../context';
import { nameOfPart } from '../pieces';
import type { PartGates } from '../wayUp/gatePlan';
import { standingOf } from './plateLoad';

/** Supports of one copy of a part that stay on it as sprues, and those that come off. */
export interface CutList {
  name: string;
  kept: { printedMm: number; dips: number; dippedMm: number }[];
  /** Of those that its layers ask for; undefined while nobody has cut it in layers. */
  cut: number | undefined;
}

/** What to keep and what to cut of every part that keeps a support as a sprue (handbook 05, "Supports kept as sprues"). */
export function cutLists(context: PourContext, gates: readonly PartGates[]): CutList[] {
  return gates.flatMap(({ part, placed }) => {
    const kept = placed.flatMap(({ set, at, diameterMm }) =>
      set?.making === 'kept support' ? [{ set, at, diameterMm }] : [],
    );
    if (kept.length === 0) return [];
    const reading = standingOf(context, part);
    const near = (p: readonly number[]): boolean =>
      kept.some(({ at }) => Math.hypot(...at.map((v, k) => v - p[k]!)) < SUPPORT_SPACING_MM);
    return [
      {
        name: nameOfPart(part, context.parts),
        kept: kept.map(({ set, diameterMm }) => ({
          printedMm: set.section.widthMm,
          dips: set.dips ?? 0,
          dippedMm: diameterMm,
        })),
        cut:
          reading.status === 'known' ? reading.value.points.filter(({ at }) => !near(at)).length : undefined,
      },
    ];
  });
}
