<script setup lang="ts">
import PickRow from '../../components/PickRow.vue';
import StandingLine from '../../components/StandingLine.vue';
import type { Profile, Resin, TestSetRun } from '@zero-pour/contracts';
import type { TunedClass } from '@zero-pour/core';
import { beginningOf, standingProfile, tuningThings } from '@zero-pour/plan';
import { computed, shallowRef } from 'vue';
import CautionLine from '../../components/CautionLine.vue';
import { useNotices } from '../../state/notices';
import { useRecords } from '../../state/recordStore';
import { useShop } from '../../state/shopStore';
import { useEdited } from '../../state/useEdited';
import { formatDay } from '../../time/formatMoment';
import { useTuneChoice } from '../tune/useTuneChoice';
import { acceptFigure } from '../tune/acceptFigure';
import BeginRun from './BeginRun.vue';
import { newRun } from './newRun';
import PiecesTable from './PiecesTable.vue';
import RunFields from './RunFields.vue';
import SideBySide from './SideBySide.vue';
import TestSetParts from './TestSetParts.vue';
import TriedCostLine from './TriedCostLine.vue';
import VerdictRows from './VerdictRows.vue';

/** From bottle to verdict: the same plate of the shop's own parts, printed, graded, cast, graded again. */
const props = defineProps<{ resin: Resin }>();
const shop = useShop();
const records = useRecords();
const notices = useNotices();
const { things, of } = useTuneChoice(() => props.resin.id);

const runs = computed(() =>
  records.lists.testSetRun
    .filter((run) => run.resinId === props.resin.id)
    .sort((a, b) => b.printedAt.localeCompare(a.printedAt)),
);
const chosenId = shallowRef<string>();
const stored = computed(() => runs.value.find((run) => run.id === chosenId.value) ?? runs.value[0]);
const {
  item: run,
  standing,
  change,
} = useEdited<TestSetRun>(
  () => stored.value,
  () => (changed) => records.keepTyped('testSetRun', changed),
);
const set = (fields: Partial<TestSetRun>): void => {
  if (run.value) change({ ...run.value, ...fields });
};

/** The loop's steps, and how far this resin is. */
const steps = computed(() => {
  const trials = records.lists.trial.filter((t) => t.resinId === props.resin.id).length;
  const profiles = shop.lists.profile.filter(
    (p) => p.resinId === props.resin.id && p.tested && !p.replaced,
  ).length;
  const pieces = runs.value.flatMap((r) => r.pieces);
  const verdicts = runs.value
    .flatMap((r) => Object.values(r.verdicts))
    .filter((v) => v.prints.says || v.casts.says).length;
  return [
    { name: 'Record and a figure to begin', done: props.resin.reported.length > 0 || trials > 0 },
    { name: 'Coupons until a figure stands', done: profiles > 0 },
    { name: 'The test set, printed', done: pieces.some((p) => p.print !== null) },
    { name: '… and cast', done: pieces.some((p) => p.cast !== null) },
    { name: 'A verdict per class', done: verdicts > 0 },
  ];
});

const figure = computed(
  () =>
    things.value &&
    beginningOf(shop.lists, records.lists, things.value, of.value === 'base' ? 'standard' : of.value),
);
/** A run here, and one for each profile that the same plate is printed by beside it. */
async function begin(copies: number, also: readonly Profile[]): Promise<void> {
  if (!things.value || !figure.value) return;
  const now = new Date();
  const { testSet } = shop.settings;
  const made = newRun(things.value, figure.value, testSet, shop.patterns, copies, now);
  chosenId.value = made.id;
  const beside = also.flatMap((profile) => {
    const others = tuningThings(shop.lists, profile);
    const by = { profile, exposureS: profile.exposureS };
    return others ? [newRun(others, by, testSet, shop.patterns, copies, now)] : [];
  });
  for (const each of [made, ...beside]) await records.add('testSetRun', each).catch(notices.wrong);
}

/** The figure of a run whose pieces came out, into a profile that pours use. */
async function takeFigure(castClass: TunedClass): Promise<void> {
  const now = run.value;
  const at = now && tuningThings(shop.lists, now);
  if (!at) return;
  const pieces = now.pieces.filter((p) => p.castClass === castClass && p.print !== null);
  const whole = pieces.filter((p) => p.print === 'whole').length;
  const vatC = standingProfile(shop.lists.profile, at, castClass)?.vatC ?? null;
  const made = await acceptFigure(shop.keepItem, shop.lists.profile, at, castClass, {
    exposureS: now.exposureS,
    vatC,
    tested: true,
    provenance: `test set, ${whole} of ${pieces.length} whole, ${formatDay(Date.parse(now.printedAt))}`,
    foundAt: now.printedAt,
  }).catch(notices.wrong);
  if (made) notices.tell(`${made.name} is ready for pours.`);
}
async function remove(gone: TestSetRun): Promise<void> {
  await records.remove('testSetRun', gone.id).catch(notices.wrong);
  notices.tell('The run is taken away.', {
    label: 'Undo',
    run: () => void records.keep('testSetRun', gone).catch(notices.wrong),
  });
}
</script>

<template>
  <ol class="steps" aria-label="From bottle to verdict">
    <li v-for="step in steps" :key="step.name" :class="{ done: step.done }">
      <span class="mark" aria-hidden="true">{{ step.done ? '●' : '○' }}</span> {{ step.name
      }}<span class="visually-hidden">{{ step.done ? ', done' : ', to do' }}</span>
    </li>
  </ol>
  <TestSetParts />
  <p v-if="shop.patterns.length === 0" class="mute mt-2">
    No pattern here yet: drop a model file anywhere, then choose it for the test set.
  </p>
  <p v-if="!things" class="mute mt-2">
    <router-link to="/shop/printer">Add a printer first</router-link>: the set is printed on one.
  </p>
  <BeginRun
    v-if="shop.settings.testSet.length > 0 && things && figure"
    :resin-id="resin.id"
    :printer-id="things.printer.id"
    :exposure-s="figure.exposureS"
    @begin="begin"
  />
  <PickRow
    label="Run"
    :things="
      runs.map(({ id, printedAt, exposureS }) => ({
        key: id,
        name: `${formatDay(Date.parse(printedAt))}, ${exposureS} s`,
      }))
    "
    :picked="run?.id"
    @pick="(id) => (chosenId = id)"
  >
    <StandingLine v-if="run" :standing="standing" />
  </PickRow>
  <TriedCostLine :resin="resin" />
  <template v-if="run">
    <RunFields :run="run" @change="set" />
    <PiecesTable :run="run" @change="(pieces) => set({ pieces })" />
    <VerdictRows :run="run" :runs="runs" @change="(verdicts) => set({ verdicts })" @take="takeFigure" />
    <SideBySide :runs="records.lists.testSetRun" :resin-id="resin.id" />
    <CautionLine of="burnout" />
    <button type="button" class="text-button mt-3" @click="remove(run)">Take this run away</button>
  </template>
</template>

<style scoped>
.steps {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 22px;
  list-style: none;
  margin: 0 0 14px;
  padding: 0;
  color: var(--mute);
}
.steps .done {
  color: var(--ink);
}
.steps .done .mark {
  color: var(--verd);
}
</style>
