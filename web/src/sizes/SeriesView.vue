<script setup lang="ts">
import type { SizeSeries } from '@zero-pour/contracts';
import { computed } from 'vue';
import { useRouter } from 'vue-router';
import { useNotices } from '../state/notices';
import { useRecords } from '../state/recordStore';
import { useShop } from '../state/shopStore';
import { formatDay } from '../time/formatMoment';
import { newSeries } from './newSeries';
import SeriesForm from './SeriesForm.vue';

/** Series that were typed, newest first, and the one that is open. */
const props = defineProps<{ id: string | undefined }>();
const shop = useShop();
const records = useRecords();
const notices = useNotices();
const router = useRouter();

const list = computed(() =>
  [...records.lists.sizeSeries].sort((a, b) => b.measuredAt.localeCompare(a.measuredAt)),
);
const chosen = computed(() => list.value.find((s) => s.id === props.id) ?? list.value[0]);
const nameOf = (series: SizeSeries): string => {
  const resin = shop.lists.resin.find((r) => r.id === series.resinId)?.name ?? '';
  return `${resin}, ${series.stage}`;
};
const goTo = (id: string): void => void router.push(`/sizes/series/${id}`);

async function add(): Promise<void> {
  const made = newSeries(shop.lists, list.value[0], new Date());
  if (!made) return notices.tell('Add a resin first, under Resins.');
  goTo(made.id);
  await records.add('sizeSeries', made).catch(notices.wrong);
}
async function remove(gone: SizeSeries): Promise<void> {
  await records.remove('sizeSeries', gone.id).catch(notices.wrong);
  void router.push('/sizes/series');
  notices.tell('The series is taken away.', {
    label: 'Undo',
    run: () => void records.add('sizeSeries', gone).catch(notices.wrong),
  });
}
</script>

<template>
  <div class="series">
    <nav aria-label="Series">
      <v-btn variant="flat" class="mb-3" @click="add">New series</v-btn>
      <router-link
        v-for="series in list"
        :key="series.id"
        :to="`/sizes/series/${series.id}`"
        :class="{ on: series.id === chosen?.id }"
      >
        {{ nameOf(series) }}
        <span class="mute"
          >{{ formatDay(Date.parse(series.measuredAt)) }}, {{ series.pairs.length }} sizes</span
        >
      </router-link>
    </nav>
    <SeriesForm v-if="chosen" :key="chosen.id" :series="chosen" @remove="remove" />
    <p v-else class="mute">
      Measure sizes that you printed: as they come off the printer, cured, as wax, as cast or finished. From
      the first one on, the plans take them in.
    </p>
  </div>
</template>

<style scoped>
.series {
  display: grid;
  grid-template-columns: 240px minmax(0, 1fr);
  gap: 28px;
  align-items: start;
}
nav {
  display: grid;
}
nav a {
  display: grid;
  padding: 8px 10px;
  border-left: 4px solid transparent;
  border-bottom: 1px solid var(--line);
  color: var(--ink);
  text-decoration: none;
}
nav .mute {
  font-size: 13.5px;
}
nav .on {
  background: var(--paper);
  border-left-color: var(--wax);
}
@media (max-width: 900px) {
  .series {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
