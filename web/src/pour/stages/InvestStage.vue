<script setup lang="ts">
import { WATER_KINDS } from '@zero-pour/contracts';
import { DAMP_AFTER_H, formatQuantity, type StageKey } from '@zero-pour/core';
import { judgeDownstream, planOrdinaryHelp, valueOf } from '@zero-pour/plan';
import { computed } from 'vue';
import { useRouter } from 'vue-router';
import { investingSteps } from '../../state/timedSteps';
import CautionLine from '../../components/CautionLine.vue';
import FigureValue from '../../components/FigureValue.vue';
import JudgementList from '../../components/JudgementList.vue';
import NoteField from '../../components/NoteField.vue';
import PlannedNote from '../../components/PlannedNote.vue';
import StepTable from '../../components/StepTable.vue';
import { useShop } from '../../state/shopStore';
import { useUnits } from '../../state/unitStore';
import { usePour } from '../../state/usePour';
import DoneLine from '../../components/DoneLine.vue';
import FreshLines from '../FreshLines.vue';
import StageHead from '../StageHead.vue';
import WorkingClock from '../WorkingClock.vue';
import BoricAcid from '../invest/BoricAcid.vue';
import BowlsBlock from '../invest/BowlsBlock.vue';
import LookedOver from '../invest/LookedOver.vue';
import RatioPurposes from '../invest/RatioPurposes.vue';
import PourField from '../PourField.vue';

const emit = defineEmits<{ goTo: [stage: StageKey] }>();
const { pour, plan, set } = usePour();
const shop = useShop();
const units = useUnits();
const router = useRouter();
const doc = computed(() => pour.value.doc.invest);
const poured = computed(() => pour.value.used !== undefined);
const mix = computed(() => valueOf(plan.value.mix));
const ofShape = computed(() =>
  judgeDownstream(plan.value.context, 'invest', valueOf(plan.value.scale)?.percent.value),
);
const steps = computed(() => investingSteps(plan.value));
const powder = computed(() => plan.value.context.powder);
const help = computed(() => (poured.value ? undefined : planOrdinaryHelp(plan.value.context)));
/** One press, each change a field of its own: any of them can be changed back. */
function takeHelp(): void {
  const { ratio, boric, segments } = help.value ?? {};
  if (ratio !== undefined) set(['invest', 'ratio'], ratio);
  if (boric) {
    set(['invest', 'boric', 'school'], boric.school);
    set(['invest', 'boric', 'percent'], boric.percent);
  }
  if (segments)
    set(
      ['burnout', 'segments'],
      segments.map((one) => ({ ...one, hands: [...one.hands] })),
    );
}
/** What goes into the bowl at hand; of several the sum stands beneath, so that nobody weighs it into one. */
const weighed = computed(() => {
  if (!mix.value) return [];
  const { bowls, at, ...all } = mix.value;
  const bowl = bowls[at]!;
  const several = bowls.length > 1;
  const of = several ? `, bowl ${at + 1}` : '';
  const one = (name: string, what: 'powder' | 'water' | 'boric') => {
    const figure = bowl[what];
    return figure ? [{ name, figure, inAll: several ? all[what] : undefined }] : [];
  };
  return [
    ...one(`Powder${of}`, 'powder'),
    ...one(`Water${of}`, 'water'),
    ...one('Boric acid, in the water', 'boric'),
  ];
});
/** While another bowl is to be mixed the flasks are not all filled. */
const isLastBowl = computed(() => !mix.value || mix.value.at === mix.value.bowls.length - 1);
const WEIGHED = ['weighedPowderG', 'weighedWaterG'] as const;
</script>

<template>
  <StageHead
    stage="invest"
    title="Invest"
    :line="powder ? `${powder.name}, ${powder.grade} grade` : undefined"
    can-leave
  >
    <v-btn v-if="mix" @click="router.push(`/pours/${pour.id}/bench/invest`)"
      >Bench mode <kbd class="ml-2">B</kbd></v-btn
    >
  </StageHead>
  <FreshLines />
  <div class="form-grid roomy">
    <v-select
      label="Powder"
      :items="shop.lists.powder.map((p) => ({ title: p.name, value: p.id }))"
      :model-value="doc.powderId"
      :readonly="poured"
      no-data-text="No powder yet: add one under Shop."
      @update:model-value="(id) => set(['invest', 'powderId'], id)"
    />
    <PourField
      :at="['invest', 'ratio']"
      v-bind="powder ? { standard: powder.ratioUsual, standardFrom: `as ${powder.name} says` } : {}"
    />
    <PourField :at="['invest', 'waterTempC']" />
    <BoricAcid />
    <v-select
      label="Water"
      :items="WATER_KINDS.map((kind) => ({ title: kind, value: kind }))"
      :model-value="doc.waterKind"
      clearable
      placeholder="not noted"
      @update:model-value="(kind) => set(['invest', 'waterKind'], kind ?? undefined)"
    />
  </div>
  <RatioPurposes v-if="powder && !poured" :powder="powder" />
  <p v-if="shop.lists.powder.length === 0" class="mute mt-2">
    <router-link to="/shop/powder">Add a powder</router-link>
  </p>
  <LookedOver />
  <PlannedNote :planned="plan.mix" @go-to="(s) => emit('goTo', s)" />
  <div v-if="mix" class="weigh">
    <div v-for="one in weighed" :key="one.name">
      <span class="mute">{{ one.name }}</span><FigureValue
        :figure="one.figure"
        class="big"
        @go-to="(s) => emit('goTo', s)"
      />
      <span v-if="one.inAll" class="mute">{{ formatQuantity(one.inAll, units.choice) }} in all</span>
    </div>
    <div>
      <span class="mute">Working time</span>
      <span class="big">{{
        formatQuantity({ value: mix.workingMin, unit: 'min', digits: 1 }, units.choice)
      }}</span>
      <span class="mute">{{
        mix.waterKnown ? 'at the water you read' : 'at 22 °C, as nothing is read'
      }}</span>
    </div>
  </div>
  <BowlsBlock v-if="mix" :mix="mix" @go-to="(s) => emit('goTo', s)" />
  <div v-if="mix" class="form-grid mt-3">
    <PourField v-for="field in WEIGHED" :key="field" :at="['invest', field]" from="balance" />
    <PourField v-if="mix.boric" :at="['invest', 'weighedBoricG']" from="balance" />
  </div>
  <JudgementList v-if="mix" :judgements="mix.judgements" />
  <v-btn v-if="help" size="small" class="mt-2" @click="takeHelp">Rewrite the plan for ordinary powder</v-btn>
  <JudgementList v-if="ofShape.length > 0" :judgements="ofShape" class="mt-2" />
  <section v-if="mix" class="stage-block">
    <h2>On the clock, from powder in water</h2>
    <WorkingClock
      :powder-in-at="doc.powderInAt"
      :working-min="mix.workingMin"
      :done="doc.doneAt !== undefined"
      @begin="(at) => set(['invest', 'powderInAt'], at)"
    />
    <StepTable
      v-if="doc.powderInAt || Object.keys(doc.steps).length > 0"
      :steps="steps"
      @record="(key, record) => set(['invest', 'steps', key], record)"
    />
  </section>
  <DoneLine
    v-if="doc.powderInAt"
    label="Gloss is off"
    :at="doc.glossOffAt"
    @change="(at) => set(['invest', 'glossOffAt'], at)"
  />
  <DoneLine
    v-if="isLastBowl || doc.doneAt"
    label="Flask filled and setting"
    :at="doc.doneAt"
    @change="(at) => set(['invest', 'doneAt'], at)"
  />
  <p v-if="powder && doc.doneAt" class="mute">
    Let it set {{ formatQuantity({ value: powder.setH, unit: 'h' }, units.choice) }} undisturbed. A flask that
    waits over {{ DAMP_AFTER_H }} h is kept damp.
  </p>
  <NoteField
    class="mt-4"
    label="Note on investing"
    :rows="2"
    :model-value="doc.note"
    @update:model-value="(t) => set(['invest', 'note'], t)"
  />
  <CautionLine of="powder" />
  <CautionLine v-if="doc.boric.school !== 'none'" of="boric" />
</template>

<style scoped>
.weigh {
  display: flex;
  flex-wrap: wrap;
  gap: 12px 44px;
  margin-top: 16px;
}
.weigh > div {
  display: grid;
  justify-items: start;
}
.weigh .mute {
  font-size: 14px;
}
.weigh :deep(.big),
.big {
  font-size: 26px;
  font-weight: 700;
  font-variant-numeric: tabular-nums;
}
</style>
