<script setup lang="ts">
import { priceFeedSchema, type Alloy, type PriceFeed } from '@zero-pour/contracts';
import { formatQuantity, priceOfAlloy } from '@zero-pour/core';
import { computed, shallowRef } from 'vue';
import { request, sentenceOf } from '../api/request';
import { useNotices } from '../state/notices';
import { useShop } from '../state/shopStore';
import { useUnits } from '../state/unitStore';
import { formatDay } from '../time/formatMoment';

/** Prices of fine metals of a feed, what the shop's metals are worth by them, and one press that takes them. */
const shop = useShop();
const units = useUnits();
const notices = useNotices();
const feed = shallowRef<PriceFeed>();
const sentence = shallowRef('');
const busy = shallowRef(false);
const money = (value: number): string =>
  formatQuantity({ value, unit: 'money', digits: value < 1 ? 4 : 2 }, units.choice);

async function look(): Promise<void> {
  busy.value = true;
  sentence.value = '';
  try {
    feed.value = await request(priceFeedSchema, 'GET', '/prices');
  } catch (error) {
    sentence.value = sentenceOf(error);
  } finally {
    busy.value = false;
  }
}
const rows = computed(() =>
  shop.lists.alloy.map((alloy) => {
    const priced = feed.value && priceOfAlloy(alloy.composition, feed.value.perG);
    return { alloy, priced };
  }),
);
async function take(): Promise<void> {
  busy.value = true;
  try {
    for (const { alloy, priced } of rows.value)
      if (priced)
        await shop.keepItem('alloy', { ...(alloy as Alloy & { id: string }), pricePerG: round(priced.perG) });
    notices.tell('The prices are the shop’s now.');
    feed.value = undefined;
  } catch (error) {
    sentence.value = sentenceOf(error);
  } finally {
    busy.value = false;
  }
}
const round = (perG: number): number => Number(perG.toPrecision(4));
</script>

<template>
  <section class="stage-block">
    <h2>Prices of all metals</h2>
    <p class="mute mb-2">
      Each metal keeps the price that you type. A feed may tell today's prices of fine metal; the one that
      ships with the application is a stand-in, of no market.
    </p>
    <v-btn size="small" :disabled="busy" @click="look">Ask the feed for prices</v-btn>
    <p v-if="sentence" role="alert" class="mt-2">{{ sentence }}</p>
    <template v-if="feed">
      <p class="mt-2">
        {{ feed.source }}, {{ formatDay(Date.parse(feed.at))
        }}<template v-if="feed.currency">, in {{ feed.currency }}</template
        >. Metal only: what a supplier adds comes on top.
      </p>
      <table class="plain">
        <thead>
          <tr>
            <th>Metal</th>
            <th>Yours a gram</th>
            <th>By the feed</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="{ alloy, priced } in rows" :key="alloy.id">
            <td>{{ alloy.name }}</td>
            <td class="num">{{ alloy.pricePerG > 0 ? money(alloy.pricePerG) : 'none' }}</td>
            <td class="num">
              <template v-if="priced"
                >{{ money(priced.perG)
                }}<span v-if="priced.unpriced.length > 0" class="mute">
                  without {{ priced.unpriced.join(', ') }}</span
                ></template
              >
              <span v-else class="mute">not told</span>
            </td>
          </tr>
        </tbody>
      </table>
      <v-btn size="small" class="mt-2" :disabled="busy" @click="take">Take these prices</v-btn>
    </template>
  </section>
</template>
