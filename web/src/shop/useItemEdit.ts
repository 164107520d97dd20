import type { ShopItem, ShopKind } from '@zero-pour/contracts';
import { useDebounceFn } from '@vueuse/core';
import { shallowRef, watch, type Ref } from 'vue';
import { useNotices } from '../state/notices';
import { useShop } from '../state/shopStore';

const KEEP_AFTER_MS = 500;

/**
 * A thing of the shop while it is edited: shown at once, kept half a second after the last change. A refusal
 * is said and leaves what was typed in the form.
 */
export function useItemEdit<K extends ShopKind>(kind: () => K, stored: () => ShopItem<K> | undefined) {
  const shop = useShop();
  const notices = useNotices();
  const item = shallowRef(stored()) as Ref<ShopItem<K> | undefined>;
  const unsaved = shallowRef(false);

  watch(stored, (value, before) => {
    if (!unsaved.value || value?.id !== before?.id) item.value = value;
  });

  const keep = useDebounceFn(async (ofKind: K, changed: ShopItem<K>) => {
    try {
      await shop.keepItem(ofKind, changed);
      if (item.value === changed) unsaved.value = false;
    } catch (error) {
      notices.wrong(error);
    }
  }, KEEP_AFTER_MS);

  function change(changed: ShopItem<K>): void {
    item.value = changed;
    unsaved.value = true;
    void keep(kind(), changed);
  }

  return { item, unsaved, change };
}
