<script setup lang="ts">
import { madeWithListSchema, pourSchema, repeatPourDoc } from '@zero-pour/contracts';
import { rankMadeWith, type RankedMaking } from '@zero-pour/plan';
import { computed } from 'vue';
import { request } from '../api/request';
import { useAsked } from '../api/useAsked';
import { useNewPour } from '../state/useNewPour';
import { useNotices } from '../state/notices';
import { useShop } from '../state/shopStore';

/** What castings of each metal and class were made with, the best first, and a pour begun from it. */
const shop = useShop();
const notices = useNotices();
const newPour = useNewPour();
const { told, notRead } = useAsked(madeWithListSchema, () => '/casts/made-with');
const groups = computed(() => rankMadeWith(told.value ?? []));
const nameIn = (kind: 'alloy' | 'resin' | 'powder' | 'programme', id: string | null): string =>
  (id && shop.lists[kind].find((item) => item.id === id)?.name) || 'not told';
const percent = (share: number): string => `${Math.round(100 * share)} %`;

async function begin({ made }: RankedMaking): Promise<void> {
  try {
    const pour = await request(pourSchema, 'GET', `/pours/${made.lastPourId}`);
    await newPour(repeatPourDoc(pour.doc, pour.number, ''));
  } catch (error) {
    notices.wrong(error);
  }
}
</script>

<template>
  <div class="page">
    <div class="page-head">
      <h1>What came out best</h1>
      <router-link to="/record">Record</router-link>
    </div>
    <p v-if="notRead" role="alert">The record could not be read: {{ notRead }}</p>
    <p v-else-if="told && groups.length === 0" class="sheet nothing">
      Nothing to rank yet: no recorded pour has castings that were looked at.
    </p>
    <section v-for="group in groups" :key="`${group.alloyId} ${group.castClass}`" class="stage-block">
      <h2>{{ nameIn('alloy', group.alloyId) }}, {{ group.castClass }}</h2>
      <p class="mute">{{ group.says }}</p>
      <div class="scroll-x">
        <table class="plain">
          <thead>
            <tr>
              <th>Resin</th>
              <th>Powder</th>
              <th>Programme</th>
              <th class="right">Sellable</th>
              <th class="right">9 in 10 between</th>
              <th class="right">Pours</th>
              <th></th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(one, n) in group.rows" :key="n">
              <td>{{ nameIn('resin', one.made.resinId) }}</td>
              <td>{{ nameIn('powder', one.made.powderId) }}</td>
              <td>{{ nameIn('programme', one.made.programmeId) }}</td>
              <td class="num right">{{ one.made.sellable }} of {{ one.made.looked }}</td>
              <td class="num right">{{ percent(one.share.low) }} to {{ percent(one.share.high) }}</td>
              <td class="num right">{{ one.made.pours }}, last {{ one.made.lastNumber }}</td>
              <td>
                <v-btn
                  size="small"
                  :aria-label="`Begin a pour like pour ${one.made.lastNumber}`"
                  @click="begin(one)"
                  >Begin a pour like it</v-btn
                >
              </td>
            </tr>
          </tbody>
        </table>
      </div>
    </section>
  </div>
</template>

<style scoped>
.nothing {
  padding: 24px;
}
td {
  vertical-align: middle;
}
</style>
