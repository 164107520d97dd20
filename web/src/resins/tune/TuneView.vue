<script setup lang="ts">
import type { Resin, Trial } from '@zero-pour/contracts';
import {
  FEATURE_SIZE_MM,
  finestFeature,
  formatQuantity,
  farFromOthers,
  startingFigures,
  type CouponSpec,
} from '@zero-pour/core';
import { curveOf, gatherTrials, reportsOf, sizesNear, standingProfile, wantedSetting } from '@zero-pour/plan';
import { useEventListener, useLocalStorage } from '@vueuse/core';
import { format } from 'date-fns';
import { computed, shallowRef } from 'vue';
import CautionLine from '../../components/CautionLine.vue';
import JudgementList from '../../components/JudgementList.vue';
import NumberList from '../../components/NumberList.vue';
import { isTyping } from '../../shell/useAppKeys';
import { useNotices } from '../../state/notices';
import { useRecords } from '../../state/recordStore';
import { useShop } from '../../state/shopStore';
import { useUnits } from '../../state/unitStore';
import { useEdited } from '../../state/useEdited';
import { acceptBase, acceptFigure } from './acceptFigure';
import CountEntry from './CountEntry.vue';
import { newTrial, saysSomething } from './newTrial';
import PrintNext from './PrintNext.vue';
import StartingFigures from './StartingFigures.vue';
import TrialTable from './TrialTable.vue';
import TuneChart from './TuneChart.vue';
import { couponCounts, tuningJob } from './tuningJob';
import TuneHead from './TuneHead.vue';
import { useTuneChoice } from './useTuneChoice';
import { useTuning } from './useTuning';
import WidthPanel from './WidthPanel.vue';
import { CLASS_NAMES, seconds, verdictJudgement } from './words';

/** Finding the seconds: counts, both edges, what to print next, and the verdict. */
const props = defineProps<{ resin: Resin }>();
const shop = useShop();
const records = useRecords();
const notices = useNotices();
const units = useUnits();

const { things, of, layers, choose } = useTuneChoice(() => props.resin.id);
/** What is chosen for these settings and not part of any record: the figure to begin with, pooling, the last coupon made. */
const key = computed(() => `${props.resin.id}/${things.value?.printer.id}/${things.value?.layerMm}`);
const begins = useLocalStorage<Record<string, number>>('zp-begin', {});
const pools = useLocalStorage<Record<string, boolean>>('zp-pool', {});
const coupons = useLocalStorage<Record<string, CouponSpec>>('zp-coupon', {});
const ownKey = computed(() => `${key.value}/${of.value}`);

const pool = computed(() => pools.value[ownKey.value] ?? false);
const gathered = computed(
  () => things.value && gatherTrials(shop.lists, records.lists, things.value, of.value, pool.value),
);
const reports = computed(() => (things.value ? reportsOf(shop.lists, things.value) : []));
const target = computed(() => things.value && wantedSetting(things.value, gathered.value?.vatC ?? null));
const start = computed(() => {
  if (!target.value || !things.value) return { figures: [], refused: [] };
  return startingFigures(
    target.value,
    reports.value,
    curveOf(records.lists, props.resin.id, target.value.wavelengthNm),
  );
});
const profile = computed(() =>
  things.value && of.value !== 'base'
    ? standingProfile(shop.lists.profile, things.value, of.value)
    : undefined,
);
const reported = computed(() =>
  props.resin.reported.find((r) => r.printerId === things.value?.printer.id && r.from === 'maker'),
);
const COMMON = { exposureS: 3, baseExposureS: 25, baseLayers: 6 };
const begin = computed(() => {
  const typed = begins.value[ownKey.value];
  if (of.value === 'base') return typed ?? reported.value?.baseExposureS ?? COMMON.baseExposureS;
  return typed ?? start.value.figures[0]?.exposureS ?? COMMON.exposureS;
});

const { answer, problem } = useTuning(() =>
  records.ready && things.value && gathered.value
    ? tuningJob(of.value, things.value.printer, begin.value, gathered.value)
    : undefined,
);
const counts = computed(() => couponCounts(of.value, gathered.value?.used ?? []));
const couponsSoFar = computed(() => gathered.value?.used.length ?? 0);
const featureMm = computed(() => {
  if (of.value === 'base') return FEATURE_SIZE_MM.standard;
  const last = gathered.value?.used
    .flatMap((t) => t.trial.coupon.classes.filter((c) => c.castClass === of.value))
    .at(-1);
  return last?.featureMm ?? FEATURE_SIZE_MM[of.value];
});

/* The coupon being counted. */
const openId = shallowRef<string>();
const {
  item: open,
  unsaved,
  change,
} = useEdited<Trial>(
  () => records.lists.trial.find((trial) => trial.id === openId.value),
  () => (changed) => records.keep('trial', changed),
);
const openNumber = computed(() => {
  const same = records.lists.trial.filter(
    (t) =>
      t.printerId === open.value?.printerId &&
      t.resinId === open.value?.resinId &&
      t.layerMm === open.value?.layerMm,
  );
  return (
    same.sort((a, b) => a.printedAt.localeCompare(b.printedAt)).findIndex((t) => t.id === openId.value) + 1
  );
});

async function enterCounts(): Promise<void> {
  if (!things.value || !answer.value || openId.value) return;
  const same = records.lists.trial
    .filter(
      (t) =>
        t.resinId === props.resin.id &&
        t.printerId === things.value!.printer.id &&
        t.layerMm === things.value!.layerMm,
    )
    .sort((a, b) => a.printedAt.localeCompare(b.printedAt));
  const settled = answer.value.verdict.kind !== 'next coupon';
  const trial = newTrial(
    things.value,
    {
      of: of.value,
      nextS: settled ? answer.value.recommended.exposureS : answer.value.next.exposureS,
      before: same.at(-1),
      coupon: coupons.value[key.value],
      exposureS: profile.value?.exposureS ?? start.value.figures[0]?.exposureS ?? COMMON.exposureS,
      baseExposureS: profile.value?.baseExposureS ?? reported.value?.baseExposureS ?? COMMON.baseExposureS,
      baseLayers: profile.value?.baseLayers ?? reported.value?.baseLayers ?? COMMON.baseLayers,
    },
    new Date(),
  );
  try {
    await records.keep('trial', trial);
    openId.value = trial.id;
  } catch (error) {
    notices.wrong(error);
  }
}
async function close(): Promise<void> {
  const trial = open.value;
  openId.value = undefined;
  // A coupon that was opened and says nothing was not printed yet.
  if (trial && !saysSomething(trial)) await records.remove('trial', trial.id).catch(notices.wrong);
}
async function discard(): Promise<void> {
  const trial = open.value;
  openId.value = undefined;
  if (!trial) return;
  await records.remove('trial', trial.id).catch(notices.wrong);
  notices.tell('The coupon is taken away.', {
    label: 'Undo',
    run: () => void records.keep('trial', trial).catch(notices.wrong),
  });
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
  void enterCounts();
});

/* Taking the figure. */
const busy = shallowRef(false);
const provenance = computed(() => {
  const n = couponsSoFar.value;
  const vat = gathered.value?.vatC;
  const parts = [`${n} ${n === 1 ? 'coupon' : 'coupons'}`, format(new Date(), 'd MMM yyyy')];
  if (vat !== null && vat !== undefined)
    parts.push(formatQuantity({ value: vat, unit: 'degC' }, units.choice));
  if (answer.value?.verdict.kind === 'as good as it gets') parts.push('borderline');
  return parts.join(', ');
});
async function accept(): Promise<void> {
  if (!things.value || !answer.value) return;
  busy.value = true;
  const foundAt = new Date().toISOString();
  const { exposureS } = answer.value.recommended;
  try {
    if (of.value === 'base') {
      const n = await acceptBase(shop.keepItem, shop.lists.profile, things.value, {
        baseExposureS: exposureS,
        foundAt,
      });
      notices.tell(
        n > 0
          ? `Base ${seconds(exposureS)} s is in ${n} ${n === 1 ? 'profile' : 'profiles'}.`
          : 'Take an exposure into a profile first; the base goes with it.',
      );
      return;
    }
    const last = gathered.value?.used.at(-1)?.trial;
    const made = await acceptFigure(shop.keepItem, shop.lists.profile, things.value, of.value, {
      exposureS,
      ...(last ? { baseExposureS: last.baseExposureS, baseLayers: last.baseLayers } : {}),
      vatC: gathered.value?.vatC ?? null,
      tested: true,
      provenance: provenance.value,
      foundAt,
    });
    notices.tell(`${made.name} is ready for pours.`);
  } catch (error) {
    notices.wrong(error);
  } finally {
    busy.value = false;
  }
}

/* What is known so far. */
const range = (a: number, b: number): string =>
  `${seconds(Math.round(a * 10) / 10)} – ${seconds(Math.round(b * 10) / 10)} s`;
const known = computed(() => {
  if (!answer.value) return [];
  const { recommended: r } = answer.value;
  const [holds, opens] =
    of.value === 'base'
      ? ['It holds from', 'It comes free up to']
      : ['Struts hold from', 'Slots stay open to'];
  return [
    ['Best guess', `${seconds(r.exposureS)} s`],
    [holds!, range(r.lowerEdge.q05S, r.lowerEdge.q95S)],
    [opens!, range(r.upperEdge.q05S, r.upperEdge.q95S)],
    ['Good ones, struts × slots', `${Math.round(100 * r.product)} %`],
    ...(of.value === 'base'
      ? []
      : [[`All ${counts.value.struts} struts of a coupon stand`, `${Math.round(100 * r.allStrutsStand)} %`]]),
  ] as [string, string][];
});
const judgements = computed(() => {
  if (!answer.value || !things.value) return [];
  const verdict = verdictJudgement(answer.value, of.value, featureMm.value, things.value.layerMm);
  const changed = (gathered.value?.used ?? []).flatMap(({ trial, number }) => {
    const names = gathered.value?.changedMore.get(trial.id);
    return names && number > 0
      ? [
          {
            rule: `changed ${trial.id}`,
            weight: 'watch' as const,
            lead: `Trial ${number} changed ${names.length === 2 ? 'two' : names.length} things`,
            why: [`(${names.join(' and ')}). What it shows is not put down to either.`],
          },
        ]
      : [];
  });
  return [...(verdict ? [verdict] : []), ...changed];
});
const far = computed(() =>
  answer.value && target.value && of.value !== 'base' && couponsSoFar.value >= 2
    ? farFromOthers(answer.value.recommended.exposureS, target.value, reports.value)
    : [],
);
const widths = computed(() =>
  (gathered.value?.used ?? [])
    .filter((t) => t.number > 0)
    .flatMap(({ trial }) =>
      trial.widths
        .filter((w) => w.kind !== 'slot' && w.kind !== 'hole')
        .map((w) => ({ ...w, exposureS: trial.exposureS })),
    ),
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
      <TuneChart v-if="answer && gathered" :answer="answer" :trials="gathered.used" :of="of" />
      <p v-else-if="problem" role="alert">{{ problem }}</p>
      <CountEntry
        v-if="open"
        :key="open.id"
        :trial="open"
        :number="openNumber"
        :unsaved="unsaved"
        @change="change"
        @close="close"
        @discard="discard"
      />
      <TrialTable
        v-if="gathered"
        :gathered="gathered"
        :of="of"
        :pool="pool"
        @open="(trial) => (openId = trial.id)"
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
        :coupon-at="couponAt"
        :busy="busy"
        @enter="enterCounts"
        @accept="accept"
      />
      <JudgementList :judgements="judgements" class="verdicts" />
      <section v-if="answer" class="stage-block">
        <h2>What is known so far</h2>
        <NumberList :rows="known" />
        <p v-if="profile" class="mute mt-2">
          In use: {{ seconds(profile.exposureS) }} s, {{ profile.provenance || 'no reason noted' }} (version
          {{ profile.version }}).
        </p>
      </section>
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
        v-if="of !== 'base' && answer"
        :widths="widths"
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
.verdicts {
  grid-template-columns: minmax(0, 1fr);
}
@media (max-width: 1000px) {
  .tune {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
