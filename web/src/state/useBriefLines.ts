import type { BriefLine } from '@zero-pour/contracts';
import { computed } from 'vue';
import { usePour } from './usePour';

/** Letters of a new line's key: enough that two windows never choose the same. */
const KEY_LETTERS = 8;
const newKey = (): string => `l${crypto.randomUUID().replaceAll('-', '').slice(0, KEY_LETTERS)}`;

/** A line of one's own for a pattern, wherever a pour begins with one. */
export const newLine = (patternId: string): BriefLine => ({ key: newKey(), patternId, count: 1 });

/** The lines of the brief, and how to change them. A line keeps its key, and what hangs on it, whatever the others do. */
export function useBriefLines() {
  const { pour, set } = usePour();
  const lines = computed(() => pour.value.doc.brief.lines);
  function add(patternId: string): void {
    const line = newLine(patternId);
    set(['brief', 'lines', line.key], line);
  }
  const setCount = (key: string, count: number): void =>
    set(['brief', 'lines', key, 'count'], Math.round(count));
  const setOrder = (key: string, order: string | undefined): void =>
    set(['brief', 'lines', key, 'order'], order);
  /** The whole list, so that undoing puts it back where it stood. */
  const remove = (key: string): void =>
    set(
      ['brief', 'lines'],
      lines.value.filter((line) => line.key !== key),
    );
  return { lines, add, setCount, setOrder, remove };
}
