<script setup lang="ts">
import type { StageKey } from '@zero-pour/core';
import { computed } from 'vue';
import { useRouter } from 'vue-router';
import CautionLine from '../../components/CautionLine.vue';
import NoteField from '../../components/NoteField.vue';
import StepTable from '../../components/StepTable.vue';
import { cleanSteps } from '../../bench/timedSteps';
import { usePour } from '../../state/usePour';
import StageHead from '../StageHead.vue';

const emit = defineEmits<{ goTo: [stage: StageKey] }>();
const { pour, plan, set } = usePour();
const router = useRouter();
const steps = computed(() => cleanSteps(plan.value));

const cautions = computed(() => [...new Set(steps.value.map((s) => s.caution))]);
</script>

<template>
  <StageHead
    stage="clean"
    title="Clean"
    :line="
      plan.context.resin
        ? `${plan.context.resin.name}: finished skin is ${plan.context.resin.skin || 'not described'}`
        : undefined
    "
    can-leave
  >
    <v-btn v-if="steps.length > 0" @click="router.push(`/pours/${pour.id}/bench/clean`)"
      >Bench mode <kbd class="ml-2">B</kbd></v-btn
    >
  </StageHead>
  <p v-if="!plan.context.resin" class="mute">
    The steps come with the resin.
    <button type="button" class="text-button" @click="emit('goTo', 'resin')">Choose it</button>
  </p>
  <p v-else-if="steps.length === 0" class="mute">
    This resin has no protocol yet.
    <router-link :to="`/resins/${plan.context.resin.id}`">Write one</router-link>
  </p>
  <StepTable v-else :steps="steps" @record="(key, record) => set(['clean', 'steps', key], record)" />
  <NoteField
    class="mt-4"
    label="Note on cleaning"
    :rows="2"
    :model-value="pour.doc.clean.note"
    @update:model-value="(t) => set(['clean', 'note'], t)"
  />
  <CautionLine v-for="of in cautions" :key="of" :of="of" />
</template>
