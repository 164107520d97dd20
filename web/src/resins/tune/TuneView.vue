<script setup lang="ts">
import type { Resin, Trial } from '@zero-pour/contracts';
import { FEATURE_SIZE_MM, finestFeature, farFromOthers, type CouponSpec } from '@zero-pour/core';
import {
  COMMON_FIGURES,
  figuresFor,
  gatherTrials,
  sizesNear,
  standingProfile,
  toldBase,
} from '@zero-pour/plan';
import { until, useEventListener, useLocalStorage } from '@vueuse/core';
import { computed, nextTick, shallowRef, watch } from 'vue';
import CautionLine from '../../components/CautionLine.vue';
import JudgementList from '../../components/JudgementList.vue';
import NumberList from '../../components/NumberList.vue';
import { isTyping } from '../../state/isTyping';
import { useRecords } from '../../state/recordStore';
import { useShop } from '../../state/shopStore';
import CountEntry from './CountEntry.vue';
import {
  changedMoreJudgements,
  contradictionJudgements,
  knownRows,
  oneSidedJudgements,
  solidWidths,
} from './known';
import type { TrialPlan } from './newTrial';
import PartEntry from './PartEntry.vue';
import PrintNext from './PrintNext.vue';
import StartingFigures from './StartingFigures.vue';
import TrialTable from './TrialTable.vue';
import TuneChart from './TuneChart.vue';
import { couponCounts, ownCoupons, tuningJob } from './tuningJob';
import TuneHead from './TuneHead.vue';
import { useAccept } from './useAccept';
import { usePartEntry } from './usePartEntry';
import { useTrialEntry } from './useTrialEntry';
import { useSpread } from './useSpread';
import { useTuneChoice } from './useTuneChoice';
import { useTuning } from './useTuning';
import WidthPanel from './WidthPanel.vue';
import { CLASS_NAMES, seconds, verdictJudgement } from './words';

/** Finding the seconds: counts, both edges, what to print next, and the verdict. */
const props = defineProps<{ resin: Resin }>();
const shop = useShop();
const records = useRecords();

const { things, of, layers, choose } = useTuneChoice(() => props.resin.id);
/** What is chosen for these settings and not part of any record: the figure to begin with, pooling, the last coupon made. */
const key = computed(() => `${props.resin.id}/${things.value?.printer.id}/${things.value?.layerMm}`);
const begins = useLocalStorage<Record<string, number>>('zp-begin', {}, { shallow: true });
const pools = useLocalStorage<Record<string, boolean>>('zp-pool', {}, { shallow: true });
const coupons = useLocalStorage<Record<string, CouponSpec>>('zp-coupon', {}, { shallow: true });
const ownKey = computed(() => `${key.value}/${of.value}`);

const pool = computed(() => pools.value[ownKey.value] ?? false);
const gathered = computed(
  () => things.value && gatherTrials(shop.lists, records.lists, things.value, of.value, pool.value),
);
const start = computed(() =>
  things.value
    ? figuresFor(shop.lists, records.lists, things.value, gathered.value?.vatC ?? null)
    : { figures: [], refused: [] },
);
const profile = computed(() =>
  things.value && of.value !== 'base'
    ? standingProfile(shop.lists.profile, things.value, of.value)
    : undefined,
);
const told = computed(() => ({ ...COMMON_FIGURES, ...(things.value && toldBase(things.value)) }));
const begin = computed(() => {
  const typed = begins.value[ownKey.value];
  if (of.value === 'base') return typed ?? told.value.baseExposureS;
  return typed ?? start.value.figures[0]?.exposureS ?? COMMON_FIGURES.exposureS;
});

/** Told by the entry below; a coupon half counted teaches nothing of the scatter. */
const counted = shallowRef<string>();
const { spread, outdated: spreadOutdated } = useSpread(() => counted.value);
const {
  answer,
  latest,
  problem,
  outdated: answerOutdated,
} = useTuning(
  () => ownKey.value,
  () =>
    records.ready && things.value && gathered.value
      ? tuningJob(of.value, things.value.printer, begin.value, gathered.value, spread.value.rho)
      : undefined,
);
const outdated = computed(() => answerOutdated.value || spreadOutdated.value);
const counts = computed(() => couponCounts(of.value, gathered.value?.used ?? []));
const couponsSoFar = computed(() => (gathered.value ? ownCoupons(gathered.value) : 0));
const carriedOver = computed(() => gathered.value?.used.filter((t) => t.laws.length > 0).length ?? 0);
const featureMm = computed(
  () => gathered.value?.featureMm ?? FEATURE_SIZE_MM[of.value === 'base' ? 'standard' : of.value],
);

/** What a new trial is printed at: the next coupon's figure, all else as in the trial before. */
function planAfter(before: Trial | undefined): TrialPlan | undefined {
  if (!answer.value) return undefined;
  const { verdict, recommended, next } = answer.value;
  const { baseExposureS, baseLayers } = profile.value ?? told.value;
  return {
    of: of.value,
    nextS: (verdict.kind === 'next coupon' ? next : recommended).exposureS,
    before,
    coupon: coupons.value[key.value],
    exposureS: profile.value?.exposureS ?? start.value.figures[0]?.exposureS ?? COMMON_FIGURES.exposureS,
    baseExposureS,
    baseLayers,
  };
}
const { open, standing, number, same, change, enter, close, discard, openTrial } = useTrialEntry(
  () => things.value,
  planAfter,
);
watch(open, (trial) => (counted.value = trial?.id), { immediate: true });
const { parts, enterParts, openPart, closeParts, keepParts, removePart } = usePartEntry(
  () => things.value,
  () => planAfter(same.value.at(-1)),
);
/** What is to be printed next waits for the counts before it. */
async function enterNext(): Promise<void> {
  while (outdated.value) {
    await until(outdated).toBe(false);
    // A scatter just found asks for the answer anew.
    await nextTick();
  }
  await enter();
}
useEventListener(document, 'keydown', (event: KeyboardEvent) => {
  if (
    event.key.toLowerCase() !== 'e' ||
    event.ctrlKey ||
    event.metaKey ||
    event.altKey ||
    isTyping(event.target)
  )
    return;
  event.preventDefault();
  void enterNext();
});

const { busy, accept } = useAccept(() =>
  things.value && answer.value && gathered.value
    ? { things: things.value, of: of.value, answer: answer.value, gathered: gathered.value }
    : undefined,
);

const verdict = computed(() => {
  if (!answer.value || !things.value) return [];
  const judged = verdictJudgement(answer.value, of.value, featureMm.value, things.value.layerMm);
  return judged ? [judged] : [];
});
const far = computed(() =>
  answer.value && of.value !== 'base' && couponsSoFar.value >= 2
    ? farFromOthers(answer.value.recommended.exposureS, start.value.figures)
    : [],
);
const finest = computed(
  () => profile.value && finestFeature(props.resin.finestMm, sizesNear(profile.value, records.lists)),
);
const setBegin = (s: number | undefined): void => {
  const { [ownKey.value]: _, ...others } = begins.value;
  begins.value = s === undefined ? others : { ...others, [ownKey.value]: s };
};
const couponAt = computed(
  () => `/resins/${props.resin.id}/coupon?printer=${things.value?.printer.id}&layer=${things.value?.layerMm}`,
);
</script>

<template>
  <p v-if="shop.lists.printer.length === 0">
    <router-link to="/shop/printer">Add a printer first</router-link>: an exposure belongs to a resin on a
    printer.
  </p>
  <div v-else-if="things" class="tune">
    <div class="main">
      <TuneHead
        :things="things"
        :of="of"
        :layers="layers"
        :vat-c="gathered?.vatC ?? null"
        :feature-mm="featureMm"
        @choose="choose"
      />
      <TuneChart v-if="latest && gathered" :answer="latest" :trials="gathered.used" :of="of" />
      <p v-else-if="problem" role="alert">{{ problem }}</p>
      <CountEntry
        v-if="open"
        :key="open.id"
        :trial="open"
        :number="number"
        :standing="standing"
        @change="change"
        @close="close"
        @discard="discard"
      />
      <PartEntry
        v-if="parts"
        :key="parts.from.id"
        v-bind="parts"
        @keep="keepParts"
        @discard="removePart"
        @close="closeParts"
      />
      <TrialTable
        v-if="gathered"
        :gathered="gathered"
        :of="of"
        :pool="pool"
        @open="(trial) => (trial.part ? openPart(trial) : openTrial(trial))"
        @pool="(on) => (pools = { ...pools, [ownKey]: on })"
      />
      <p v-if="gathered && gathered.used.length === 0" class="mute mt-3">
        No coupon yet for {{ CLASS_NAMES[of].toLowerCase() }}. Make the file, print it at
        {{ answer ? seconds(answer.next.exposureS) : '…' }} s, count.
      </p>
    </div>
    <aside class="side" aria-label="Print next">
      <PrintNext
        v-if="answer"
        :answer="answer"
        :of="of"
        :counts="counts"
        :coupons="couponsSoFar"
        :carried-over="carriedOver"
        :coupon-at="couponAt"
        :busy="busy"
        :outdated="outdated"
        @enter="enterNext"
        @parts="enterParts(of)"
        @accept="accept"
      />
      <div v-else class="waiting" aria-hidden="true" />
      <JudgementList
        v-if="gathered"
        :judgements="[...contradictionJudgements(gathered, of), ...oneSidedJudgements(gathered, of)]"
        class="verdicts"
      />
      <JudgementList :judgements="verdict" class="verdicts" />
      <section v-if="answer" class="stage-block">
        <h2>What is known so far</h2>
        <NumberList :rows="knownRows(answer, of, counts.struts, spread)" />
        <p v-if="profile" class="mute mt-2">
          In use: {{ seconds(profile.exposureS) }} s, {{ profile.provenance || 'no reason noted' }} (version
          {{ profile.version }}).
        </p>
      </section>
      <JudgementList v-if="gathered" :judgements="changedMoreJudgements(gathered)" class="verdicts" />
      <StartingFigures
        v-if="of !== 'base'"
        :figures="start.figures"
        :refused="start.refused"
        :far="far"
        :chosen-s="begin"
        :typed-s="begins[ownKey]"
        @choose="setBegin"
      />
      <WidthPanel
        v-if="of !== 'base' && answer && gathered"
        :widths="solidWidths(gathered)"
        :exposure-s="answer.recommended.exposureS"
        :finest="finest"
      />
      <CautionLine of="resin" />
    </aside>
  </div>
</template>

<style scoped>
.tune {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 372px;
  gap: 22px;
  align-items: start;
}
.waiting {
  min-height: 206px;
  border: 1px solid var(--line);
}
.verdicts {
  grid-template-columns: minmax(0, 1fr);
}
@media (max-width: 1000px) {
  .tune {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
