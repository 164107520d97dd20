import {
  DEFAULT_SETTINGS,
  emptyShopLists,
  patternChangeSchema,
  patternSchema,
  settingsSchema,
  SHOP_ITEM_SCHEMAS,
  SHOP_KINDS,
  shopStateSchema,
  type NewPattern,
  type Pattern,
  type PatternChange,
  type Settings,
  type ShopItem,
  type ShopKind,
  type ShopLists,
  type ShopState,
  type Unread,
} from '@zero-pour/contracts';
import { defineStore } from 'pinia';
import { computed, shallowRef, watch } from 'vue';
import { request, requestRemoval } from '../api/request';
import { setShopZone } from '../time/shopClock';
import { useNotices } from './notices';
import { knowProgrammes } from './knownProgrammes';
import { usePours } from './pourStore';
import { learnRevision, learnRevisions, revisionAt } from '../api/revisions';
import { adoptOldEntries, knowShop } from './shopKeys';
import { forgetUnsent, keepSurely, readUnsent, TYPING_PAUSE_MS } from './unsent';

const SETTINGS_AT = '/settings';
type Loading = 'no' | 'loading' | 'ready' | 'failed';

/** Whether an id is of a pour or a thing of this shop. */
function isIn({ openPours, lists }: ShopState): (id: string) => boolean {
  const ids = new Set([...openPours, ...Object.values(lists).flat()].map(({ id }) => id));
  return (id) => ids.has(id);
}

/** What the shop owns, its settings and its patterns. */
export const useShop = defineStore('shop', () => {
  const loading = shallowRef<Loading>('no');
  const settings = shallowRef<Settings>(DEFAULT_SETTINGS);
  watch(settings, ({ timeZone }) => setShopZone(timeZone), { flush: 'sync' });
  const lists = shallowRef<ShopLists>(emptyShopLists());
  const patterns = shallowRef<Pattern[]>([]);
  /** Kept things that do not read. */
  const unread = shallowRef<Unread[]>([]);

  const isEmpty = computed(
    () => patterns.value.length === 0 && Object.values(lists.value).every((list) => list.length === 0),
  );

  function take(state: ShopState): void {
    knowShop(state.shopId);
    adoptOldEntries(isIn(state));
    learnRevisions(state.revisions);
    settings.value = state.settings;
    lists.value = state.lists;
    knowProgrammes(state.lists.programme);
    patterns.value = state.patterns;
    unread.value = state.unread;
    usePours().takeOpen(state.openPours);
    resend();
    loading.value = 'ready';
  }

  async function load(): Promise<void> {
    if (loading.value === 'ready' || loading.value === 'loading') return;
    loading.value = 'loading';
    try {
      take(await request(shopStateSchema, 'GET', '/shop'));
    } catch (error) {
      loading.value = 'failed';
      throw error;
    }
  }

  const loadDemo = async (): Promise<void> => take(await request(shopStateSchema, 'POST', '/demo'));

  /** Keeps the settings, however long the server is away. */
  async function keepSettings(changed: Settings, afterMs = 0): Promise<boolean> {
    const before = settings.value;
    settings.value = changed;
    const send = async (typed: Settings): Promise<void> => {
      const kept = await request(settingsSchema, 'PUT', SETTINGS_AT, typed);
      if (settings.value === changed) settings.value = kept;
    };
    try {
      return await keepSurely({ at: SETTINGS_AT, value: changed, send, afterMs });
    } catch (error) {
      if (settings.value === changed) settings.value = before;
      throw error;
    }
  }

  const takeSettings = (kept: Settings): void => void (settings.value = kept);

  function setList<K extends ShopKind>(kind: K, list: ShopItem<K>[]): void {
    list.sort((a, b) => a.name.localeCompare(b.name));
    lists.value = { ...lists.value, [kind]: list };
  }

  function showItem<K extends ShopKind>(kind: K, item: ShopItem<K>): void {
    const others = (lists.value[kind] as ShopItem<K>[]).filter((other) => other.id !== item.id);
    setList(kind, [...others, item]);
  }

  async function keepItem<K extends ShopKind>(kind: K, item: ShopItem<K>): Promise<ShopItem<K>> {
    const { id, ...fields } = item;
    const kept = await request(SHOP_ITEM_SCHEMAS[kind], 'PUT', `/shop/${kind}/${id}`, fields);
    showItem(kind, kept);
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

  /** What an earlier window could not send is shown and sent now. */
  function resend(): void {
    for (const { value } of readUnsent(SETTINGS_AT)) {
      const parsed = settingsSchema.safeParse(value);
      if (!parsed.success) continue;
      void keepSettings(parsed.data).catch(useNotices().wrong);
    }
    for (const { at, value } of readUnsent('/patterns/')) {
      const parsed = patternChangeSchema.safeParse(value);
      if (parsed.success) void changePattern(at.split('/').at(-1)!, parsed.data).catch(useNotices().wrong);
    }
    for (const kind of SHOP_KINDS) {
      for (const { value } of readUnsent(`/shop/${kind}/`)) {
        const parsed = SHOP_ITEM_SCHEMAS[kind].safeParse(value);
        if (!parsed.success) continue;
        showItem(kind, parsed.data);
        void keepTyped(kind, parsed.data, 0).catch(useNotices().wrong);
      }
    }
  }

  async function removeItem<K extends ShopKind>(kind: K, id: string): Promise<void> {
    forgetUnsent(`/shop/${kind}/${id}`);
    await requestRemoval(`/shop/${kind}/${id}`);
    setList(
      kind,
      (lists.value[kind] as ShopItem<K>[]).filter((item) => item.id !== id),
    );
  }

  async function addPattern(pattern: NewPattern): Promise<Pattern> {
    const kept = await request(patternSchema, 'POST', '/patterns', pattern);
    const at = `/patterns/${kept.id}`;
    if (revisionAt(at) === undefined) learnRevision(at, 1);
    patterns.value = [kept, ...patterns.value.filter((p) => p.id !== kept.id)];
    return kept;
  }

  function takePattern(kept: Pattern): void {
    patterns.value = patterns.value.map((p) => (p.id === kept.id ? kept : p));
  }

  /** Keeps a pattern's name, note and class, however long the server is away. */
  function changePattern(id: string, change: PatternChange): Promise<boolean> {
    const at = `/patterns/${id}`;
    const before = patterns.value.find((pattern) => pattern.id === id);
    if (before) takePattern({ ...before, ...change });
    const send = async (typed: PatternChange): Promise<void> =>
      takePattern(await request(patternSchema, 'PUT', at, typed));
    return keepSurely({ at, value: change, send, afterMs: 0 }).catch((error: unknown) => {
      if (before) takePattern(before);
      throw error;
    });
  }

  return {
    loading,
    settings,
    lists,
    patterns,
    unread,
    isEmpty,
    load,
    loadDemo,
    keepSettings,
    takeSettings,
    takeItem: showItem,
    keepItem,
    keepTyped,
    removeItem,
    addPattern,
    takePattern,
    changePattern,
  };
});
