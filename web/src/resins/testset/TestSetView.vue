<script setup lang="ts">
import PickRow from '../../components/PickRow.vue';
import StandingLine from '../../components/StandingLine.vue';
import type { Resin, TestSetRun } from '@zero-pour/contracts';
import { standingProfile } from '@zero-pour/plan';
import { computed, shallowRef } from 'vue';
import CautionLine from '../../components/CautionLine.vue';
import { useNotices } from '../../state/notices';
import { useRecords } from '../../state/recordStore';
import { useShop } from '../../state/shopStore';
import { useEdited } from '../../state/useEdited';
import { formatDay } from '../../time/formatMoment';
import { useTuneChoice } from '../tune/useTuneChoice';
import { newRun } from './newRun';
import PiecesTable from './PiecesTable.vue';
import RunFields from './RunFields.vue';
import SideBySide from './SideBySide.vue';
import TestSetParts from './TestSetParts.vue';
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

const COPIES = 3;
async function begin(): Promise<void> {
  if (!things.value) return;
  const profile =
    of.value === 'base' ? undefined : standingProfile(shop.lists.profile, things.value, of.value);
  const made = newRun(things.value, profile, shop.settings.testSet, shop.patterns, COPIES, new Date());
  chosenId.value = made.id;
  await records.add('testSetRun', made).catch(notices.wrong);
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
    <v-btn v-if="shop.settings.testSet.length > 0 && things" size="small" @click="begin"
      >Print the test set, {{ COPIES }} of each</v-btn
    >
    <StandingLine v-if="run" :standing="standing" />
  </PickRow>
  <template v-if="run">
    <RunFields :run="run" @change="set" />
    <PiecesTable :run="run" @change="(pieces) => set({ pieces })" />
    <VerdictRows :run="run" :runs="runs" @change="(verdicts) => set({ verdicts })" />
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
