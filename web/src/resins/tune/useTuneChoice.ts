import { TUNED_CLASSES } from '@zero-pour/core';
import { tuningThings, USUAL_LAYER_MM, type TuningOf, type TuningThings } from '@zero-pour/plan';
import { computed, type ComputedRef } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { useRecords } from '../../state/recordStore';
import { useShop } from '../../state/shopStore';

export const TUNED_OF: readonly TuningOf[] = [...TUNED_CLASSES, 'base'];

/** What is tuned: printer, layer height and class stand in the address, so that a reload or a link shows the same. */
export function useTuneChoice(resinId: () => string): {
  things: ComputedRef<TuningThings | undefined>;
  of: ComputedRef<TuningOf>;
  layers: ComputedRef<number[]>;
  choose: (change: { printer?: string; layer?: number; of?: TuningOf }) => void;
} {
  const route = useRoute();
  const router = useRouter();
  const shop = useShop();
  const records = useRecords();
  const trials = computed(() => records.lists.trial.filter((trial) => trial.resinId === resinId()));
  const profiles = computed(() => shop.lists.profile.filter((p) => p.resinId === resinId() && !p.replaced));
  const asked = (name: string): string | undefined => {
    const value = route.query[name];
    return typeof value === 'string' ? value : undefined;
  };

  /** The printer asked for, else that of the newest trial, of a profile, or the first. */
  const printerId = computed(
    () =>
      shop.lists.printer.find((p) => p.id === asked('printer'))?.id ??
      trials.value.at(-1)?.printerId ??
      profiles.value[0]?.printerId ??
      shop.lists.printer.find((p) => !p.retired)?.id,
  );
  const layerMm = computed(() => {
    const typed = Number(asked('layer'));
    if (typed > 0 && typed <= 1) return typed;
    const here = (of: { printerId: string }): boolean => of.printerId === printerId.value;
    return trials.value.findLast(here)?.layerMm ?? profiles.value.find(here)?.layerMm ?? USUAL_LAYER_MM;
  });
  const layers = computed(() =>
    [
      ...new Set([
        ...trials.value.map((t) => t.layerMm),
        ...profiles.value.map((p) => p.layerMm),
        layerMm.value,
      ]),
    ].sort((a, b) => a - b),
  );
  const of = computed<TuningOf>(() => TUNED_OF.find((o) => o === asked('of')) ?? 'filigree');
  const things = computed(() =>
    printerId.value === undefined
      ? undefined
      : tuningThings(shop.lists, { resinId: resinId(), printerId: printerId.value, layerMm: layerMm.value }),
  );

  function choose(change: { printer?: string; layer?: number; of?: TuningOf }): void {
    const query = { ...route.query };
    if (change.printer) {
      query['printer'] = change.printer;
      delete query['layer'];
    }
    if (change.layer) query['layer'] = String(change.layer);
    if (change.of) query['of'] = change.of;
    void router.replace({ query });
  }
  return { things, of, layers, choose };
}
