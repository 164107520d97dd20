<script setup lang="ts">
import { computed } from 'vue';
import { useUnits } from '../state/unitStore';

const units = useUnits();
const words = computed(
  () => `°${units.choice.temperature} · ${units.choice.weight} · ${units.choice.length}`,
);
const CHOICES = [
  {
    field: 'temperature',
    name: 'Temperature',
    options: [
      ['C', '°C'],
      ['F', '°F'],
    ],
  },
  {
    field: 'weight',
    name: 'Weight',
    options: [
      ['g', 'g'],
      ['dwt', 'dwt'],
      ['ozt', 'ozt'],
    ],
  },
  {
    field: 'length',
    name: 'Length',
    options: [
      ['mm', 'mm'],
      ['in', 'inch'],
    ],
  },
] as const;
</script>

<template>
  <v-menu :close-on-content-click="false" location="bottom end">
    <template #activator="{ props: activator }">
      <button type="button" class="units" v-bind="activator" :aria-label="`Units: ${words}`">
        {{ words }}
      </button>
    </template>
    <fieldset class="panel">
      <legend class="visually-hidden">Units</legend>
      <div v-for="choice in CHOICES" :key="choice.field" class="line">
        <span :id="`unit-${choice.field}`">{{ choice.name }}</span>
        <v-btn-toggle
          :model-value="units.choice[choice.field]"
          :aria-labelledby="`unit-${choice.field}`"
          @update:model-value="(value) => units.set({ [choice.field]: value })"
        >
          <v-btn v-for="[value, label] in choice.options" :key="value" :value="value">{{ label }}</v-btn>
        </v-btn-toggle>
      </div>
    </fieldset>
  </v-menu>
</template>

<style scoped>
.units {
  border: 1px solid var(--mute);
  border-radius: 3px;
  padding: 4px 10px;
  font: 13.5px var(--text);
  color: var(--rule);
  background: none;
  cursor: pointer;
}
.panel {
  border: 1px solid var(--line2);
  background: var(--paper);
  padding: 12px 16px;
  display: grid;
  gap: 10px;
}
.line {
  display: grid;
  grid-template-columns: 110px auto;
  align-items: center;
}
</style>
