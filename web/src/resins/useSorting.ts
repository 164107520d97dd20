import Sortable from 'sortablejs';
import { onScopeDispose, watch, type Ref } from 'vue';

/** Rows of a list dragged by their handle; the page keeps the order, so the element itself is put back where it was. */
export function useSorting(
  list: Readonly<Ref<HTMLElement | null>>,
  move: (from: number, to: number) => void,
): void {
  let sortable: Sortable | undefined;
  const end = (): void => {
    sortable?.destroy();
    sortable = undefined;
  };
  watch(list, (element) => {
    end();
    if (!element) return;
    sortable = Sortable.create(element, {
      handle: '.handle',
      animation: 120,
      onEnd: ({ oldIndex, newIndex, item, from }) => {
        if (oldIndex === undefined || newIndex === undefined || oldIndex === newIndex) return;
        from.insertBefore(item, from.children[oldIndex + (newIndex < oldIndex ? 1 : 0)] ?? null);
        move(oldIndex, newIndex);
      },
    });
  });
  onScopeDispose(end);
}
