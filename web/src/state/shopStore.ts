import { shopStateSchema, type ShopState, type Unread } from '@zero-pour/contracts';
import { defineStore, storeToRefs } from 'pinia';
import { computed, shallowRef } from 'vue';
import { request, requestWithFile } from '../api/request';
import { knowProgrammes } from './knownProgrammes';
import { usePours } from './pourStore';
import { learnRevisions } from '../api/revisions';
import { adoptOldEntries, knowShop } from './shopKeys';
import { keptItems } from './shopItems';
import { usePatterns } from './shopPatterns';
import { keptSettings } from './shopSettings';

type Loading = 'no' | 'loading' | 'ready' | 'failed';

/** Whether an id is of a pour or a thing of this shop. */
function isIn({ openPours, lists }: ShopState): (id: string) => boolean {
  const ids = new Set([...openPours, ...Object.values(lists).flat()].map(({ id }) => id));
  return (id) => ids.has(id);
}

/** What the shop owns, its settings and its patterns. */
export const useShop = defineStore('shop', () => {
  const loading = shallowRef<Loading>('no');
  const { settings, keepSettings, takeSettings, resendSettings } = keptSettings();
  const { lists, resendItems, ...items } = keptItems();
  const kept = usePatterns();
  const { patterns, whole, wantsMore } = storeToRefs(kept);
  const { addPattern, takePattern, changePattern } = kept;
  /** Kept things that do not read. */
  const unreadAtStart = shallowRef<Unread[]>([]);
  const unread = computed(() => [...unreadAtStart.value, ...kept.unread]);

  const isEmpty = computed(
    () =>
      patterns.value.length === 0 &&
      !wantsMore.value &&
      Object.values(lists.value).every((list) => list.length === 0),
  );

  function take(state: ShopState): void {
    knowShop(state.shopId);
    adoptOldEntries(isIn(state));
    learnRevisions(state.revisions);
    settings.value = state.settings;
    lists.value = state.lists;
    knowProgrammes(state.lists.programme);
    kept.takeFirst(state.patterns, state.morePatterns);
    unreadAtStart.value = state.unread;
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

  /** As it is by now; what is typed here and not kept yet stays on top. */
  const loadAgain = async (): Promise<void> => take(await request(shopStateSchema, 'GET', '/shop'));

  /** A whole shop out of a zip. */
  const takeIn = async (zip: Blob): Promise<void> =>
    take(await requestWithFile(shopStateSchema, '/archive', zip));

  /** A whole shop out of a backup that lies where backups are kept. */
  const takeBackup = async (name: string): Promise<void> =>
    take(await request(shopStateSchema, 'POST', '/safekeeping/restore', { name }));

  const loadDemo = async (): Promise<void> => take(await request(shopStateSchema, 'POST', '/demo'));

  /** What an earlier window could not send is shown and sent now. */
  function resend(): void {
    resendSettings();
    kept.resendPatterns();
    resendItems();
  }

  return {
    loading,
    settings,
    lists,
    patterns,
    wholePatterns: whole,
    unread,
    isEmpty,
    load,
    loadAgain,
    loadDemo,
    takeIn,
    takeBackup,
    wantsMore,
    loadPatterns: kept.fetchRest,
    keepSettings,
    takeSettings,
    ...items,
    addPattern,
    takePattern,
    changePattern,
  };
});
