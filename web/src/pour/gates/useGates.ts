import type { PourGate } from '@zero-pour/contracts';
import type { PartGates } from '@zero-pour/plan';
import { computed, type ComputedRef } from 'vue';
import type { Point, ViewShape } from '../../pattern';
import { usePour } from '../../state/usePour';
import { newGate, normalOf, withPlaced } from './placeGates';

/** A place of the picture that was pressed: on the surface, with the corners of its face. */
export interface Picked {
  at: Point;
  vertices: Point;
}

export interface GatesHandle {
  placed: ComputedRef<PourGate[]>;
  keep: (gates: readonly PourGate[]) => void;
  /** One more where the part was pressed, or where it is offered. */
  add: (at: Point, normal: Point, diameterMm?: number) => void;
  press: (picked: Picked, shape: ViewShape) => void;
  move: (n: number, picked: Picked, shape: ViewShape) => void;
  change: (n: number, fields: Partial<PourGate>) => void;
}

/** Gates of one part in the pour, and what is done with them. */
export function useGates(entry: () => PartGates | undefined): GatesHandle {
  const { pour, set } = usePour();
  const placed = computed(() => pour.value.doc.wayUp.lines[entry()?.part.key ?? '']?.gates?.placed ?? []);
  function keep(gates: readonly PourGate[]): void {
    const of = entry();
    if (of) set(['wayUp', 'lines', of.part.key, 'gates'], withPlaced(of.gates, gates));
  }
  function add(at: Point, normal: Point, diameterMm?: number): void {
    const of = entry();
    if (of) keep([...placed.value, newGate(at, normal, diameterMm ?? of.gates.diameterMm)]);
  }
  const change = (n: number, fields: Partial<PourGate>): void =>
    keep(placed.value.map((gate, m) => (m === n ? { ...gate, ...fields } : gate)));
  return {
    placed,
    keep,
    add,
    press: ({ at, vertices }, shape) => add(at, normalOf(shape, vertices)),
    move: (n, { at, vertices }, shape) => change(n, { placeMm: at, normal: normalOf(shape, vertices) }),
    change,
  };
}
