import type { ShopItem, ShopKind } from '@zero-pour/contracts';
import { useShop } from '../state/shopStore';
import { useEdited } from '../state/useEdited';

/** A thing of the shop while it is edited. */
export function useItemEdit<K extends ShopKind>(kind: () => K, stored: () => ShopItem<K> | undefined) {
  const shop = useShop();
  return useEdited<ShopItem<K>>(stored, () => {
    const ofKind = kind();
    return (changed) => shop.keepTyped(ofKind, changed);
  });
}
