<script setup lang="ts">
import type { KnownPart, Pattern } from '@zero-pour/contracts';
import { formatQuantity, nearestParts, outcomeOf } from '@zero-pour/core';
import { computed } from 'vue';
import { useShop } from '../../state/shopStore';
import { useUnits } from '../../state/unitStore';

/** The parts of the record that bracket this one's thinnest place. */
const props = defineProps<{ pattern: Pattern; thinnestMm: number; known: readonly KnownPart[] }>();
const shop = useShop();
const units = useUnits();
const mm = (value: number): string => formatQuantity({ value, unit: 'mm', digits: 2 }, units.choice);

const lines = computed(() => {
  const others = props.known.filter((part) => part.patternId !== props.pattern.id);
  const { finer, stouter } = nearestParts(props.thinnestMm, others);
  const line = (words: string, part: KnownPart | null) => {
    const other = part && shop.patterns.find((p) => p.id === part.patternId);
    return other ? [{ words, other, thinnest: mm(part.thinnestMm), outcome: outcomeOf(part) }] : [];
  };
  return [...line('Stouter than', finer), ...line('Finer than', stouter)];
});
</script>

<template>
  <section>
    <h2>Nearest parts that were cast</h2>
    <p v-for="line in lines" :key="line.words">
      {{ line.words }} <router-link :to="`/patterns/${line.other.id}`">{{ line.other.name }}</router-link>,
      <span class="num">{{ line.thinnest }}</span> at the thinnest, {{ line.outcome }}.
    </p>
    <p v-if="lines.length === 0" class="mute">
      None yet: castings in the record tell how thin is too thin here.
    </p>
  </section>
</template>
