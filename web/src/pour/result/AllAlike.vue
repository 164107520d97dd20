<script setup lang="ts">
import { FLAW_KINDS, flawWords, ROUGH_COUNTS, type FlawKind, type RoughCount } from '@zero-pour/core';

/** What is so of all castings, said once; the odd ones are set apart afterwards. */
defineProps<{ count: number }>();
const emit = defineEmits<{ rough: [rough: RoughCount]; flaw: [kind: FlawKind] }>();
const KINDS = FLAW_KINDS.map((kind) => ({ title: flawWords(kind), value: kind }));
</script>

<template>
  <div class="rough" role="group" aria-label="Sellable, in a word">
    <span>{{ count === 1 ? 'Is it sellable?' : `How many of ${count} are sellable?` }}</span>
    <v-btn
      v-for="(share, rough) in ROUGH_COUNTS"
      :key="rough"
      :data-share="share"
      @click="emit('rough', rough)"
      >{{ rough }}</v-btn
    >
    <v-select
      v-if="count > 1"
      class="flaw"
      label="A flaw that all have"
      :items="KINDS"
      :model-value="null"
      @update:model-value="(kind: FlawKind | null) => kind && emit('flaw', kind)"
    />
  </div>
</template>

<style scoped>
.rough {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  margin-bottom: 12px;
}
.rough span {
  margin-right: 6px;
}
.rough .v-btn {
  min-height: 44px;
}
.flaw {
  flex: 0 1 240px;
  margin-left: auto;
}
</style>
