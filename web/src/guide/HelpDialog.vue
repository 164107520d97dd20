<script setup lang="ts">
import { planPour } from '@zero-pour/plan';
import { computed, shallowRef } from 'vue';
import { useRoute } from 'vue-router';
import { usePlanningShop } from '../state/planningStore';
import { usePours } from '../state/pourStore';
import { useStartGuide } from './guidedPour';
import { GUIDE, partOfPage } from './guideText';
import KeyList from './KeyList.vue';

/** The user guide's own words on the page that is open, any other part of it by a press, and the keys. */
const open = defineModel<boolean>({ required: true });
const KEYS = 'Keys';
const route = useRoute();
const startGuide = useStartGuide();
const [{ pours }, planning] = [usePours(), usePlanningShop()];
/** A pour's page without a stage shows the one that is in work. */
function stageInWork(): string {
  const pour = pours.get(String(route.params['id']));
  return pour ? planPour(pour, planning.known).current : '';
}
const here = computed(() =>
  partOfPage(String(route.name ?? ''), {
    kind: String(route.params['kind'] ?? ''),
    stage: String(route.params['stage'] || stageInWork()),
  }),
);
const chosen = shallowRef<string | null>(null);
const part = computed(() => {
  const title = chosen.value ?? here.value;
  return GUIDE.find((one) => one.title === title) ?? GUIDE[0]!;
});
const titles = GUIDE.map(({ title }) => title);

async function showAPour(): Promise<void> {
  open.value = false;
  await startGuide();
}
</script>

<template>
  <v-dialog v-model="open" max-width="860" aria-label="Help" scrollable>
    <section class="help">
      <header>
        <v-select
          :model-value="part.title"
          :items="titles"
          label="The guide on"
          hide-details
          @update:model-value="(title: string) => (chosen = title)"
        />
        <button type="button" class="text-button" @click="showAPour">Show me one pour</button>
        <v-btn @click="open = false">Close</v-btn>
      </header>
      <!-- Its region takes the keyboard: it scrolls. -->
      <div class="text" tabindex="0" role="region" :aria-label="part.title">
        <KeyList v-if="part.title === KEYS" />
        <!-- The application's own text, made of docs/user-guide.md when the page is built. -->
        <!-- eslint-disable-next-line vue/no-v-html -->
        <div class="words" v-html="part.html" />
        <template v-if="part.title !== KEYS">
          <h2>Keys</h2>
          <KeyList />
        </template>
      </div>
    </section>
  </v-dialog>
</template>

<style scoped>
.help {
  background: var(--sheet);
  border: 1px solid var(--line2);
  display: flex;
  flex-direction: column;
  max-height: 84vh;
}
header {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto auto;
  gap: 12px;
  align-items: center;
  padding: 14px 18px;
  border-bottom: 1px solid var(--line2);
}
.text {
  overflow-y: auto;
  padding: 14px 22px 20px;
}
.words {
  font-size: 16px;
  line-height: 1.5;
  max-width: 72ch;
}
.words :deep(p),
.words :deep(li) {
  margin-bottom: 10px;
}
.words :deep(ul) {
  padding-left: 20px;
}
.words :deep(code) {
  font-family: var(--mono);
  font-size: 0.92em;
}
h2 {
  margin: 16px 0 8px;
  border-top: 1px solid var(--line2);
  padding-top: 12px;
}
@media (max-width: 600px) {
  header {
    grid-template-columns: minmax(0, 1fr) auto;
  }
}
</style>
