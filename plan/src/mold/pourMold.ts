import type { Mold, PourDoc, Resin } from '@zero-pour/contracts';
import { castsWax } from '@zero-pour/core';
import type { Part } from '../part';
import type { MoldThings } from './moldSteps';

export type PourMold = { mold: Mold } & MoldThings;

/** The mold that a pour names, with what that names looked up; none where the print itself burns out. */
export function moldOf(
  { brief }: Pick<PourDoc, 'brief'>,
  molds: readonly Mold[] | undefined,
  { parts, resins }: { parts: readonly Part[]; resins: readonly Resin[] },
): PourMold | undefined {
  const mold = castsWax(brief.route) ? molds?.find(({ id }) => id === brief.moldId) : undefined;
  return (
    mold && {
      mold,
      pattern: parts.find(({ pattern }) => pattern.id === mold.patternId)?.pattern,
      resin: resins.find(({ id }) => id === mold.resinId),
    }
  );
}
