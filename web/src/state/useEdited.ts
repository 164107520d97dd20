import { shallowRef, watch, type Ref } from 'vue';
import { useNotices } from './notices';
import { useNotKept } from './notKept';

/**
 * A kept thing while it is edited: shown at once, kept when typing pauses. A refusal is said and leaves what was typed
 * in the form. `keeper` is asked when something is typed, so that leaving does not misplace it; what it keeps by
 * resolves to whether that very state was kept.
 */
export function useEdited<T extends { id: string }>(
  stored: () => T | undefined,
  keeper: () => (changed: T) => Promise<boolean>,
) {
  const notices = useNotices();
  const notKept = useNotKept();
  /** What was typed of it earlier and refused comes back into its form. */
  const asTyped = (value: T | undefined): T | undefined =>
    value && ((notKept.thingWith(value.id)?.value as T | undefined) ?? value);
  const item = shallowRef(asTyped(stored())) as Ref<T | undefined>;
  const unsaved = shallowRef(false);

  watch(stored, (value, before) => {
    if (!unsaved.value || value?.id !== before?.id) item.value = asTyped(value);
  });

  function change(changed: T): void {
    item.value = changed;
    unsaved.value = true;
    keeper()(changed).then(
      (kept) => {
        if (kept && item.value === changed) unsaved.value = false;
      },
      (error: unknown) => notices.wrong(error),
    );
  }

  return { item, unsaved, change };
}
