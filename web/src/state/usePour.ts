import type { Pour } from '@zero-pour/contracts';
import { planPour, type PourPlan } from '@zero-pour/plan';
import { computed, inject, provide, type ComputedRef, type InjectionKey } from 'vue';
import { usePours } from './pourStore';
import { usePlanningShop } from './planningStore';

/** The pour a page is about: its document, its plan, and how to change it. */
export interface PourHandle {
  pour: ComputedRef<Pour>;
  plan: ComputedRef<PourPlan>;
  /** Sets one field, e.g. set(['sprue', 'flaskId'], id); undefined takes it away. */
  set: (path: readonly string[], value: unknown) => void;
}

const KEY: InjectionKey<PourHandle> = Symbol('pour');

/** Makes the pour with this id available below; the caller has made sure that it is loaded. */
export function providePour(id: () => string): PourHandle {
  const store = usePours();
  const planning = usePlanningShop();
  const pour = computed(() => {
    const found = store.pours.get(id());
    if (!found) throw new Error(`pour ${id()} is not loaded`);
    return found;
  });
  const handle: PourHandle = {
    pour,
    plan: computed(() => planPour(pour.value, planning.known)),
    set: (path, value) => store.set(pour.value.id, path, value),
  };
  provide(KEY, handle);
  return handle;
}

/** The pour of the page above. */
export function usePour(): PourHandle {
  const handle = inject(KEY);
  if (!handle) throw new Error('usePour outside a pour page');
  return handle;
}
