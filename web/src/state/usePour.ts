import type { Pour, PourFlask, PourPath, PourValue } from '@zero-pour/contracts';
import { planPour, type FlaskPlan, type PourPlan } from '@zero-pour/plan';
import { computed, inject, provide, shallowRef, watch, type ComputedRef, type InjectionKey } from 'vue';
import { useTimeoutFn } from '@vueuse/core';
import { useReadings } from '../jobs';
import { useKilnRuns } from './kilnRunStore';
import { usePours } from './pourStore';
import { usePlanningShop } from './planningStore';

/** The pour a page is about: its document, its plan, and how to change it. */
export interface PourHandle {
  pour: ComputedRef<Pour>;
  plan: ComputedRef<PourPlan>;
  /** The flask that is shown: the first, unless another was chosen. */
  flask: ComputedRef<FlaskPlan>;
  /** … and which of the pour's it is, counted from 0. */
  flaskAt: ComputedRef<number>;
  chooseFlask: (key: string) => void;
  /** Sets one field, e.g. set(['invest', 'powderId'], id); undefined takes it away. */
  set: <const P extends PourPath>(path: P, value: PourValue<P> | undefined) => void;
  /** Sets one field of the flask that is shown, by stage: setInFlask('sprue', 'flaskId', id). */
  setInFlask: SetInFlask;
  /** The path of a field of the flask that is shown, and of what stands below it. */
  inFlask: <S extends 'sprue' | 'pour'>(
    stage: S,
    field: keyof PourFlask[S] & string,
    ...below: string[]
  ) => PourPath;
}

type SetInFlask = <S extends 'sprue' | 'pour', F extends keyof PourFlask[S] & string>(
  stage: S,
  field: F,
  value: PourFlask[S][F] | undefined,
) => void;

/** Readings that a plan wants are ordered when nobody has changed it for so long. */
const WANTS_AFTER_MS = 2500;

const KEY: InjectionKey<PourHandle> = Symbol('pour');

/** Makes the pour with this id available below; the caller has made sure that it is loaded. */
export function providePour(id: () => string): PourHandle {
  const store = usePours();
  const planning = usePlanningShop();
  const readings = useReadings();
  const kilnRuns = useKilnRuns();
  const pour = computed(() => {
    const found = store.pours.get(id());
    if (!found) throw new Error(`pour ${id()} is not loaded`);
    return found;
  });
  const plan = computed(() => planPour(pour.value, planning.known));
  const shown = shallowRef('');
  const flaskAt = computed(() =>
    Math.max(
      0,
      plan.value.flasks.findIndex(({ context }) => context.decided.key === shown.value),
    ),
  );
  const flask = computed(() => plan.value.flasks[flaskAt.value]!);
  const orderWants = (): void => {
    for (const wanted of plan.value.wants) void readings.order(wanted);
  };
  const set: PourHandle['set'] = (path, value) => store.set(pour.value.id, path, value);
  const handle: PourHandle = {
    pour,
    plan,
    flask,
    flaskAt,
    chooseFlask: (key) => void (shown.value = key),
    set,
    inFlask: (stage, field, ...below) =>
      ['flasks', flask.value.context.decided.key, stage, field, ...below] as unknown as PourPath,
    setInFlask: (stage, field, value) => set(handle.inFlask(stage, field) as never, value as never),
  };
  // A turn that is still being typed wants nothing yet, and the page that shows it may make its reading itself.
  const { start: orderLater } = useTimeoutFn(orderWants, WANTS_AFTER_MS, { immediate: false });
  watch(
    () => plan.value.wants,
    () => orderLater(),
    { immediate: true },
  );
  // Its burnout is judged by the kiln's log where there is one; without an answer it is as if there were none, and said so.
  watch(id, (of) => void kilnRuns.readOfPour(of).catch(() => undefined), { immediate: true });
  provide(KEY, handle);
  return handle;
}

/** The pour of the page above. */
export function usePour(): PourHandle {
  const handle = inject(KEY);
  if (!handle) throw new Error('usePour outside a pour page');
  return handle;
}
