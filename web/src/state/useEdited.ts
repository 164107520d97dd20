import { shallowRef, watch, type Ref } from 'vue';
import { useNotices } from './notices';

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
  const item = shallowRef(stored()) as Ref<T | undefined>;
  const unsaved = shallowRef(false);

  watch(stored, (value, before) => {
    if (!unsaved.value || value?.id !== before?.id) item.value = value;
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
