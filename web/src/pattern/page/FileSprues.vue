<script setup lang="ts">
import type { Pattern } from '@zero-pour/contracts';
import { formatQuantity, type Unit } from '@zero-pour/core';
import { useUnits } from '../../state/unitStore';
import { useFileSprues } from './useFileSprues';

/** Sprues that are drawn in the file: kept out of the piece, and in print, flask and charge. */
const props = defineProps<{ pattern: Pattern }>();
const marking = defineModel<boolean>('marking', { required: true });
const { busy, sentence, rods, add, remove, shift, turn } = useFileSprues(() => props.pattern);
const units = useUnits();
const show = (value: number, unit: Unit, digits: number): string =>
  formatQuantity({ value, unit, digits }, units.choice);

/** One press moves the cut by so much. mm. */
const STEP_MM = 0.25;
defineExpose({ press: (at: [number, number, number]) => add({ by: 'cut', at }) });
</script>

<template>
  <section>
    <h2>Sprues in the file</h2>
    <template v-if="pattern.sprues">
      <div v-for="(section, n) in pattern.sprues.sections" :key="n" class="sprue">
        <span class="num">
          {{ pattern.sprues.marks[n]?.by === 'body' ? 'a body,' : 'cut at' }} ⌀
          {{ show(section.diameterMm, 'mm', 1) }},
          {{ show(section.volumeMm3 / 1000, 'cm3', 3) }}
        </span>
        <template v-if="pattern.sprues.marks[n]?.by === 'cut'">
          <v-btn size="small" :disabled="busy" @click="shift(n, -STEP_MM)">Nearer the part</v-btn>
          <v-btn size="small" :disabled="busy" @click="shift(n, STEP_MM)">Further off</v-btn>
          <button type="button" class="text-button" :disabled="busy" @click="turn(n)">
            The other side is the sprue
          </button>
        </template>
        <button type="button" class="text-button" :disabled="busy" @click="remove(n)">Not a sprue</button>
      </div>
      <p class="mute">
        Not in the piece’s weight, class or price; printed, fed and cast with it. Its findings and colours are
        those of the piece.
      </p>
    </template>
    <p v-else class="mute">
      Marked sprues count for print, flask and charge, not for the piece’s weight, class or price. None is
      marked.
    </p>
    <div v-for="(rod, n) in rods" :key="n" class="sprue">
      <span>
        One body looks like a sprue: ⌀ {{ show(rod.diameterMm, 'mm', 1) }},
        {{ show(rod.lengthMm, 'mm', 1) }} long.
      </span>
      <v-btn size="small" :disabled="busy" @click="add({ by: 'body', at: rod.at })">It is a sprue</v-btn>
    </div>
    <div class="sprue">
      <v-btn size="small" :disabled="busy" :aria-pressed="marking" @click="marking = !marking">
        {{ marking ? 'Done marking' : 'Mark a sprue' }}
      </v-btn>
      <span v-if="busy" role="status">Cutting …</span>
      <span v-else-if="sentence" role="alert">{{ sentence }}</span>
      <span v-else-if="marking" class="mute">Press on the part’s picture.</span>
    </div>
  </section>
</template>

<style scoped>
.sprue {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: center;
}
</style>
