import { FIRST_SIZE, type SizeKind, type SizeTarget } from '@zero-pour/contracts';
import { computed } from 'vue';
import { usePour } from '../state/usePour';

/** The sizes that the brief asks for, and how to change them. */
export function useWantedSizes() {
  const { pour, set } = usePour();
  const sizes = computed(() => pour.value.doc.brief.sizes);
  const first = computed(() => sizes.value.find((size) => size.key === FIRST_SIZE));

  const setAll = (list: readonly SizeTarget[]): void => set(['brief', 'sizes'], list);
  const remove = (key: string): void => setAll(sizes.value.filter((size) => size.key !== key));
  /** Puts a size in the place of its former state; a new one at the end, the brief's own in front. */
  function keep(size: SizeTarget): void {
    const known = sizes.value.some((other) => other.key === size.key);
    if (known) setAll(sizes.value.map((other) => (other.key === size.key ? size : other)));
    else setAll(size.key === FIRST_SIZE ? [size, ...sizes.value] : [...sizes.value, size]);
  }
  /** Adds a size; the first of all is the brief's own. */
  function add(of: SizeKind, finishedMm: number, fields: Partial<SizeTarget> = {}): void {
    const key = first.value ? crypto.randomUUID() : FIRST_SIZE;
    keep({ key, name: SIZE_KIND_NAMES[of], lineKey: null, of, finishedMm, holds: true, ...fields });
  }
  return { sizes, first, keep, remove, add };
}

export const SIZE_KIND_NAMES: Readonly<Record<SizeKind, string>> = {
  outside: 'Outside',
  bore: 'Bore',
  wall: 'Wall',
  hole: 'Hole',
};

/** A target without one of its optional fields, or with it. */
export function withField<K extends 'drawnMm' | 'toleranceMm' | 'wideBandMm' | 'along' | 'ring'>(
  size: SizeTarget,
  field: K,
  value: SizeTarget[K],
): SizeTarget {
  const { [field]: _, ...rest } = size;
  return (value === undefined ? rest : { ...rest, [field]: value }) as SizeTarget;
}
