import { useDebounceFn } from '@vueuse/core';
import { shallowRef, watch, type Ref } from 'vue';
import { useNotices } from './notices';

const KEEP_AFTER_MS = 500;

/**
 * A kept thing while it is edited: shown at once, kept half a second after the last change. A refusal is said and
 * leaves what was typed in the form. `keeper` is asked when something is typed, so that leaving does not misplace it.
 */
export function useEdited<T extends { id: string }>(
  stored: () => T | undefined,
  keeper: () => (changed: T) => Promise<unknown>,
) {
  const notices = useNotices();
  const item = shallowRef(stored()) as Ref<T | undefined>;
  const unsaved = shallowRef(false);

  watch(stored, (value, before) => {
    if (!unsaved.value || value?.id !== before?.id) item.value = value;
  });

  const keepLater = useDebounceFn(async (keep: (changed: T) => Promise<unknown>, changed: T) => {
    try {
      await keep(changed);
      if (item.value === changed) unsaved.value = false;
    } catch (error) {
      notices.wrong(error);
    }
  }, KEEP_AFTER_MS);

  function change(changed: T): void {
    item.value = changed;
    unsaved.value = true;
    void keepLater(keeper(), changed);
  }

  return { item, unsaved, change };
}
