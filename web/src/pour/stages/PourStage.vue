<script setup lang="ts">
import { formatQuantity, type ClassRange, type StageKey } from '@zero-pour/core';
import { judgeClass, judgeDownstream, valueOf } from '@zero-pour/plan';
import { computed, shallowRef } from 'vue';
import { useRouter } from 'vue-router';
import CautionLine from '../../components/CautionLine.vue';
import FigureValue from '../../components/FigureValue.vue';
import JudgementList from '../../components/JudgementList.vue';
import NoteField from '../../components/NoteField.vue';
import PlannedNote from '../../components/PlannedNote.vue';
import MomentField from '../../components/MomentField.vue';
import { useUnits } from '../../state/unitStore';
import { usePour } from '../../state/usePour';
import { markPoured } from '../../state/printedAs';
import AskKiln from '../AskKiln.vue';
import FlaskChoice from '../FlaskChoice.vue';
import FreshLines from '../FreshLines.vue';
import StageHead from '../StageHead.vue';
import HeatWindows from '../atPour/HeatWindows.vue';
import FlaskAndMetal from '../atPour/FlaskAndMetal.vue';
import OpenFlask from '../atPour/OpenFlask.vue';
import PourSheet from '../atPour/PourSheet.vue';

const emit = defineEmits<{ goTo: [stage: StageKey] }>();
const handle = usePour();
const { pour, plan, flask, set, setInFlask } = handle;
const units = useUnits();
const router = useRouter();
const doc = computed(() => flask.value.context.decided.pour);
/* A pour that never was in the kiln asks once: it is a slip of the press, or a burnout that nobody noted. */
const asking = shallowRef<string>();
function pouredAt(at: string | undefined): void {
  const { burnout, left } = pour.value.doc;
  if (at !== undefined && burnout.startedAt === undefined && !left.includes('burnout')) asking.value = at;
  else markPoured(handle, at);
}
function goOn(): void {
  markPoured(handle, asking.value);
  asking.value = undefined;
}
function kilnIn(at: string): void {
  set(['burnout', 'startedAt'], at);
  goOn();
}
function notNoted(): void {
  set(['left'], [...pour.value.doc.left, 'burnout']);
  goOn();
}
const temperatures = computed(() => valueOf(flask.value.temperatures));
const ofShape = computed(() =>
  judgeDownstream(plan.value.context, 'pour', valueOf(plan.value.scale)?.percent.value),
);
/** How its plaster cools on the way, once it is said how long that takes. */
const wayOut = computed(() => valueOf(plan.value.burnout)?.wayOut.get(flask.value.context.decided.key) ?? []);
const charge = computed(() => valueOf(flask.value.charge));
const alloy = computed(() => plan.value.context.alloy);
const span = ({ lowC, highC }: ClassRange): string =>
  `${formatQuantity({ value: lowC, unit: 'degC' }, units.choice)} to ${formatQuantity({ value: highC, unit: 'degC' }, units.choice)}`;
const wait = computed(() => {
  const a = alloy.value;
  if (!a) return '';
  const minutes = `${a.quenchWaitMin.least} to ${a.quenchWaitMin.most} min`;
  return a.divest === 'quench'
    ? `Wait ${minutes}, then quench.`
    : `Let it cool ${minutes}, then break it out by hand: the flask is too cool to burst in water.`;
});
</script>

<template>
  <StageHead
    stage="pour"
    title="Pour"
    :line="temperatures ? `${alloy?.name}, ${pour.doc.brief.castClass}` : undefined"
    can-leave
  >
    <v-btn v-if="temperatures" @click="router.push(`/pours/${pour.id}/bench/pour`)"
      >Bench mode <kbd class="ml-2">B</kbd></v-btn
    >
  </StageHead>
  <FreshLines />
  <FlaskChoice />
  <PlannedNote :planned="flask.temperatures" @go-to="(s) => emit('goTo', s)" />
  <template v-if="temperatures">
    <div class="targets">
      <div>
        <span class="mute">Flask</span>
        <b>{{ formatQuantity({ value: temperatures.flaskC, unit: 'degC' }, units.choice) }}</b>
        <span class="mute">{{ span(temperatures.flask) }}</span>
      </div>
      <div>
        <span class="mute">Metal</span>
        <b>{{ formatQuantity({ value: temperatures.metalC, unit: 'degC' }, units.choice) }}</b>
        <span class="mute">{{ span(temperatures.metal) }}</span>
      </div>
      <div v-if="charge">
        <span class="mute">Charge</span>
        <b><FigureValue :figure="charge.total" @go-to="(s) => emit('goTo', s)" /></b>
        <span class="mute">weighed out before the flask leaves the kiln</span>
      </div>
    </div>
    <p class="wait">
      <b>{{ wait }}</b>&#32;{{ alloy?.caution }}
    </p>
    <FlaskAndMetal />
    <JudgementList
      :judgements="[...judgeClass(plan.context), ...ofShape, ...temperatures.judgements, ...wayOut]"
    />
    <HeatWindows />
  </template>
  <section class="stage-block">
    <h2>The pour itself</h2>
    <CautionLine of="pour" />
    <AskKiln v-if="asking" @kiln-in="kilnIn" @not-noted="notNoted" @not-poured="asking = undefined" />
    <div class="when">
      <MomentField
        past
        label="Poured"
        :model-value="doc.pouredAt"
        hint="Not poured yet"
        @update:model-value="pouredAt"
      />
      <v-btn v-if="!doc.pouredAt" variant="flat" class="now" @click="pouredAt(new Date().toISOString())"
        >Poured now</v-btn
      >
    </div>
    <PourSheet />
    <NoteField
      label="Note on the pour"
      :rows="2"
      :model-value="doc.note"
      @update:model-value="(t) => setInFlask('pour', 'note', t)"
    />
    <p v-if="pour.used" class="mute mt-2">
      What it was made with is kept with this pour, as it stood when it was poured.
    </p>
  </section>
  <OpenFlask />
</template>

<style scoped>
.targets {
  display: flex;
  flex-wrap: wrap;
  gap: 12px 44px;
}
.targets > div {
  display: grid;
}
.targets b {
  font-size: 28px;
  font-variant-numeric: tabular-nums;
}
.wait {
  margin: 10px 0 16px;
}
.when {
  display: grid;
  grid-template-columns: minmax(0, 300px) auto;
  justify-content: start;
  gap: 12px;
  margin-bottom: 14px;
}
.now {
  height: 48px;
}
</style>
