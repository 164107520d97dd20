import type { Pattern } from '@zero-pour/contracts';
import { partOf, undercutShadesJob } from '@zero-pour/jobs';
import { computed, shallowRef, watch, type ComputedRef } from 'vue';
import { useJob } from '../jobs';
import { paintUndercuts, type ViewShape } from '../pattern';

/** Colours of a part by how deep what is caught at each place lies; null until it is read. */
export function useUndercutColours(
  pattern: () => Pattern | undefined,
  pull: () => [number, number, number] | undefined,
): { colours: ComputedRef<Uint8Array | null>; takeShape: (shape: ViewShape) => void } {
  const shape = shallowRef<ViewShape>();
  const { state, ask } = useJob(undercutShadesJob, { waitMs: 60 });
  let [of, name, count] = [undefined as ViewShape | undefined, '', 0];
  watch([shape, () => pull()?.join(), () => pattern()?.id], () => {
    const [part, now, along] = [pattern(), shape.value, pull()];
    if (!part || !now || !along) return;
    if (of !== now) [of, name] = [now, `places ${++count}`];
    const { buffer, byteOffset, byteLength } = now.positions;
    const bytes = new Uint8Array(buffer as ArrayBuffer, byteOffset, byteLength);
    ask({ part: partOf(part), pull: along, places: name }, new Map([[name, bytes]]));
  });
  const colours = computed(() => {
    const now = shape.value;
    if (state.value.status !== 'done' || !now || of !== now || !pull()) return null;
    const { output } = state.value;
    return output.length === now.positions.length / 3 ? paintUndercuts(output) : null;
  });
  return { colours, takeShape: (now) => void (shape.value = now) };
}
