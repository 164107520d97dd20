import { computed, shallowRef, watch, type Ref } from 'vue';
import { useNotices } from './notices';
import { useNotKept } from './notKept';
import { isOnTheWay } from './unsent';

/**
 * A kept thing while it is edited: shown at once, kept when typing pauses. A refusal is said and leaves what was typed
 * in the form, also after a reload, until it is mended or let go. `keeper` is asked when something is typed, so that
 * leaving does not misplace it; what it keeps by resolves to whether that very state was kept.
 */
export function useEdited<T extends { id: string }>(
  stored: () => T | undefined,
  keeper: () => (changed: T) => Promise<boolean>,
) {
  const notices = useNotices();
  const notKept = useNotKept();
  const refusedOf = (value: T | undefined) => value && notKept.thingWith(value.id);
  const asTyped = (value: T | undefined): T | undefined =>
    (refusedOf(value)?.value as T | undefined) ?? value;
  const item = shallowRef(asTyped(stored())) as Ref<T | undefined>;
  const unsaved = shallowRef(false);
  const refused = computed(() => refusedOf(item.value));

  watch(stored, (value, before) => {
    if (!unsaved.value || value?.id !== before?.id) item.value = asTyped(value);
  });
  // Let go elsewhere: the form shows what is kept.
  watch(refused, (now, before) => {
    if (before && !now && item.value === before.value) item.value = stored();
  });

  function change(changed: T): void {
    item.value = changed;
    unsaved.value = true;
    keeper()(changed).then(
      (kept) => {
        if (kept && item.value === changed) unsaved.value = false;
      },
      (error: unknown) => {
        if (item.value === changed) unsaved.value = false;
        notices.wrong(error);
      },
    );
  }

  /** How it stands, for the line beside its name. */
  const standing = computed(() => {
    if (unsaved.value || (item.value && isOnTheWay(item.value.id))) return 'keeping …';
    return refused.value ? `not kept. ${refused.value.sentence}` : 'kept';
  });

  return { item, standing, change };
}
