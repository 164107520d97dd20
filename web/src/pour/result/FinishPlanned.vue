<script setup lang="ts">
import type { FinishPlan, PlannedCut, PlannedSideOf } from '@zero-pour/contracts';
import { FINISHES, judgeSide } from '@zero-pour/core';
import { castPieces } from '@zero-pour/plan';
import { computed, shallowRef } from 'vue';
import JudgementList from '../../components/JudgementList.vue';
import QuantityField from '../../components/QuantityField.vue';
import { said } from '../../components/said';
import type { Point } from '../../pattern';
import { usePour } from '../../state/usePour';
import AssemblyRows from './AssemblyRows.vue';
import { cutMarks } from './modelMarks';
import MarksOnModel from './MarksOnModel.vue';

/** What is planned of finishing: sides with their allowance, cuts on the model, castings that become one piece. */
const { pour, plan, set } = usePour();
const planned = computed<FinishPlan>(() => pour.value.doc.result.plan ?? {});
const pieces = computed(() => castPieces(plan.value.context));
const parts = computed(() => plan.value.context.parts);
const newKey = (): string => crypto.randomUUID().slice(0, 8);
const keep = (fields: Partial<FinishPlan>): void => set(['result', 'plan'], { ...planned.value, ...fields });

const sides = computed(() => planned.value.sides ?? []);
const addSide = (): void => keep({ sides: [...sides.value, { key: newKey(), where: '', finish: 'full' }] });
const setSide = (key: string, fields: Partial<PlannedSideOf>): void =>
  keep({ sides: sides.value.map((side) => (side.key === key ? { ...side, ...fields } : side)) });
const takeSide = (key: string): void => keep({ sides: sides.value.filter((side) => side.key !== key) });

const cuts = computed(() => planned.value.cuts ?? []);
const placing = shallowRef<string>();
function addCut(lineKey: string): void {
  const key = newKey();
  keep({ cuts: [...cuts.value, { key, lineKey, what: '' }] });
  placing.value = key;
}
const setCut = (key: string, fields: Partial<PlannedCut>): void =>
  keep({ cuts: cuts.value.map((cut) => (cut.key === key ? { ...cut, ...fields } : cut)) });
const takeCut = (key: string): void => keep({ cuts: cuts.value.filter((cut) => cut.key !== key) });
const asks = (lineKey: string): string => {
  const cut = cuts.value.find(({ key }) => key === placing.value);
  return cut?.lineKey === lineKey ? `the cut${cut.what ? ` (${cut.what})` : ''}` : '';
};
function place(patternId: string, at: Point): void {
  if (!placing.value) return;
  const placeMm = at.map((mm) => Math.round(mm * 100) / 100) as Point;
  setCut(placing.value, { placeMm, patternId });
  placing.value = undefined;
}
const cutsOf = (lineKey: string): PlannedCut[] => cuts.value.filter((cut) => cut.lineKey === lineKey);
const cutsSay = (name: string, lineKey: string): string => {
  const marked = cutsOf(lineKey).filter(({ placeMm }) => placeMm).length;
  return marked > 0 ? `${name}, with its planned cuts` : `${name}: no cut is shown on it yet`;
};
const AT = ['pour', 'result', 'plan', 'sides', '0'] as const;
</script>

<template>
  <h3>Sides and faces</h3>
  <div v-for="side in sides" :key="side.key" class="side">
    <v-text-field
      label="Side or face"
      maxlength="80"
      :model-value="side.where"
      @update:model-value="(where) => setSide(side.key, { where })"
    />
    <v-select
      label="Finish"
      :items="[...FINISHES]"
      :model-value="side.finish"
      @update:model-value="(finish) => setSide(side.key, { finish })"
    />
    <QuantityField
      v-bind="said(...AT, 'allowanceMm')"
      :model-value="side.allowanceMm"
      @update:model-value="(allowanceMm) => setSide(side.key, { allowanceMm })"
    />
    <QuantityField
      v-bind="said(...AT, 'recessMm')"
      :model-value="side.recessMm"
      @update:model-value="(recessMm) => setSide(side.key, { recessMm })"
    />
    <button
      type="button"
      class="text-button"
      :aria-label="`Take side ${side.where} away`"
      @click="takeSide(side.key)"
    >
      away
    </button>
    <JudgementList class="said" :judgements="judgeSide(side)" />
  </div>
  <v-btn size="small" @click="addSide">Add a side</v-btn>

  <h3>Cuts</h3>
  <template v-for="part in parts" :key="part.key">
    <MarksOnModel
      v-if="cutsOf(part.key).length > 0"
      :pattern="part.pattern"
      :marks="cutMarks(part.pattern, cutsOf(part.key))"
      :asks="asks(part.key)"
      :says="cutsSay(part.pattern.name, part.key)"
      @place="(at) => place(part.pattern.id, at)"
    />
    <div v-for="cut in cutsOf(part.key)" :key="cut.key" class="cut">
      <v-text-field
        label="What is cut"
        placeholder="through the pore, then soldered"
        maxlength="120"
        :model-value="cut.what"
        @update:model-value="(what) => setCut(cut.key, { what })"
      />
      <v-btn size="small" @click="placing = placing === cut.key ? undefined : cut.key">{{
        cut.placeMm ? 'Show it anew' : 'Show it on the model'
      }}</v-btn>
      <button
        type="button"
        class="text-button"
        :aria-label="`Take cut ${cut.what} away`"
        @click="takeCut(cut.key)"
      >
        away
      </button>
    </div>
    <v-btn size="small" @click="addCut(part.key)">Plan a cut of {{ part.pattern.name }}</v-btn>
  </template>

  <h3>Castings that become one piece</h3>
  <AssemblyRows :joined="planned.joined ?? []" :pieces="pieces" @change="(joined) => keep({ joined })" />
</template>

<style scoped>
h3 {
  margin: 14px 0 6px;
}
.side {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 170px 150px 170px auto;
  gap: 8px 10px;
  align-items: center;
  margin-bottom: 8px;
}
.said {
  grid-column: 1 / -1;
}
.cut {
  display: grid;
  grid-template-columns: minmax(0, 420px) auto auto;
  justify-content: start;
  gap: 8px 10px;
  align-items: center;
  margin-bottom: 8px;
}
@media (max-width: 1000px) {
  .side,
  .cut {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
