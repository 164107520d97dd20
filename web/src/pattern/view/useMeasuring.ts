import { formatQuantity, type SurfacePaint } from '@zero-pour/core';
import { computed, shallowRef } from 'vue';
import { useUnits } from '../../state/unitStore';
import type { Point } from './partScene';

interface Picked {
  at: Point;
  vertices: Point;
}

/** A measured length and its direction in the file's axes. */
export interface Span {
  mm: number;
  along: Point;
}

/** Measuring between two picked points; a third begins anew. */
export function useMeasuring(paint: () => SurfacePaint | undefined) {
  const units = useUnits();
  const points = shallowRef<Picked[]>([]);

  function pick(picked: Picked | null): void {
    if (!picked) return;
    points.value = points.value.length === 2 ? [picked] : [...points.value, picked];
  }
  const clear = (): void => void (points.value = []);

  const mm = (value: number): string => formatQuantity({ value, unit: 'mm', digits: 2 }, units.choice);
  const thicknessAt = ({ vertices }: Picked): string => {
    const values = paint()?.thicknessUm;
    const known = values ? vertices.map((v) => values[v]!).filter((um) => um > 0) : [];
    return known.length === 0 ? '' : `, ${mm(Math.min(...known) / 1000)} thick there`;
  };
  const sentence = computed(() => {
    const [a, b] = points.value;
    if (!a) return 'Click a point on the part.';
    if (!b) return `First point${thicknessAt(a)}. Click the second.`;
    const apart = a.at.map((v, k) => b.at[k]! - v) as Point;
    const along = ['x', 'y', 'z'].map((name, k) => `${name} ${mm(Math.abs(apart[k]!))}`).join(', ');
    return `${mm(Math.hypot(...apart))} apart (${along})${thicknessAt(b)}.`;
  });

  const span = computed<Span | undefined>(() => {
    const [a, b] = points.value;
    if (!a || !b) return undefined;
    const apart = a.at.map((v, k) => b.at[k]! - v) as Point;
    const length = Math.hypot(...apart);
    return length > 0 ? { mm: length, along: apart.map((v) => v / length) as Point } : undefined;
  });

  return { points, pick, clear, sentence, span };
}
