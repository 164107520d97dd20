<script setup lang="ts">
import { wantedMm } from '@zero-pour/contracts';
import { formatNumber, formatQuantity, plusMinus, RING_SYSTEM_NAMES, type StageKey } from '@zero-pour/core';
import { firstHeld, valueOf } from '@zero-pour/plan';
import { computed, reactive } from 'vue';
import FigureValue from '../../components/FigureValue.vue';
import JudgementList from '../../components/JudgementList.vue';
import OnDemand from '../../components/OnDemand.vue';
import PlannedNote from '../../components/PlannedNote.vue';
import { useUnits } from '../../state/unitStore';
import { usePour } from '../../state/usePour';
import { formatDay } from '../../time/formatMoment';
import { formatPercents } from '../../sizes';
import AtPrintSize from '../scale/AtPrintSize.vue';
import ChainTable from '../scale/ChainTable.vue';
import OnTheWay from '../scale/OnTheWay.vue';
import OutOfFile from '../scale/OutOfFile.vue';
import SaveScaled from '../scale/SaveScaled.vue';
import SizeTable from '../scale/SizeTable.vue';
import WaterfallChart from '../scale/WaterfallChart.vue';
import StageHead from '../StageHead.vue';
import HoldSizeFields from './HoldSizeFields.vue';
import PourField from '../PourField.vue';

const emit = defineEmits<{ goTo: [stage: StageKey] }>();
const { pour, plan, set } = usePour();
const units = useUnits();
const scale = computed(() => valueOf(plan.value.scale));
const own = computed(() => pour.value.doc.scale);
const held = computed(() => firstHeld(pour.value.doc.brief.sizes));
const first = computed(() => scale.value?.sizes.find((size) => size.target.key === held.value?.key));
const part = computed(() => plan.value.context.parts[0]?.pattern);
const mm = (value: number): string => formatQuantity({ value, unit: 'mm', digits: 2 }, units.choice);
const half = computed(() => (first.value ? plusMinus(first.value.finished) : 0));

const stepsLine = computed(() =>
  (scale.value?.chain?.steps ?? [])
    .map(({ step, given }) => `${step} ${given.value > 0 ? '+' : ''}${formatNumber(given.value, 2)}`)
    .join(', '),
);
const open = reactive({
  way: true,
  steps: false,
  sizes: false,
  measured: false,
  wall: false,
  rings: false,
});
</script>

<template>
  <StageHead stage="scale" title="Scale" line="how much bigger to print, to finish at size" can-leave>
    <v-btn-toggle
      :model-value="own.way"
      aria-label="Way of scaling"
      @update:model-value="(way) => set(['scale', 'way'], way)"
    >
      <v-btn value="chain">Step by step</v-btn>
      <v-btn value="percent">One percent</v-btn>
    </v-btn-toggle>
  </StageHead>

  <div v-if="scale" class="answer">
    <div>
      <span class="mute">{{ own.printedAs ? 'Printed at' : 'Print at' }}</span>
      <FigureValue :figure="scale.percent" class="big" @go-to="(s) => emit('goTo', s)" />
    </div>
    <div v-if="scale.printMm && held">
      <span class="mute">{{ held.name || 'Size' }} {{ mm(wantedMm(held)) }} is printed as</span>
      <FigureValue :figure="scale.printMm" class="big" @go-to="(s) => emit('goTo', s)" />
    </div>
    <div v-if="first">
      <span class="mute">{{ first.foreseen ? 'By what was measured it finishes' : 'It finishes' }}</span>
      <span class="big"
        >{{ mm(first.finished.value) }} <small>± {{ mm(half) }}</small></span
      >
    </div>
  </div>
  <p v-if="scale && scale.percents.some((p) => p !== scale!.percents[0])" class="mute">
    Along the print’s axes: {{ formatPercents(scale.percents) }}.
  </p>
  <p v-if="scale && own.printedAs" class="mute">
    Fixed when the print was started, {{ formatDay(Date.parse(own.printedAs.at)) }}.
    <template v-if="scale.proposed">
      Planned today it would be {{ formatPercents(scale.proposed) }}.
    </template>
  </p>
  <PlannedNote :planned="plan.scale" @go-to="(s) => emit('goTo', s)" />
  <JudgementList v-if="scale" :judgements="scale.judgements" />
  <p v-if="scale?.best?.axes" class="mt-2">
    <v-btn size="small" @click="set(['scale', 'apart'], own.apart ? undefined : true)">{{
      own.apart ? 'Back to one percent' : 'Take X, Y and Z apart'
    }}</v-btn>
  </p>
  <SaveScaled v-if="scale" :scale="scale" />

  <section v-if="own.way === 'percent'" class="stage-block">
    <h2>The shop’s one number</h2>
    <div class="form-grid">
      <PourField :at="['scale', 'percent']" />
    </div>
  </section>
  <section class="stage-block">
    <h2>The size that must hold in the finished piece</h2>
    <HoldSizeFields />
    <OutOfFile v-if="part" :pattern="part" />
  </section>

  <template v-if="scale">
    <OnDemand
      v-if="scale.chain && first"
      v-model:open="open.way"
      title="From the file to the finished piece"
      line="what each step does to this size"
    >
      <WaterfallChart :size="first" :chain="scale.chain" />
    </OnDemand>
    <OnDemand
      v-if="scale.chain"
      v-model:open="open.steps"
      title="Steps, and where they come from"
      :line="stepsLine"
    >
      <ChainTable :chain="scale.chain" :held="held !== undefined" />
    </OnDemand>
    <OnDemand
      v-model:open="open.sizes"
      title="All sizes of the piece"
      :line="`${pour.doc.brief.sizes.length || 'none yet'}; what must hold, what may follow`"
    >
      <SizeTable :planned="scale.sizes" />
    </OnDemand>
    <OnDemand
      v-model:open="open.measured"
      title="Measured on the way"
      line="off the printer, cured, first wax: it says what is coming"
    >
      <OnTheWay :planned="scale.sizes" />
    </OnDemand>
    <OnDemand
      v-if="part"
      v-model:open="open.wall"
      title="Walls and findings at print size"
      line="thin for the resin, thin for wear"
    >
      <AtPrintSize :pattern="part" :scale="scale" />
    </OnDemand>
    <OnDemand
      v-if="scale.ringSizes.length > 0"
      v-model:open="open.rings"
      title="This bore in every ring-size system"
    >
      <table class="plain">
        <tbody>
          <tr v-for="name in scale.ringSizes" :key="name.system">
            <td>{{ RING_SYSTEM_NAMES[name.system] }}</td>
            <td class="num right ring">{{ name.size }}</td>
            <td class="mute">
              {{
                Math.abs(name.offMm) < 0.005
                  ? 'exactly'
                  : `its bore is ${mm(Math.abs(name.offMm))} ${name.offMm > 0 ? 'larger' : 'smaller'}`
              }}
            </td>
          </tr>
        </tbody>
      </table>
    </OnDemand>
  </template>
</template>

<style scoped>
.answer {
  display: flex;
  flex-wrap: wrap;
  gap: 12px 44px;
  margin-bottom: 8px;
}
.answer span {
  display: block;
  font-size: 14px;
}
.answer :deep(.big) {
  font-size: 30px;
  font-weight: 700;
  font-variant-numeric: tabular-nums;
}
.answer small {
  font-size: 17px;
  font-weight: 400;
  color: var(--mute);
}
.ring {
  width: 90px;
  padding-right: 20px !important;
}
</style>
