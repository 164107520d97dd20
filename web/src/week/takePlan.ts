import type { Settings } from '@zero-pour/contracts';
import { takingOf, type Proposed } from '@zero-pour/plan';
import type { PourChange } from '../state/pourStore';

/** What taking a plan changes, as one step that can be taken back; hands that may fall at any hour only where that was said. */
export function changesOf(
  proposed: readonly Proposed[],
  settings: Settings,
  anyHour?: { pourId: string; hands: readonly string[] },
): PourChange[] {
  const taken = proposed.flatMap((one): PourChange[] => {
    const taking = takingOf(one, settings);
    if (!taking) return [];
    const { pourId: id, zeroAt, kilnId, segments, plannedWeek } = taking;
    return [
      { id, path: ['brief', 'zeroAt'], value: zeroAt },
      ...(kilnId ? [{ id, path: ['burnout', 'kilnId'] as const, value: kilnId }] : []),
      ...(segments ? [{ id, path: ['burnout', 'segments'] as const, value: segments }] : []),
      { id, path: ['plannedWeek'], value: plannedWeek },
    ];
  });
  if (!anyHour || anyHour.hands.length === 0) return taken;
  return [...taken, { id: anyHour.pourId, path: ['burnout', 'anyHour'], value: [...anyHour.hands] }];
}
