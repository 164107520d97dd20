import { computed, shallowRef, type Ref } from 'vue';
import type { ViewShape } from '../jobs/shapes';
import type { Point, SectionPlane } from './partScene';

export const SECTION_AXES = ['x', 'y', 'z'] as const;
export type SectionAxis = (typeof SECTION_AXES)[number];

/** A plane across one of the file's axes that cuts the part open. */
export function useSection(shape: Ref<ViewShape | undefined>) {
  const axis = shallowRef<SectionAxis>();
  /** Place of the plane along its axis, mm. */
  const atMm = shallowRef(0);

  const box = computed(() => {
    const min: Point = [Infinity, Infinity, Infinity];
    const max: Point = [-Infinity, -Infinity, -Infinity];
    const p = shape.value?.positions ?? new Float32Array(3);
    for (let i = 0; i < p.length; i++) {
      const k = i % 3;
      if (p[i]! < min[k]!) min[k] = p[i]!;
      if (p[i]! > max[k]!) max[k] = p[i]!;
    }
    return { min, max, middle: min.map((v, k) => (v + max[k]!) / 2) as Point };
  });
  const index = computed(() => (axis.value ? SECTION_AXES.indexOf(axis.value) : 0));
  const range = computed<[number, number]>(() => [box.value.min[index.value]!, box.value.max[index.value]!]);

  const plane = computed<SectionPlane | null>(() => {
    if (!axis.value) return null;
    const at = [...box.value.middle] as Point;
    at[index.value] = atMm.value;
    return { at, normal: [0, 1, 2].map((k) => (k === index.value ? 1 : 0)) as Point };
  });

  function cut(along: SectionAxis | undefined, through?: Point): void {
    axis.value = along;
    if (along) atMm.value = (through ?? box.value.middle)[SECTION_AXES.indexOf(along)]!;
  }
  function move(byMm: number): void {
    atMm.value = Math.min(range.value[1], Math.max(range.value[0], atMm.value + byMm));
  }

  return { axis, atMm, range, box, plane, cut, move };
}
