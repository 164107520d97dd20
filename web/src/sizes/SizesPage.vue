<script setup lang="ts">
import { onMounted } from 'vue';
import { useNotices } from '../state/notices';
import { useSizes } from '../state/sizeStore';
import SaysView from './SaysView.vue';
import SeriesView from './SeriesView.vue';

/** Everything that the shop measured of sizes, and what it says of every step. */
defineProps<{ view?: string; id?: string }>();
const sizes = useSizes();
const notices = useNotices();
onMounted(() => sizes.load().catch((error: unknown) => notices.wrong(error)));
</script>

<template>
  <div class="page">
    <div class="page-head">
      <h1>Sizes</h1>
      <span class="mute">what was measured, and what it says of every step</span>
      <span class="spacer" />
      <v-btn to="/sizes/why">It came out off</v-btn>
    </div>
    <nav class="class-tabs" aria-label="Views of sizes">
      <router-link to="/sizes" :class="{ on: view !== 'series' }">What it says</router-link>
      <router-link to="/sizes/series" :class="{ on: view === 'series' }">Measured series</router-link>
    </nav>
    <p v-if="!sizes.ready" class="mute">Fetching what was measured …</p>
    <SeriesView v-else-if="view === 'series'" :id="id" />
    <SaysView v-else />
  </div>
</template>

<style scoped>
.class-tabs a {
  display: flex;
  align-items: center;
  min-height: 40px;
  padding: 0 12px;
  border-bottom: 4px solid transparent;
  color: var(--mute);
  text-decoration: none;
}
.class-tabs .on {
  color: var(--ink);
  font-weight: 650;
  border-bottom-color: var(--wax);
}
</style>
