import type { Pour } from '@zero-pour/contracts';
import { boardRows, type BoardRow } from '@zero-pour/plan';
import { computed, shallowRef } from 'vue';
import { useBoard } from '../state/boardStore';
import { useNotices } from '../state/notices';
import { usePlanningShop } from '../state/planningStore';
import { usePours, type PourChange } from '../state/pourStore';
import { formatMoment } from '../time/formatMoment';

/** Where a pour is dragged to. */
export interface Moved {
  id: string;
  at: number;
  kilnId?: string | undefined;
}

const withZero = (pour: Pour, { at, kilnId }: Moved): Pour => ({
  ...pour,
  doc: {
    ...pour.doc,
    brief: { ...pour.doc.brief, zeroAt: new Date(at).toISOString() },
    burnout: { ...pour.doc.burnout, ...(kilnId ? { kilnId } : {}) },
  },
});

/** The board as it would be with a zero where it is dragged; let go there it stays, and can be taken back. */
export function useMovedZero() {
  const board = useBoard();
  const pours = usePours();
  const planning = usePlanningShop();
  const notices = useNotices();
  const moved = shallowRef<Moved | undefined>();

  const rows = computed<readonly BoardRow[]>(() => {
    const to = moved.value;
    if (!to) return board.rows;
    // Only what is dragged is planned anew: the others are as they were.
    return board.rows.map((row) =>
      row.pour.id === to.id ? boardRows([withZero(row.pour, to)], planning.known)[0]! : row,
    );
  });
  function drop(to: Moved): void {
    moved.value = undefined;
    const pour = pours.pours.get(to.id);
    if (!pour) return;
    const changes: PourChange[] = [
      { id: to.id, path: ['brief', 'zeroAt'], value: new Date(to.at).toISOString() },
    ];
    if (to.kilnId && to.kilnId !== pour.doc.burnout.kilnId)
      changes.push({ id: to.id, path: ['burnout', 'kilnId'], value: to.kilnId });
    pours.setAll(changes);
    notices.tell(`Pour ${pour.number} is at ${formatMoment(to.at, Date.now())} now.`, {
      label: 'Undo',
      run: () => pours.undo(),
    });
  }
  return { moved, rows, drop };
}
