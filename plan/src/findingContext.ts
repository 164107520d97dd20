import type { Resin } from '@zero-pour/contracts';
import { BORE_TOLERANCE_MM, type FindingContext } from '@zero-pour/core';
import type { PourContext } from './context';

/** What a part's findings are judged by when it is printed in a resin; a usual one while none is chosen. */
export const resinContext = (resin: Resin | undefined): FindingContext =>
  resin ? { limits: { finestMm: resin.finestMm, thickestMm: resin.thickestMm }, resinName: resin.name } : {};

/** What a pour's parts are judged by: its resin, and the bore that its brief asks for. */
export function findingContext({ resin, doc }: Pick<PourContext, 'resin' | 'doc'>): FindingContext {
  const hold = doc.brief.sizes.find((size) => size.of === 'bore' && size.holds);
  const context = resinContext(resin);
  if (!hold) return context;
  return {
    ...context,
    wantedBore: {
      diameterMm: hold.finishedMm,
      toleranceMm: hold.toleranceMm ?? BORE_TOLERANCE_MM,
      ...(hold.ring ? { name: `${hold.ring.system} ${hold.ring.size}` } : {}),
    },
  };
}
