<script setup lang="ts">
import { HANGS, USUAL_BRANCH_MM } from '@zero-pour/contracts';
import { formatQuantity, type StageKey } from '@zero-pour/core';
import { valueOf } from '@zero-pour/plan';
import { computed } from 'vue';
import CautionLine from '../../components/CautionLine.vue';
import FigureValue from '../../components/FigureValue.vue';
import JudgementList from '../../components/JudgementList.vue';
import NoteField from '../../components/NoteField.vue';
import OnDemand from '../../components/OnDemand.vue';
import PlannedNote from '../../components/PlannedNote.vue';
import { useShop } from '../../state/shopStore';
import { useUnits } from '../../state/unitStore';
import { usePour } from '../../state/usePour';
import DoneLine from '../../components/DoneLine.vue';
import FlaskChoice from '../FlaskChoice.vue';
import FreshLines from '../FreshLines.vue';
import StageHead from '../StageHead.vue';
import { ChargeLots } from '../../metal';
import GatesInWax from '../gates/GatesInWax.vue';
import HangOnTree from '../sprue/HangOnTree.vue';
import TreeDrawing from '../TreeDrawing.vue';
import PourField from '../PourField.vue';

const emit = defineEmits<{ goTo: [stage: StageKey] }>();
const { pour, plan, flask, inFlask, setInFlask } = usePour();
const shop = useShop();
const units = useUnits();
const doc = computed(() => flask.value.context.decided.sprue);
const vessel = computed(() => flask.value.context.flask);
const poured = computed(() => pour.value.used !== undefined);
const tree = computed(() => valueOf(flask.value.tree));
const charge = computed(() => valueOf(flask.value.charge));
const alloy = computed(() => plan.value.context.alloy);
const g = (value: number): string => formatQuantity({ value, unit: 'g' }, units.choice);
/** The same charge in every weight unit, for a balance that shows another. */
const everyUnit = computed(() => {
  const value = charge.value?.total.value;
  if (value === undefined) return '';
  return (['g', 'dwt', 'ozt'] as const)
    .map((weight) => formatQuantity({ value, unit: 'g' }, { ...units.choice, weight }))
    .join(' · ');
});
</script>

<template>
  <StageHead
    stage="sprue"
    title="Sprue and flask"
    :line="tree ? `${flask.context.castings} in ${vessel?.name}` : undefined"
    can-leave
  />
  <FreshLines />
  <FlaskChoice />
  <div class="form-grid roomy">
    <v-select
      label="Flask"
      :items="shop.lists.flask.map((f) => ({ title: f.name, value: f.id }))"
      :model-value="doc.flaskId"
      :readonly="poured"
      no-data-text="No flask yet: add one under Shop."
      @update:model-value="(id) => setInFlask('sprue', 'flaskId', id)"
    />
    <v-select
      label="Arrangement"
      :items="[
        { title: 'straight up on the base', value: 'straight' },
        { title: 'rings round a main sprue', value: 'rings' },
        { title: 'on branches off a main sprue', value: 'branches' },
      ]"
      :model-value="doc.arrangement"
      @update:model-value="(a) => setInFlask('sprue', 'arrangement', a)"
    />
    <v-select
      label="Along the gate"
      :items="HANGS.map((h) => ({ title: h === 'as printed' ? h : `${h} of the file`, value: h }))"
      :model-value="doc.hangs ?? 'as printed'"
      @update:model-value="(h) => setInFlask('sprue', 'hangs', h)"
    />
    <PourField v-if="doc.arrangement !== 'straight'" :at="inFlask('sprue', 'tiltDeg')" required />
    <PourField
      v-if="doc.arrangement === 'branches'"
      :at="inFlask('sprue', 'branchDiameterMm')"
      :standard="USUAL_BRANCH_MM"
      standard-from="shop default"
    />
    <PourField :at="inFlask('sprue', 'mainSprueDiameterMm')" required />
    <PourField :at="inFlask('sprue', 'mainSprueLengthMm')" required />
  </div>
  <p v-if="shop.lists.flask.length === 0" class="mute mt-2">
    <router-link to="/shop/flask">Add a flask</router-link>
  </p>
  <PlannedNote :planned="flask.tree" @go-to="(s) => emit('goTo', s)" />

  <OnDemand title="Gates on the part" line="those that are joined in wax, where the part is at hand">
    <GatesInWax />
  </OnDemand>
  <HangOnTree v-if="tree && vessel && flask.context.parts.length > 0" />
  <div v-if="tree && vessel" :class="{ fit: tree.cylinders && !tree.hung }">
    <TreeDrawing
      v-if="tree.cylinders && !tree.hung"
      :flask="vessel"
      :layout="tree.cylinders.layout"
      :form="tree.cylinders.form"
      class="sheet"
    />
    <div>
      <JudgementList :judgements="tree.judgements" />
      <p v-if="tree.cylinders && !tree.hung" class="mute mt-2">
        Reckoned with each part's bounding cylinder, the largest for all: real parts can only leave more room.
      </p>
    </div>
  </div>

  <section class="stage-block">
    <h2>Metal to weigh out</h2>
    <div class="form-grid roomy">
      <v-btn-toggle
        :model-value="doc.weighBy"
        aria-label="How the patterns' volume is known"
        @update:model-value="(w) => setInFlask('sprue', 'weighBy', w)"
      >
        <v-btn value="volume">By volume</v-btn>
        <v-btn value="weight">By weight</v-btn>
      </v-btn-toggle>
      <PourField :at="inFlask('sprue', 'weighedPatternsG')" />
      <template v-if="doc.weighBy === 'weight'">
        <PourField :at="inFlask('sprue', 'weighedTreeG')" />
        <PourField :at="inFlask('sprue', 'weighedBaseG')" />
      </template>
      <PourField
        :at="inFlask('sprue', 'newPercent')"
        :standard="alloy?.newPercent ?? shop.settings.newMetalPercent"
        :standard-from="alloy?.newPercent != null ? `as ${alloy.name} asks` : 'as the shop does'"
      />
    </div>
    <PlannedNote
      v-if="flask.tree.status === 'known'"
      :planned="flask.charge"
      @go-to="(s) => emit('goTo', s)"
    />
    <template v-if="charge">
      <p class="charge">
        Weigh <FigureValue :figure="charge.total" class="big" @go-to="(s) => emit('goTo', s)" />
        <span class="mute num">{{ everyUnit }}</span>
      </p>
      <p>
        {{ g(charge.newMetal.value) }} new and {{ g(charge.reused.value) }} reused. Of it, patterns
        {{ g(charge.patterns.value)
        }}{{ charge.inFile ? ` (${g(charge.inFile.value)} of it sprues in the file)` : '' }}, gates and sprue
        {{ g(charge.sprues.value) }}, button {{ g(charge.button.value) }}.
      </p>
      <JudgementList :judgements="charge.judgements" />
    </template>
    <p
      v-if="doc.weighBy === 'weight' && !(doc.weighedPatternsG && 'value' in doc.weighedPatternsG)"
      class="mute"
    >
      Weigh the patterns without sprues; until then the volume of the file is used. Tree less base less prints
      is wax, each by its own density.
    </p>
  </section>
  <ChargeLots v-if="charge" />
  <DoneLine
    label="Sprues joined and weighed"
    :at="doc.doneAt"
    @change="(at) => setInFlask('sprue', 'doneAt', at)"
  />
  <NoteField
    class="mt-4"
    label="Note on the tree"
    :rows="2"
    :model-value="doc.note"
    @update:model-value="(t) => setInFlask('sprue', 'note', t)"
  />
  <CautionLine of="cutting" />
</template>

<style scoped>
.fit {
  display: grid;
  grid-template-columns: 250px minmax(0, 1fr);
  gap: 18px;
  margin-top: 14px;
  align-items: start;
}
.charge {
  font-size: 16px;
  margin: 12px 0 4px;
}
.charge .num {
  margin-left: 10px;
}
.charge :deep(.big) {
  font-size: 26px;
  font-weight: 700;
}
@media (max-width: 700px) {
  .fit {
    grid-template-columns: 1fr;
  }
}
</style>
