// @vitest-environment happy-dom
import { describe, expect, it, vi } from 'vitest';
import { effectScope, nextTick, ref } from 'vue';
import { useSorting } from './useSorting';

interface Dragged {
  handle: string;
  onEnd: (event: { oldIndex: number; newIndex: number; item: Element; from: Element }) => void;
}
const made = vi.hoisted(() => ({ options: [] as unknown[], destroyed: 0 }));
vi.mock('sortablejs', () => ({
  default: {
    create: (_element: Element, options: unknown) => {
      made.options.push(options);
      return { destroy: () => void made.destroyed++ };
    },
  },
}));

function listOf(...names: string[]): HTMLElement {
  const list = document.createElement('ol');
  for (const name of names) list.append(Object.assign(document.createElement('li'), { id: name }));
  return list;
}
const order = (list: HTMLElement): string[] => [...list.children].map(({ id }) => id);

describe('dragging the rows of a list', () => {
  it.each([
    [0, 2],
    [3, 1],
    [1, 2],
  ])('from %d to %d tells the page, and leaves the element where it was', async (from, to) => {
    const element = ref<HTMLElement | null>(null);
    const moves: number[][] = [];
    const scope = effectScope();
    scope.run(() => useSorting(element, (a, b) => moves.push([a, b])));
    const list = listOf('a', 'b', 'c', 'd');
    element.value = list;
    await nextTick();
    const { onEnd, handle } = made.options.at(-1) as Dragged;
    expect(handle).toBe('.handle');
    // What the package does: the row already stands at its new place.
    const item = list.children[from]!;
    item.remove();
    list.insertBefore(item, list.children[to] ?? null);
    onEnd({ oldIndex: from, newIndex: to, item, from: list });
    expect(order(list)).toEqual(['a', 'b', 'c', 'd']);
    expect(moves).toEqual([[from, to]]);
    onEnd({ oldIndex: 1, newIndex: 1, item: list.children[1]!, from: list });
    expect(moves).toHaveLength(1);
    const before = made.destroyed;
    scope.stop();
    expect(made.destroyed).toBe(before + 1);
  });
});
