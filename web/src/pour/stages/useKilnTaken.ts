import type { Judgement } from '@zero-pour/core';
import { judgeKilnTaken } from '@zero-pour/plan';
import { computed, type ComputedRef } from 'vue';
import { useBoard } from '../../state/boardStore';

/** What the other pours in work ask of the same kiln. */
export function useKilnTaken(pourId: () => string): ComputedRef<Judgement[]> {
  const board = useBoard();
  return computed(() => {
    const own = board.rows.find((row) => row.pour.id === pourId());
    const found = own && judgeKilnTaken(own, board.rows.filter((row) => row !== own)); // prettier-ignore
    return found ? [found] : [];
  });
}
