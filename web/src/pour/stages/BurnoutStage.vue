<script setup lang="ts">
import { benchClock } from '@zero-pour/contracts';
import { formatPhrase, formatQuantity, HOUR_MS, ROOM_C, type Segment, type StageKey } from '@zero-pour/core';
import {
  fitWish,
  houseOf,
  judgeDownstream,
  judgeTimes,
  planStretch,
  runToSend,
  unwrittenFalls,
  type BurnEventDraft,
  valueOf,
  waysOn,
  zeroInstead,
} from '@zero-pour/plan';
import { computed } from 'vue';
import CautionLine from '../../components/CautionLine.vue';
import JudgementList from '../../components/JudgementList.vue';
import NoteField from '../../components/NoteField.vue';
import PlannedNote from '../../components/PlannedNote.vue';
import {
  AtTheKiln,
  BurnoutChart,
  BurnEvents,
  FlaskSection,
  HouseChoice,
  OtherProgrammes,
  SegmentTable,
  StretchHolds,
  TypeProgramme,
} from '../../burnout';
import { BurntSection, SendProgramme } from '../../kilns';
import { useSlowNow } from '../../state/clock';
import { useNotices } from '../../state/notices';
import { useShop } from '../../state/shopStore';
import { useUnits } from '../../state/unitStore';
import { usePour } from '../../state/usePour';
import { formatMoment } from '../../time/formatMoment';
import StageHead from '../StageHead.vue';
import { useKilnTaken } from './useKilnTaken';
import OwnKilnFields from './OwnKilnFields.vue';

const emit = defineEmits<{ goTo: [stage: StageKey] }>();
const { pour, plan, set } = usePour();
const shop = useShop();
const units = useUnits();
const notices = useNotices();
const now = useSlowNow();
const doc = computed(() => pour.value.doc.burnout);
const poured = computed(() => pour.value.used !== undefined);
const house = computed(() => houseOf(plan.value.context));
const burnout = computed(() => valueOf(plan.value.burnout));
/** The widest flask of the pour under this programme. */
const heat = computed(() => {
  const reading = burnout.value?.heat?.reading;
  return reading?.status === 'known' ? reading.value : undefined;
});
const times = computed(() => valueOf(plan.value.times));
const moments = computed(() => (times.value?.moments ?? []).filter((m) => m.stage === 'burnout'));
function pickProgramme(id: string): void {
  set(['burnout', 'programmeId'], id);
  set(['burnout', 'segments'], undefined);
}
function setSegments(segments: readonly Segment[]): void {
  set(
    ['burnout', 'segments'],
    segments.map((one) => ({ ...one, hands: [...one.hands] })),
  );
}
async function keepAsOwn(): Promise<void> {
  const { programme } = plan.value.context;
  if (!burnout.value) return;
  const base = `${programme?.name ?? 'Programme'}, own`;
  const taken = new Set(shop.lists.programme.map((p) => p.name));
  let name = base;
  for (let n = 2; taken.has(name); n++) name = `${base} ${n}`;
  try {
    const segments = burnout.value.segments.map((s) => ({ ...s, hands: [...s.hands] }));
    const kept = await shop.keepItem('programme', {
      id: crypto.randomUUID(),
      name,
      suits: programme?.suits ?? '',
      flaskMaxMm: programme?.flaskMaxMm ?? 80,
      segments,
      note: `From pour ${pour.value.number}`,
    });
    pickProgramme(kept.id);
    notices.tell(`Kept as “${name}”.`);
  } catch (error) {
    notices.wrong(error);
  }
}

const clockJudgements = computed(() =>
  times.value ? judgeTimes(times.value, now.value, (at) => formatMoment(at, now.value)) : [],
);
const kilnTaken = useKilnTaken(() => pour.value.id);
const ofShape = computed(() =>
  judgeDownstream(plan.value.context, 'burnout', valueOf(plan.value.scale)?.percent.value),
);
const instead = computed(() => (times.value ? zeroInstead(times.value, now.value) : null));
const stretch = computed(
  () =>
    burnout.value && times.value && planStretch(plan.value.context, burnout.value, times.value, now.value),
);
const moveZero = (): void => {
  if (instead.value !== null) set(['brief', 'zeroAt'], new Date(instead.value).toISOString());
};
/** A fall that the readings show counts as if somebody had pressed it. */
const writeDown = (event: BurnEventDraft): void =>
  set(
    ['burnout', 'events'],
    [...(doc.value.events ?? []), { key: crypto.randomUUID().slice(0, 8), ...event }],
  );
/** A programme with a fault can be sent, by who knows why: it is said first. */
const toMend = computed(() => {
  const fix = [...kilnTaken.value, ...(burnout.value?.judgements ?? [])].find(
    ({ weight }) => weight === 'fix',
  );
  return fix && `To mend before it is sent: ${fix.lead}`;
});
/** What more hours in the kiln move: the pour once the flask is in, else when it goes in. */
function moves(moreH: number): string {
  const { kilnIn, zero, kilnEnds } = times.value ?? {};
  if (kilnIn === undefined || zero === undefined || kilnEnds === undefined) return '';
  if (doc.value.startedAt === undefined)
    return `Kiln in by ${formatMoment(kilnIn - moreH * HOUR_MS, now.value)} for the same zero.`;
  const ready = kilnEnds + moreH * HOUR_MS;
  return ready <= zero
    ? `The pour stays at ${formatMoment(zero, now.value)}.`
    : `The pour moves to ${formatMoment(ready, now.value)}.`;
}
const between = computed(() => {
  const { kilnIn, zero } = times.value ?? {};
  return kilnIn === undefined || zero === undefined ? undefined : { kilnIn, zero };
});
const line = computed(() => {
  const { programme } = plan.value.context;
  return programme ? `${programme.name}${burnout.value?.edited ? ', changed for this pour' : ''}` : undefined;
});
</script>

<template>
  <StageHead stage="burnout" title="Burnout" :line="line" can-leave>
    <v-btn v-if="burnout?.edited && !poured" size="small" @click="keepAsOwn">Keep as a programme</v-btn>
  </StageHead>
  <div class="form-grid">
    <HouseChoice
      v-if="shop.settings.houses?.length"
      :sheet="`/pours/${pour.id}/hand-over`"
      :houses="shop.settings.houses"
      :house-key="doc.houseKey"
      :readonly="poured"
      :sent-at="doc.startedAt"
      @change="(key) => set(['burnout', 'houseKey'], key)"
      @sent="(at) => set(['burnout', 'startedAt'], at)"
    />
    <OwnKilnFields v-if="!house" :poured="poured" @programme="pickProgramme" />
  </div>
  <p v-if="!house && (shop.lists.programme.length === 0 || shop.lists.kiln.length === 0)" class="mute mt-2">
    <router-link to="/shop/programme">Add a programme from the book</router-link> and
    <router-link to="/shop/kiln">a kiln</router-link>
  </p>
  <PlannedNote v-if="!house" :planned="plan.burnout" @go-to="(s) => emit('goTo', s)" />
  <template v-if="burnout">
    <BurnoutChart
      :curve="burnout.curve"
      :times="times"
      :bench="benchClock(shop.settings)"
      :heat="heat"
      class="mt-3"
    />
    <PlannedNote :planned="plan.times" @go-to="(s) => emit('goTo', s)" />
    <p v-if="burnout.deciding">{{ formatPhrase(burnout.deciding, units.choice) }}</p>
    <JudgementList :judgements="[...kilnTaken, ...ofShape, ...burnout.judgements, ...clockJudgements]" />
    <v-btn v-if="instead !== null" size="small" class="mt-2" @click="moveZero"
      >Move the pour to {{ formatMoment(instead, now) }}</v-btn
    >
    <StretchHolds v-if="stretch" :stretch="stretch" @take="setSegments" />
    <BurnEvents
      v-if="doc.startedAt"
      :events="doc.events"
      :ways-on="poured ? [] : waysOn(pour.doc, burnout, now)"
      :now="() => now"
      @change="(events) => set(['burnout', 'events'], events)"
    />
    <section v-if="heat" class="stage-block">
      <h2>Inside the flask, {{ burnout.heat?.flask.name }}</h2>
      <FlaskSection :heat="heat" />
    </section>
    <section class="stage-block">
      <h2>Segments, {{ formatQuantity({ value: burnout.curve.totalH, unit: 'h' }, units.choice) }} in all</h2>
      <SegmentTable :placed="burnout.curve.segments" :readonly="poured" @change="setSegments" />
      <TypeProgramme
        v-if="!poured && plan.context.kiln"
        :defaults="{
          rampCPerH: burnout.limits.rampMaxCPerH,
          kiln: plan.context.kiln,
          castingC: burnout.castingC,
          startC: doc.loadedAtC ?? ROOM_C,
        }"
        @take="setSegments"
      />
      <button
        v-if="burnout.edited && plan.context.programme && !poured"
        type="button"
        class="text-button mt-2"
        @click="set(['burnout', 'segments'], undefined)"
      >
        Back to the programme as it stands
      </button>
    </section>
    <OtherProgrammes
      :context="plan.context"
      :burnout="burnout"
      :heat="heat"
      :wish="(aim, withinH) => burnout && fitWish(plan.context, burnout, aim, now, withinH)"
      :between="between"
      :programmes="shop.lists.programme"
      :moves="moves"
      :poured="poured"
      @take="setSegments"
    />
  </template>
  <SendProgramme
    v-if="burnout && plan.context.kiln?.deviceUrl && !poured"
    :pour-id="pour.id"
    :kiln="plan.context.kiln"
    :run="runToSend(burnout, line ?? 'Programme')"
    :against="toMend"
    @sent="doc.startedAt === undefined && set(['burnout', 'startedAt'], new Date().toISOString())"
  />
  <AtTheKiln
    v-if="!house"
    :started-at="doc.startedAt"
    :hands="doc.hands"
    :moments="moments"
    @started="(at) => set(['burnout', 'startedAt'], at)"
    @done="(hand, at) => set(['burnout', 'hands', hand], at)"
  />
  <BurntSection
    v-if="burnout && doc.kilnId"
    :pour-id="pour.id"
    :kiln-id="doc.kilnId"
    :curve="burnout.curve"
    :kiln-in="doc.startedAt === undefined ? times?.kilnIn : Date.parse(doc.startedAt)"
    :burnt="burnout.burnt"
    :unwritten="poured || !burnout.burnt ? [] : unwrittenFalls(pour.doc, burnout.burnt)"
    @write-down="writeDown"
  />
  <NoteField
    class="mt-4"
    label="Note on the burnout"
    :rows="2"
    :model-value="doc.note"
    @update:model-value="(t) => set(['burnout', 'note'], t)"
  />
  <CautionLine of="burnout" />
</template>
