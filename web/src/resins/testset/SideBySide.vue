<script setup lang="ts">
import type { TestSetRun } from '@zero-pour/contracts';
import { computed, shallowRef } from 'vue';
import PickRow from '../../components/PickRow.vue';
import { blobAddress } from '../../api/request';
import { useShop } from '../../state/shopStore';
import { sideBySide } from './gradeSummary';

/** The same part in this and the other resins: grades, and pictures where there are any. */
const props = defineProps<{ runs: readonly TestSetRun[]; resinId: string }>();
const shop = useShop();
const parts = computed(() =>
  shop.settings.testSet
    .map((part) => shop.patterns.find((p) => p.id === part.patternId))
    .filter((p) => p !== undefined),
);
const chosen = shallowRef<string>();
const shown = computed(() => chosen.value ?? parts.value[0]?.id);
const columns = computed(() => (shown.value ? sideBySide(props.runs, shown.value) : []));
const printerName = (id: string): string =>
  shop.lists.printer.find((p) => p.id === id)?.name ?? 'a printer that is gone';
const resinName = (id: string): string => shop.lists.resin.find((r) => r.id === id)?.name ?? '';
</script>

<template>
  <section v-if="parts.length > 0" class="stage-block">
    <h2>The same part in other resins and on other printers</h2>
    <PickRow
      label="Part"
      :things="parts.map(({ id, name }) => ({ key: id, name }))"
      :picked="shown"
      @pick="(id) => (chosen = id)"
    />
    <div class="columns">
      <article v-for="{ run, pieces } in columns" :key="run.id" :class="{ own: run.resinId === resinId }">
        <h3>{{ resinName(run.resinId) }}</h3>
        <p class="mute">{{ printerName(run.printerId) }}, {{ run.exposureS }} s</p>
        <ul>
          <li v-for="piece in pieces" :key="piece.key">
            {{ piece.print ?? 'not graded' }}<template v-if="piece.cast">, cast {{ piece.cast }}</template>
            <a v-for="photo in piece.photos" :key="photo.hash" :href="blobAddress(photo.hash)" target="_blank"
              ><img
                :src="blobAddress(photo.hash)"
                :alt="`${piece.name} in ${resinName(run.resinId)}`"
                loading="lazy"
            /></a>
          </li>
        </ul>
      </article>
    </div>
  </section>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(220px, 1fr));
  gap: 14px;
}
article {
  padding: 8px 12px;
  background: var(--sheet);
  border-top: 3px solid var(--line2);
}
.own {
  border-top-color: var(--wax);
}
ul {
  list-style: none;
  margin: 6px 0 0;
  padding: 0;
  font-size: 14px;
}
img {
  display: block;
  max-width: 100%;
  margin: 4px 0;
}
</style>
