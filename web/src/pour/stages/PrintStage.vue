<script setup lang="ts">
import { formatQuantity, type StageKey } from '@zero-pour/core';
import { valueOf } from '@zero-pour/plan';
import { computed, shallowRef } from 'vue';
import FigureValue from '../../components/FigureValue.vue';
import JudgementList from '../../components/JudgementList.vue';
import CautionLine from '../../components/CautionLine.vue';
import MomentField from '../../components/MomentField.vue';
import NoteField from '../../components/NoteField.vue';
import OnDemand from '../../components/OnDemand.vue';
import PlannedNote from '../../components/PlannedNote.vue';
import QuantityField from '../../components/QuantityField.vue';
import BeforePrint from '../../resins/page/BeforePrint.vue';
import { useUnits } from '../../state/unitStore';
import { usePour } from '../../state/usePour';
import HowMany from '../print/HowMany.vue';
import PlateDrawing from '../print/PlateDrawing.vue';
import PieceRows from '../print/PieceRows.vue';
import PrintWhy from '../print/PrintWhy.vue';
import { markPrintStart } from '../printedAs';
import StageHead from '../StageHead.vue';

const emit = defineEmits<{ goTo: [stage: StageKey] }>();
const handle = usePour();
const { pour, plan, set } = handle;
const units = useUnits();
const print = computed(() => valueOf(plan.value.print));
const doc = computed(() => pour.value.doc.print);
const plateOpen = shallowRef(false);
const cost = computed(() =>
  plan.value.cost.lines
    .filter((l) => l.what === 'Resin' || l.what === 'Printer')
    .reduce((sum, l) => sum + l.amount, 0),
);

const ENDS = [
  { field: 'startedAt', label: 'Started', hint: 'Not started' },
  { field: 'finishedAt', label: 'Finished', hint: 'Not finished' },
] as const;
/** The end that comes next, offered as one press. */
const waitsFor = computed(() => {
  if (!doc.value.startedAt) return 'startedAt';
  return doc.value.finishedAt ? undefined : 'finishedAt';
});
function setEnd(field: (typeof ENDS)[number]['field'], at: string | undefined): void {
  if (field === 'startedAt') markPrintStart(handle, at);
  else set(['print', field], at);
}
const now = (): string => new Date().toISOString();
function haveAlready(): void {
  const left = new Set(pour.value.doc.left);
  set(['left'], [...left.add('print').add('clean')]);
}
</script>

<template>
  <StageHead
    stage="print"
    title="Print"
    :line="print ? `${print.copies} parts on ${plan.context.printer?.name}` : 'layers, hours, resin'"
    can-leave
  >
    <button
      v-if="plan.states.print === 'current' || plan.states.print === 'open'"
      type="button"
      class="text-button"
      @click="haveAlready"
    >
      I already have the prints
    </button>
  </StageHead>
  <PlannedNote :planned="plan.print" @go-to="(s) => emit('goTo', s)" />
  <table v-if="print" class="plain sums">
    <tbody>
      <tr>
        <td>Layers</td>
        <td class="num right">{{ print.layers }}</td>
        <td class="mute">
          {{ formatQuantity({ value: print.heightMm, unit: 'mm' }, units.choice) }} tall, scaled
        </td>
      </tr>
      <tr>
        <td>Hours</td>
        <td class="num right"><FigureValue :figure="print.hours" @go-to="(s) => emit('goTo', s)" /></td>
        <td class="mute">the same for one part or a full plate</td>
      </tr>
      <tr>
        <td>Resin</td>
        <td class="num right"><FigureValue :figure="print.resinG" @go-to="(s) => emit('goTo', s)" /></td>
        <td class="mute">
          {{ formatQuantity({ value: print.resin.totalMl, unit: 'ml', digits: 1 }, units.choice) }}, supports,
          raft and film counted in
        </td>
      </tr>
      <tr>
        <td>Cost</td>
        <td class="num right">
          {{ formatQuantity({ value: cost, unit: 'money' }, units.choice) }}
          {{ plan.context.settings.currency }}
        </td>
        <td class="mute">resin and printer</td>
      </tr>
    </tbody>
  </table>
  <JudgementList v-if="print" :judgements="print.judgements" />

  <details v-if="plan.context.resin && plan.context.printer && !doc.startedAt" class="stage-block">
    <summary><h2 class="before">Before the print: warm, shake, wipe, level, prime</h2></summary>
    <BeforePrint :resin="plan.context.resin" :printer="plan.context.printer" />
  </details>

  <section class="stage-block">
    <h2>This plate</h2>
    <HowMany />
    <div class="form-grid">
      <QuantityField
        label="Spares of each pattern"
        unit="count"
        :model-value="doc.spares"
        :max="500"
        required
        @update:model-value="(n) => n !== undefined && set(['print', 'spares'], Math.round(n))"
      />
      <QuantityField
        label="Hours, as the printer says"
        unit="h"
        :model-value="doc.hoursTyped"
        :min="0.05"
        :max="500"
        hint="Overrides the estimate"
        @update:model-value="(h) => set(['print', 'hoursTyped'], h)"
      />
      <QuantityField
        label="Resin, as the printer says"
        unit="ml"
        :digits="1"
        :model-value="doc.resinMlTyped"
        :min="0.1"
        :max="10000"
        hint="Overrides the estimate"
        @update:model-value="(ml) => set(['print', 'resinMlTyped'], ml)"
      />
    </div>
    <div class="when">
      <div v-for="end in ENDS" :key="end.field" class="end">
        <MomentField
          :label="end.label"
          :model-value="doc[end.field]"
          :hint="end.hint"
          @update:model-value="(at) => setEnd(end.field, at)"
        />
        <v-btn v-if="end.field === waitsFor" variant="flat" @click="setEnd(end.field, now())">
          {{ end.label }} now
        </v-btn>
      </div>
    </div>
  </section>

  <OnDemand
    v-model:open="plateOpen"
    title="The plate from above"
    line="where every copy has room, how many more fit"
  >
    <PlateDrawing />
  </OnDemand>
  <PieceRows />
  <PrintWhy />
  <NoteField
    class="mt-4"
    label="Note on the print"
    :rows="2"
    :model-value="doc.note"
    @update:model-value="(t) => set(['print', 'note'], t)"
  />
  <CautionLine of="resin" />
</template>

<style scoped>
.before {
  display: inline;
  cursor: pointer;
}
.sums td:nth-child(2) {
  width: 110px;
  padding-right: 20px;
}
.when {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(300px, 1fr));
  gap: 12px;
  margin-top: 14px;
}
.end {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 10px;
}
.end .v-btn {
  height: 48px;
}
</style>
