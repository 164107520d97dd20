import { pouredSizesListSchema, type PouredSizes } from '@zero-pour/contracts';
import { knowSizes, type NotRead, type ShopSizes } from '@zero-pour/plan';
import { defineStore } from 'pinia';
import { computed, shallowRef } from 'vue';
import { request, sentenceOf } from '../api/request';
import { useRecords } from './recordStore';
import { useShop } from './shopStore';

/** What the shop measured of sizes, in series and by its pours, and what that says of every step. */
export const useSizes = defineStore('sizes', () => {
  const shop = useShop();
  const records = useRecords();
  const poured = shallowRef<PouredSizes[]>([]);
  const ready = shallowRef(false);
  const notRead = shallowRef<NotRead>({ status: 'unread' });

  // Apart, so that a change of a flask or a kiln does not reckon everything anew.
  const resin = computed(() => shop.lists.resin);
  const alloy = computed(() => shop.lists.alloy);
  const profile = computed(() => shop.lists.profile);
  const series = computed(() => records.lists.sizeSeries);
  const known = computed<ShopSizes>(() =>
    knowSizes({ resin: resin.value, alloy: alloy.value, profile: profile.value }, series.value, poured.value),
  );

  /** Asks anew what the pours tell; series come with the records. */
  async function load(): Promise<void> {
    try {
      const [list] = await Promise.all([request(pouredSizesListSchema, 'GET', '/sizes'), records.load()]);
      poured.value = list;
      ready.value = true;
    } catch (error) {
      if (!ready.value) notRead.value = { status: 'failed', sentence: sentenceOf(error) };
      throw error;
    }
  }
  /** For plans: what is known, or that it is not read. */
  const read = computed(() => (ready.value ? known.value : notRead.value));
  return { poured, known, read, ready, load };
});
