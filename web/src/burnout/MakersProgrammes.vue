<script setup lang="ts">
import { formatPhrase, formatQuantity, type ProgrammeConflict, type Segment } from '@zero-pour/core';
import type { MakersPlan } from '@zero-pour/plan';
import { computed } from 'vue';
import { useUnits } from '../state/unitStore';

/** What the makers of resin and powder prescribe, made one: each difference by name, taken by a press. */
const props = defineProps<{ makers: MakersPlan; readonly: boolean }>();
const emit = defineEmits<{ take: [segments: Segment[]] }>();
const units = useUnits();

const UNITS = { climb: 'degCPerH', fall: 'degCPerH', hold: 'h', peak: 'degC' } as const;
const value = ({ what }: ProgrammeConflict, asked: number | null): string =>
  asked === null ? 'its own pace' : formatQuantity({ value: asked, unit: UNITS[what] }, units.choice);
const name = ({ stage, what }: ProgrammeConflict): string => (what === 'peak' ? stage : `${stage}, ${what}`);
const ask = (conflict: ProgrammeConflict, by: string): string => {
  const found = conflict.asks.find((one) => one.by === by);
  return found ? value(conflict, found.value) : '–';
};
const conflicts = computed(() => props.makers.both?.conflicts ?? []);
const to = ({ kind, id }: MakersPlan['unknown'][number]): string =>
  kind === 'resin' ? `/resins/${id}/record` : `/shop/powder/${id}`;
</script>

<template>
  <section class="stage-block" aria-label="What the makers prescribe">
    <h2>What the makers prescribe</h2>
    <p v-for="one in makers.unknown" :key="one.id" class="mute">
      {{ one.by }}: not known.
      <router-link :to="to(one)">Type it into its record</router-link>
    </p>
    <template v-if="makers.both">
      <p v-for="(note, n) in makers.notes" :key="n">{{ formatPhrase(note, units.choice) }}</p>
      <p v-if="conflicts.length === 0 && makers.known.length > 1">They ask for the same.</p>
      <div v-if="conflicts.length > 0" class="scroll">
        <table class="rows">
          <thead>
            <tr>
              <th>They differ in</th>
              <th v-for="by in makers.known" :key="by">{{ by }}</th>
              <th>Taken</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="conflict in conflicts" :key="name(conflict)">
              <td>{{ name(conflict) }}</td>
              <td v-for="by in makers.known" :key="by" class="num">{{ ask(conflict, by) }}</td>
              <td>
                <b class="num">{{ value(conflict, conflict.taken) }}</b> for {{ conflict.by }}
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <v-btn
        v-if="!readonly"
        size="small"
        class="mt-3"
        @click="makers.both && emit('take', makers.both.segments)"
        >{{ makers.known.length > 1 ? 'Take one that keeps both' : `Take ${makers.known[0]}’s` }}</v-btn
      >
    </template>
  </section>
</template>

<style scoped>
.scroll {
  overflow-x: auto;
}
.rows {
  width: 100%;
  border-collapse: collapse;
}
th {
  text-align: left;
  font-size: 13px;
  color: var(--mute);
}
th,
td {
  padding: 6px 12px 6px 0;
  border-bottom: 1px solid var(--line);
}
</style>
