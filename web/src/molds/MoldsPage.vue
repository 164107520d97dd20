<script setup lang="ts">
import { planMold } from '@zero-pour/plan';
import { computed } from 'vue';
import { useRouter } from 'vue-router';
import { useRecords } from '../state/recordStore';
import MoldPage from './MoldPage.vue';
import { useMolds } from './moldStore';

/** The shop's molds, and the one that is chosen. */
const props = defineProps<{ id?: string }>();
const molds = useMolds();
const records = useRecords();
const router = useRouter();
molds.load();
const mold = computed(() => molds.all.find(({ id }) => id === props.id) ?? molds.all[0]);
const rows = computed(() =>
  molds.all.map((one) => {
    const pattern = molds.patternOf(one);
    const { waxes, left } = planMold(one, { pattern, resin: undefined, tests: [], thinnestMm: undefined });
    return { mold: one, pattern, waxes, left };
  }),
);
async function add(): Promise<void> {
  const made = await molds.add();
  if (made) await router.push(`/molds/${made.id}`);
}
</script>

<template>
  <div class="page molds">
    <section aria-label="Molds">
      <div class="page-head">
        <h1>Molds</h1>
        <span class="spacer" />
        <v-btn size="small" @click="add">Plan a mold</v-btn>
      </div>
      <p v-if="records.ready && molds.all.length === 0" class="mute">
        No mold yet. A mold pays where one piece is wanted many times: a rubber or silicone mold taken off a
        printed master, or a mold that is printed itself.
      </p>
      <ul v-else class="list">
        <li v-for="row in rows" :key="row.mold.id" :class="{ on: row.mold.id === mold?.id }">
          <router-link :to="`/molds/${row.mold.id}`">{{ row.mold.name }}</router-link>
          <span class="mute">{{ row.mold.kind }}, {{ row.mold.state }}</span>
          <span class="num">{{
            row.waxes === 0 ? 'no wax yet' : `${row.waxes} waxes, about ${row.left} to go`
          }}</span>
          <span v-if="row.mold.place" class="mute">{{ row.mold.place }}</span>
        </li>
      </ul>
    </section>
    <MoldPage v-if="mold" :key="mold.id" :mold="mold" />
  </div>
</template>

<style scoped>
.molds {
  display: grid;
  grid-template-columns: 250px minmax(0, 1fr);
  gap: 32px;
  align-items: start;
}
.list {
  list-style: none;
  margin: 0;
  padding: 0;
}
.list li {
  display: grid;
  gap: 2px;
  padding: 10px 12px;
  border-bottom: 1px solid var(--line);
  font-size: 14px;
}
.list li.on {
  background: var(--paper);
}
.list a {
  font-weight: 650;
  font-size: 15px;
}
@media (max-width: 1000px) {
  .molds {
    grid-template-columns: 1fr;
  }
}
</style>
