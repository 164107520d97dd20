<script setup lang="ts">
import { formatQuantity, HOUR_MS, type BeforeKey, type StageKey } from '@zero-pour/core';
import { oddHours, partWayH, valueOf } from '@zero-pour/plan';
import { computed, shallowRef } from 'vue';
import FigureValue from '../../components/FigureValue.vue';
import JudgementList from '../../components/JudgementList.vue';
import CautionLine from '../../components/CautionLine.vue';
import MomentField from '../../components/MomentField.vue';
import NoteField from '../../components/NoteField.vue';
import OnDemand from '../../components/OnDemand.vue';
import PlannedNote from '../../components/PlannedNote.vue';
import { BeforePrint } from '../../resins';
import { useSlowNow } from '../../state/clock';
import { useUnits } from '../../state/unitStore';
import { usePour } from '../../state/usePour';
import { formatMoment } from '../../time/formatMoment';
import AfterPrint from '../print/AfterPrint.vue';
import HowMany from '../print/HowMany.vue';
import PlateDrawing from '../print/PlateDrawing.vue';
import PieceRows from '../print/PieceRows.vue';
import PrintRecord from '../print/PrintRecord.vue';
import PrintWhy from '../print/PrintWhy.vue';
import ChangedSince from '../ChangedSince.vue';
import FreshLines from '../FreshLines.vue';
import SameAgain from '../SameAgain.vue';
import { markPrintStart } from '../../state/printedAs';
import StageHead from '../StageHead.vue';
import PourField from '../PourField.vue';

const emit = defineEmits<{ goTo: [stage: StageKey] }>();
const handle = usePour();
const { pour, plan, set } = handle;
const units = useUnits();
const print = computed(() => valueOf(plan.value.print));
const doc = computed(() => pour.value.doc.print);
const plateOpen = shallowRef(false);
const recordOpen = shallowRef(false);
const cost = computed(() =>
  plan.value.cost.lines
    .filter(({ name }) => name === 'Resin' || name === 'Printer')
    .reduce((sum, { value }) => sum + value, 0),
);

const clockNow = useSlowNow();
/** When it will be done: from its start, or if it were started now. */
const doneAt = computed(() => {
  if (!print.value || doc.value.finishedAt) return '';
  const from = doc.value.startedAt ? Date.parse(doc.value.startedAt) : clockNow.value;
  const at = formatMoment(from + print.value.hours.value * HOUR_MS, clockNow.value);
  return doc.value.startedAt ? at : `${at} if started now`;
});
const leftLine = computed(() => {
  const left = print.value?.leftMl;
  if (left === undefined || doc.value.startedAt || left < 0) return '';
  return `; ${formatQuantity({ value: left, unit: 'ml', digits: 0 }, units.choice)} stay in the bottles`;
});

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
  else {
    set(['print', field], at);
    set(['print', 'hoursRight'], undefined);
  }
}
function tickBefore(key: BeforeKey, done: boolean): void {
  const { [key]: _, ...others } = doc.value.before ?? {};
  set(['print', 'before'], done ? { ...others, [key]: now() } : others);
}
const odd = computed(() => oddHours(plan.value.context));
/* Looked at part way: what fell off by then need not print on. */
const checkLine = computed(() => {
  const { startedAt, finishedAt, checkedAt } = doc.value;
  const half = partWayH(plan.value.context);
  if (!startedAt || finishedAt || half === undefined || half >= (print.value?.hours.value ?? 0)) return '';
  if (checkedAt) return `Looked at ${formatMoment(Date.parse(checkedAt), clockNow.value)}.`;
  return `Look at it ${formatMoment(Date.parse(startedAt) + half * HOUR_MS, clockNow.value)}, when base and 5 mm are out: do all hang?`;
});
const now = (): string => new Date().toISOString();
function haveAlready(): void {
  const left = new Set(pour.value.doc.left);
  // Whether they are clean is another question, asked at Clean.
  set(['left'], [...left.add('print')]);
}
</script>

<template>
  <StageHead
    stage="print"
    title="Print"
    :line="
      print
        ? `${print.copies} ${print.copies === 1 ? 'part' : 'parts'} on ${plan.context.printer?.name}`
        : 'layers, hours, resin'
    "
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
  <ChangedSince
    v-if="pour.doc.brief.againOf"
    :pour="pour"
    :again-of="pour.doc.brief.againOf"
    @state="(words) => set(['brief', 'statedChange'], words)"
  />
  <FreshLines v-if="!doc.startedAt" />
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
        <td class="mute">
          {{ doneAt ? `done ${doneAt}` : 'the same for one part or a full plate' }}; the screen is lit
          {{ formatQuantity({ value: print.lightH, unit: 'h', digits: 1 }, units.choice) }}
        </td>
      </tr>
      <tr>
        <td>Resin</td>
        <td class="num right"><FigureValue :figure="print.resinG" @go-to="(s) => emit('goTo', s)" /></td>
        <td class="mute">
          {{ formatQuantity({ value: print.resinMl.value, unit: 'ml', digits: 1 }, units.choice) }}, supports,
          raft and film counted in{{ leftLine }}
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
  <PlannedNote v-if="print" :planned="print.load" @go-to="(s) => emit('goTo', s)" />

  <OnDemand
    v-if="plan.context.resin && plan.context.printer && !doc.startedAt"
    title="Before the print"
    line="warm, shake, wipe, level, prime"
  >
    <BeforePrint
      :resin="plan.context.resin"
      :printer="plan.context.printer"
      :ticked="doc.before ?? {}"
      @tick="tickBefore"
    />
    <div v-if="plan.context.resin.primingCoats > 0" class="form-grid mt-3">
      <PourField :at="['print', 'primingCoats']" />
    </div>
  </OnDemand>

  <section class="stage-block">
    <h2>This plate</h2>
    <HowMany />
    <div class="form-grid">
      <PourField :at="['print', 'spares']" required />
      <PourField :at="['print', 'hoursTyped']" />
      <PourField :at="['print', 'resinMlTyped']" />
    </div>
    <p v-if="!doc.startedAt && print" class="mt-2">
      <router-link :to="{ path: '/resins/compare', query: { pour: pour.id } }">
        Compare this plate with other resins, layers and printers
      </router-link>
    </p>
    <div class="when">
      <div v-for="end in ENDS" :key="end.field" class="end">
        <MomentField
          past
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

  <template v-if="odd">
    <JudgementList :judgements="[odd.judgement]" />
    <v-btn v-if="odd.mayBeRight" size="small" class="mt-2" @click="set(['print', 'hoursRight'], true)"
      >That is right</v-btn
    >
  </template>
  <p v-if="checkLine" class="check" role="status">
    {{ checkLine }}
    <v-btn v-if="!doc.checkedAt" size="small" @click="set(['print', 'checkedAt'], now())">All hang</v-btn>
    <button v-else type="button" class="text-button" @click="set(['print', 'checkedAt'], undefined)">
      not yet
    </button>
  </p>

  <OnDemand
    v-model:open="recordOpen"
    title="Air, vat, supports, resin"
    line="what is noted of this print: evidence when something goes wrong"
  >
    <PrintRecord />
  </OnDemand>
  <OnDemand
    v-model:open="plateOpen"
    title="The plate from above"
    line="where every copy has room, how many more fit"
  >
    <PlateDrawing />
    <p class="mt-2">
      <router-link :to="`/pours/${pour.id}/sheet`">A sheet of this plate, to print</router-link>
    </p>
  </OnDemand>
  <AfterPrint v-if="doc.finishedAt" />
  <PieceRows />
  <PrintWhy />
  <NoteField
    class="mt-4"
    label="Note on the print"
    :rows="2"
    :model-value="doc.note"
    @update:model-value="(t) => set(['print', 'note'], t)"
  />
  <SameAgain v-if="doc.startedAt" :pour="pour" class="mt-6" />
  <CautionLine of="resin" />
</template>

<style scoped>
.check {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: center;
  margin-top: 12px;
  padding: 8px 12px;
  border-left: 4px solid var(--wax);
  background: var(--sheet);
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
