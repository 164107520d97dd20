<script setup lang="ts">
import { pouredPrintsSchema, type PourGate } from '@zero-pour/contracts';
import { gatesBefore, type PartGates } from '@zero-pour/plan';
import { computed } from 'vue';
import { useAsked } from '../../api/useAsked';
import { usePour } from '../../state/usePour';

/** How the pattern was gated before, and how that came out: one press takes the same places. */
const props = defineProps<{ entry: PartGates }>();
const emit = defineEmits<{ take: [gates: PourGate[]] }>();
const { pour } = usePour();
const patternId = computed(() => props.entry.part.pattern.id);
const { told } = useAsked(pouredPrintsSchema, () => `/prints/of/${patternId.value}`);
const before = computed(() => gatesBefore(told.value ?? [], patternId.value, pour.value.id).slice(0, 3));
/** A gate of an earlier pour is another gate here. */
const anew = (gates: readonly PourGate[]): PourGate[] =>
  gates.map((gate) => ({ ...gate, key: crypto.randomUUID().slice(0, 8) }));
</script>

<template>
  <div v-if="before.length > 0" class="before">
    <v-btn v-for="one in before" :key="one.number" size="small" @click="emit('take', anew(one.gates))">
      As in pour {{ one.number }}: {{ one.gates.length }} {{ one.gates.length === 1 ? 'gate' : 'gates' }},
      {{ one.looked === 0 ? 'outcome not told' : `${one.good} of ${one.looked} good` }}
    </v-btn>
  </div>
</template>

<style scoped>
.before {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
</style>
