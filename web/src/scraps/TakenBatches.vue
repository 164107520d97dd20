<script setup lang="ts">
import type { ScrapBatch } from '@zero-pour/contracts';
import { computed, shallowRef } from 'vue';
import { useNotices } from '../state/notices';
import { useRecords } from '../state/recordStore';
import { useShop } from '../state/shopStore';
import { formatDay } from '../time/formatMoment';

/** What was taken in before, and the way to take it back. */
const records = useRecords();
const shop = useShop();
const notices = useNotices();
records.load().catch(notices.wrong);
const batches = computed(() =>
  [...records.lists.scrapBatch].sort((a, b) => b.takenAt.localeCompare(a.takenAt)),
);
/** "40 pours", or what a sheet became. */
const countOf = ({ pours, sheet, records: kept, figures }: ScrapBatch): string =>
  sheet === undefined ? `${pours} pours` : `${(kept?.length ?? 0) + (figures?.length ?? 0)} of ${sheet}`;
/** A second press does it: the pours of it go, with what was changed in them since. */
const asked = shallowRef('');

async function takeBack(batch: ScrapBatch): Promise<void> {
  try {
    await records.remove('scrapBatch', batch.id);
    await Promise.all([shop.loadAgain(), records.loadAgain()]);
    notices.tell(`${countOf(batch)} of ${batch.name}: taken back.`);
  } catch (error) {
    notices.wrong(error);
  }
}
</script>

<template>
  <section v-if="batches.length > 0" class="stage-block" aria-label="Taken in before">
    <h2>Taken in before</h2>
    <table class="plain">
      <tbody>
        <tr v-for="batch in batches" :key="batch.id">
          <td>{{ batch.name }}</td>
          <td class="num">{{ countOf(batch) }}</td>
          <td class="num">{{ formatDay(Date.parse(batch.takenAt)) }}</td>
          <td>{{ batch.made.map(({ name }) => name).join(', ') }}</td>
          <td>
            <button v-if="asked !== batch.id" type="button" class="text-button" @click="asked = batch.id">
              Take it back
            </button>
            <template v-else>
              All {{ countOf(batch) }} go, with what was changed in them since.
              <button type="button" class="text-button" @click="takeBack(batch)">Take them back</button>
              <button type="button" class="text-button" @click="asked = ''">Keep them</button>
            </template>
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>
