<script setup lang="ts">
import { repeatPourDoc, type Pour } from '@zero-pour/contracts';
import { shallowRef } from 'vue';
import { useShop } from '../state/shopStore';
import { useNewPour } from '../state/useNewPour';
import NewestVersions from './NewestVersions.vue';
import { newestPatterns } from './newestPatterns';

/** "Same again, but …": the plan of this pour as a new one, with the change stated. */
const props = defineProps<{ pour: Pour }>();
const change = shallowRef('');
const newPour = useNewPour();
const shop = useShop();
const newest = shallowRef(true);
function again(): void {
  const doc = repeatPourDoc(props.pour.doc, props.pour.number, change.value.trim());
  void newPour(newest.value ? newestPatterns(doc, shop.patterns) : doc);
}
</script>

<template>
  <section class="again">
    <h2>Same again, but …</h2>
    <div class="line">
      <v-text-field
        v-model="change"
        label="What you will do differently"
        hint="Or leave it empty: what differs is found by comparing. One thing at a time tells most"
        persistent-hint
        maxlength="400"
        @keydown.enter="again"
      />
      <v-btn variant="flat" @click="again">Plan it again</v-btn>
    </div>
    <NewestVersions v-model="newest" :doc="pour.doc" />
  </section>
</template>

<style scoped>
.again {
  background: var(--paper);
  border: 1px solid var(--line);
  padding: 14px 18px;
}
h2 {
  margin-bottom: 10px;
}
.line {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 12px;
  align-items: start;
}
.line .v-btn {
  height: 48px;
}
</style>
