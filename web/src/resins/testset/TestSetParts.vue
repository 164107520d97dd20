<script setup lang="ts">
import type { Settings } from '@zero-pour/contracts';
import { TUNED_CLASSES, type TunedClass } from '@zero-pour/core';
import { computed, shallowRef } from 'vue';
import { useNotices } from '../../state/notices';
import { useShop } from '../../state/shopStore';

/** The shop's fixed plate: one or two of its own parts for each class, the same for every resin. */
const shop = useShop();
const notices = useNotices();
const parts = computed(() => shop.settings.testSet);
/** It stays open while parts are added. */
const open = shallowRef(parts.value.length === 0);
const nameOf = (id: string): string => shop.patterns.find((p) => p.id === id)?.name ?? 'a part that is gone';
const others = computed(() =>
  shop.patterns.filter((p) => !parts.value.some((part) => part.patternId === p.id)),
);

const keep = (testSet: Settings['testSet']): void =>
  void shop.keepSettings({ ...shop.settings, testSet }).catch(notices.wrong);
const add = (patternId: string | null): void => {
  if (!patternId) return;
  keep([...parts.value, { patternId, castClass: 'standard' }]);
};
const setClass = (patternId: string, castClass: TunedClass): void =>
  keep(parts.value.map((part) => (part.patternId === patternId ? { ...part, castClass } : part)));
</script>

<template>
  <details class="parts" :open="open" @toggle="(event) => (open = (event.target as HTMLDetailsElement).open)">
    <summary>
      The shop’s test set:
      <b>{{ parts.length === 0 ? 'none yet' : parts.map((p) => nameOf(p.patternId)).join(', ') }}</b>
    </summary>
    <p class="mute">
      One or two of your own parts for each class: fine open work, settings and prongs, hollow, heavy smooth,
      heavy textured, lettering. Always the same, so that resins can be compared.
    </p>
    <div v-for="part in parts" :key="part.patternId" class="part">
      <span>{{ nameOf(part.patternId) }}</span>
      <v-select
        label="Class"
        :items="[...TUNED_CLASSES]"
        :model-value="part.castClass"
        @update:model-value="(c: TunedClass) => setClass(part.patternId, c)"
      />
      <button
        type="button"
        class="text-button"
        @click="keep(parts.filter((p) => p.patternId !== part.patternId))"
      >
        away
      </button>
    </div>
    <v-select
      class="add"
      label="Add a part"
      :items="others.map((p) => ({ title: p.name, value: p.id }))"
      :model-value="null"
      no-data-text="No further pattern here: drop a model file anywhere."
      @update:model-value="add"
    />
  </details>
</template>

<style scoped>
.parts {
  border-top: 1px solid var(--line);
  border-bottom: 1px solid var(--line);
  padding: 6px 0;
}
summary {
  cursor: pointer;
  min-height: 30px;
}
.part {
  display: grid;
  grid-template-columns: 240px 160px auto;
  gap: 12px;
  align-items: center;
  justify-items: start;
  padding: 4px 0;
}
.part > :nth-child(2) {
  width: 100%;
}
.add {
  max-width: 300px;
  margin-top: 6px;
}
</style>
