import { pouredPrintsSchema, type PouredPrint } from '@zero-pour/contracts';
import { knowPrints, type NotRead, type ShopPrints } from '@zero-pour/plan';
import { defineStore } from 'pinia';
import { computed, shallowRef } from 'vue';
import { request, sentenceOf } from '../api/request';
import { useShop } from './shopStore';

/** What the shop's prints took and how they came out, and what that teaches of printers and resins. */
export const usePrints = defineStore('prints', () => {
  const shop = useShop();
  const prints = shallowRef<PouredPrint[]>([]);
  const ready = shallowRef(false);
  const notRead = shallowRef<NotRead>({ status: 'unread' });

  // Apart, so that a change of a flask or a kiln does not learn everything anew.
  const printer = computed(() => shop.lists.printer);
  const profile = computed(() => shop.lists.profile);
  const resin = computed(() => shop.lists.resin);
  const known = computed<ShopPrints>(() =>
    knowPrints({ printer: printer.value, profile: profile.value, resin: resin.value }, prints.value),
  );

  /** Asks anew what the pours tell. */
  async function load(): Promise<void> {
    try {
      prints.value = await request(pouredPrintsSchema, 'GET', '/prints');
      ready.value = true;
    } catch (error) {
      if (!ready.value) notRead.value = { status: 'failed', sentence: sentenceOf(error) };
      throw error;
    }
  }
  /** For plans: what is known, or that it is not read. */
  const read = computed(() => (ready.value ? known.value : notRead.value));
  return { prints, known, read, load };
});
