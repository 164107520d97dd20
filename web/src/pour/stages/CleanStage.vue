<script setup lang="ts">
import { vesselBlocks, type StageKey } from '@zero-pour/core';
import { judgeCleaning } from '@zero-pour/plan';
import { computed } from 'vue';
import { useRouter } from 'vue-router';
import CautionLine from '../../components/CautionLine.vue';
import JudgementList from '../../components/JudgementList.vue';
import NoteField from '../../components/NoteField.vue';
import StepTable from '../../components/StepTable.vue';
import { recordClean } from '../../state/recordSteps';
import { cleanSteps } from '../../state/timedSteps';
import { useUnits } from '../../state/unitStore';
import { usePour } from '../../state/usePour';
import BathLines from '../clean/BathLines.vue';
import WorthCasting from '../clean/WorthCasting.vue';
import DebrisChain from '../why/DebrisChain.vue';
import FreshLines from '../FreshLines.vue';
import StageHead from '../StageHead.vue';

const emit = defineEmits<{ goTo: [stage: StageKey] }>();
const handle = usePour();
const { pour, plan, set } = handle;
const units = useUnits();
const router = useRouter();
const steps = computed(() => cleanSteps(plan.value, units.choice));
/** Which protocol, and under what it is cured. */
const cureLine = computed(() => {
  const { begun } = pour.value.doc.clean;
  const { resin, settings } = plan.value.context;
  const { name, version } = begun ?? {
    name: resin?.protocolName ?? '',
    version: resin?.protocolVersion ?? 1,
  };
  const { lampNm, litSides, turntable, reflector, vessel } = begun?.cure ?? settings.cure;
  const lamp =
    lampNm === null
      ? ''
      : ` Cured under ${lampNm} nm from ${litSides} ${litSides === 1 ? 'side' : 'sides'}${turntable ? ', turning' : ''}${reflector ? ', with a reflector' : ''}.`;
  const glass = vesselBlocks(vessel, lampNm);
  return `${name ? `${name}, version ${version}.` : ''}${lamp}${glass ? ' Short UV does not pass the glass: use another vessel.' : ''}`;
});

/** Of prints that were there already nothing is known until it is said. */
const cameFromElsewhere = computed(
  () =>
    plan.value.states.print === 'left' &&
    plan.value.states.clean !== 'done' &&
    plan.value.states.clean !== 'left',
);
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
  <FreshLines />
  <p v-if="cameFromElsewhere" class="came">
    <span
      >The prints were there already. Are they washed and cured? If not, or if nobody knows, go through the
      steps.</span
    >
    <v-btn size="small" @click="set(['clean', 'cameClean'], new Date().toISOString())">They came clean</v-btn>
  </p>
  <p v-else-if="pour.doc.clean.cameClean" class="mb-2">
    They came washed and cured; nothing of it is on record here.
    <button type="button" class="text-button" @click="set(['clean', 'cameClean'], undefined)">Not so</button>
  </p>
  <p v-if="!plan.context.resin" class="mute">
    The steps come with the resin.
    <button type="button" class="text-button" @click="emit('goTo', 'resin')">Choose it</button>
  </p>
  <p v-else-if="steps.length === 0" class="mute">
    This resin has no protocol yet.
    <router-link :to="`/resins/${plan.context.resin.id}`">Write one</router-link>
  </p>
  <template v-else>
    <JudgementList :judgements="judgeCleaning(plan.context)" class="mb-3" />
    <BathLines />
    <p v-if="cureLine" class="mute mb-2">{{ cureLine }}</p>
    <StepTable :steps="steps" @record="(key, record) => recordClean(handle, key, record)" />
  </template>
  <DebrisChain />
  <WorthCasting />
  <NoteField
    class="mt-4"
    label="Note on cleaning"
    :rows="2"
    :model-value="pour.doc.clean.note"
    @update:model-value="(t) => set(['clean', 'note'], t)"
  />
  <CautionLine v-for="of in cautions" :key="of" :of="of" />
</template>

<style scoped>
.came {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 12px;
  margin-bottom: 10px;
}
</style>
