import {
  emptyShopLists,
  SHOP_ITEM_SCHEMAS,
  SHOP_KINDS,
  type ShopItem,
  type ShopKind,
  type ShopLists,
} from '@zero-pour/contracts';
import { shallowRef } from 'vue';
import { request, requestRemoval } from '../api/request';
import { useNotices } from './notices';
import { forgetUnsent, keepSurely, readUnsent, TYPING_PAUSE_MS } from './unsent';

/** What the shop owns, by kind, and how it is kept: a part of the shop's store. */
export function keptItems() {
  const lists = shallowRef<ShopLists>(emptyShopLists());

  function setList<K extends ShopKind>(kind: K, list: ShopItem<K>[]): void {
    list.sort((a, b) => a.name.localeCompare(b.name));
    lists.value = { ...lists.value, [kind]: list };
  }

  function takeItem<K extends ShopKind>(kind: K, item: ShopItem<K>): void {
    const others = (lists.value[kind] as ShopItem<K>[]).filter((other) => other.id !== item.id);
    setList(kind, [...others, item]);
  }

  async function keepItem<K extends ShopKind>(kind: K, item: ShopItem<K>): Promise<ShopItem<K>> {
    const { id, ...fields } = item;
    const kept = await request(SHOP_ITEM_SCHEMAS[kind], 'PUT', `/shop/${kind}/${id}`, fields);
    takeItem(kind, kept);
    return kept;
  }

  /** Keeps what was typed, however long the server is away. */
  const keepTyped = <K extends ShopKind>(
    kind: K,
    item: ShopItem<K>,
    afterMs = TYPING_PAUSE_MS,
  ): Promise<boolean> =>
    keepSurely({
      at: `/shop/${kind}/${item.id}`,
      value: item,
      send: (typed) => keepItem(kind, typed),
      afterMs,
    });

  async function removeItem<K extends ShopKind>(kind: K, id: string): Promise<void> {
    forgetUnsent(`/shop/${kind}/${id}`);
    await requestRemoval(`/shop/${kind}/${id}`);
    setList(
      kind,
      (lists.value[kind] as ShopItem<K>[]).filter((item) => item.id !== id),
    );
  }

  /** What an earlier window could not send is shown and sent now. */
  function resendItems(): void {
    for (const kind of SHOP_KINDS) {
      for (const { value } of readUnsent(`/shop/${kind}/`)) {
        const parsed = SHOP_ITEM_SCHEMAS[kind].safeParse(value);
        if (!parsed.success) continue;
        takeItem(kind, parsed.data);
        void keepTyped(kind, parsed.data, 0).catch(useNotices().wrong);
      }
    }
  }

  return { lists, takeItem, keepItem, keepTyped, removeItem, resendItems };
}
