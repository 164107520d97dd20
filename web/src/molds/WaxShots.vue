<script setup lang="ts">
import type { Mold, Pattern } from '@zero-pour/contracts';
import {
  BEARS_PERCENT,
  formatPhrase,
  formatQuantity,
  printsNegative,
  shotG,
  shotsFor,
  WAX_FAULTS,
  type WaxFaultKey,
} from '@zero-pour/core';
import { routeOfKind, usualMold, waxCm3, waxesPerHour, whyNewest, type MoldPlan } from '@zero-pour/plan';
import { computed, shallowRef } from 'vue';
import { useRouter } from 'vue-router';
import PickRow from '../components/PickRow.vue';
import QuantityField from '../components/QuantityField.vue';
import { said } from '../components/said';
import { newSeries } from '../sizes';
import { useNotices } from '../state/notices';
import { usePours } from '../state/pourStore';
import { useRecords } from '../state/recordStore';
import { useShop } from '../state/shopStore';
import { useUnits } from '../state/unitStore';
import { clockTime } from '../time/shopClock';

/** What a mold gave: shots, what came out, why, and how many are needed. */
const props = defineProps<{ mold: Mold; plan: MoldPlan; pattern: Pattern | undefined }>();
const emit = defineEmits<{ change: [fields: Partial<Mold>] }>();
const units = useUnits();
const records = useRecords();
const shop = useShop();
const notices = useNotices();
const router = useRouter();
const pours = usePours();

const wax = (fields: Partial<Mold['wax']>): void => {
  const next = { ...props.mold.wax, ...fields };
  emit('change', { wax: Object.fromEntries(Object.entries(next).filter(([, v]) => v !== undefined)) });
};
const waxes = shallowRef<number>();
const good = shallowRef<number>();
const flaws = shallowRef<WaxFaultKey[]>([]);
const waxC = shallowRef<number>();
const pressureKpa = shallowRef<number>();
const restMin = shallowRef<number>();
/** Open pours that take their waxes from here. */
const takers = computed(() => pours.open.filter(({ doc }) => doc.brief.moldId === props.mold.id));
const chosenPour = shallowRef<string | null>();
const pourId = computed(
  () => (chosenPour.value === undefined ? takers.value[0]?.id : chosenPour.value) ?? null,
);
const numberOf = (id: string | undefined): number | undefined =>
  id ? pours.pours.get(id)?.number : undefined;
const tooMany = computed(
  () => waxes.value !== undefined && good.value !== undefined && good.value > waxes.value,
);
function pick(key: WaxFaultKey): void {
  flaws.value = flaws.value.includes(key) ? flaws.value.filter((one) => one !== key) : [...flaws.value, key];
}
const UNPROVEN = new Set<Mold['state']>(['planned', 'being made']);
function book(): void {
  if (waxes.value === undefined || good.value === undefined || tooMany.value) return;
  const optional = { waxC: waxC.value, pressureKpa: pressureKpa.value, restMin: restMin.value };
  const shot = {
    key: `s${Date.now().toString(36)}`,
    at: new Date().toISOString(),
    ...(pourId.value ? { pourId: pourId.value } : {}),
    waxes: Math.round(waxes.value),
    good: Math.round(good.value),
    flaws: flaws.value,
    ...Object.fromEntries(Object.entries(optional).filter(([, v]) => v !== undefined)),
  };
  emit('change', {
    shots: [...props.mold.shots, shot],
    // A good wax makes a good mold; one that was given up stays so.
    state: shot.good > 0 && UNPROVEN.has(props.mold.state) ? 'good' : props.mold.state,
  });
  waxes.value = good.value = undefined;
  flaws.value = [];
}
const FAULT_THINGS = WAX_FAULTS.map(({ key, name }) => ({ key, name }));
const nameOf = (key: WaxFaultKey): string => WAX_FAULTS.find((one) => one.key === key)!.name;
const rows = computed(() => [...props.mold.shots].reverse().slice(0, 12));
const why = computed(() => whyNewest(props.mold, { bearsPercent: BEARS_PERCENT[props.mold.kind] }));
const g = (value: number): string => formatQuantity({ value, unit: 'g', digits: 2 }, units.choice);
const shot = computed(() => {
  const volume = waxCm3(props.mold, props.pattern);
  return volume === undefined ? undefined : shotG(volume);
});

const wanted = shallowRef<number>();
const needed = computed(() => {
  const { mean, n } = props.plan.good;
  if (wanted.value === undefined) return '';
  if (n === 0) return 'No shot is recorded: nobody can say how many it takes.';
  const shots = shotsFor(Math.round(wanted.value), mean);
  if (shots === undefined) return 'More than anybody would inject.';
  return `${shots} waxes give ${Math.round(wanted.value)} good ones nine times in ten, by ${props.plan.good.good} good of ${n} so far.`;
});

async function measure(): Promise<void> {
  const like = newSeries(shop.lists, records.lists.sizeSeries.at(-1), new Date());
  if (!like || !props.mold.resinId) {
    notices.tell('Choose the resin of the mold or master first.');
    return;
  }
  const route = routeOfKind(props.mold.kind);
  const series = {
    ...like,
    resinId: props.mold.resinId,
    profileId: null,
    stage: 'wax' as const,
    route,
    moldMaterial: printsNegative(route) ? null : usualMold(route),
    note: `Waxes of ${props.mold.name}`,
  };
  await records.add('sizeSeries', series).catch((error: unknown) => notices.wrong(error));
  await router.push(`/sizes/series/${series.id}`);
}
</script>

<template>
  <section class="stage-block">
    <h2>Waxes</h2>
    <p>
      <template v-if="plan.waxes > 0">
        <b class="num">{{ plan.waxes }}</b> waxes, <b class="num">{{ plan.good.good }}</b> of them good: about
        {{ Math.round(100 * plan.good.mean) }} %, {{ Math.round(100 * plan.good.low) }} to
        {{ Math.round(100 * plan.good.high) }} % nine times in ten. A mold of its kind gives about
        <span class="num">{{ plan.left }}</span> more (shop default).
      </template>
      <template v-else>No wax yet.</template>
      <template v-if="shot !== undefined">
        The cavity takes {{ g(shot) }} of wax, without its sprue.</template
      >
    </p>
    <div class="form-grid mt-2">
      <QuantityField
        v-bind="said('mold', 'wax', 'usualC')"
        :model-value="mold.wax.usualC"
        @update:model-value="(usualC) => wax({ usualC })"
      />
      <QuantityField
        v-bind="said('mold', 'wax', 'usualKpa')"
        :model-value="mold.wax.usualKpa"
        @update:model-value="(usualKpa) => wax({ usualKpa })"
      />
      <QuantityField
        v-bind="said('mold', 'wax', 'restMin')"
        :model-value="mold.wax.restMin"
        @update:model-value="(v) => wax({ restMin: v })"
      />
      <QuantityField
        v-bind="said('mold', 'wax', 'perHour')"
        :standard="waxesPerHour(mold)"
        standard-from="shop default"
        :model-value="mold.wax.perHour"
        @update:model-value="(perHour) => wax({ perHour })"
      />
      <QuantityField
        v-bind="said('mold', 'wax', 'pieceG')"
        :model-value="mold.wax.pieceG"
        @update:model-value="(pieceG) => wax({ pieceG })"
      />
    </div>
    <h3 class="mt-4">A shot, or several alike</h3>
    <div class="form-grid">
      <QuantityField v-model="waxes" v-bind="said('mold', 'shots', '*', 'waxes')" />
      <QuantityField v-model="good" v-bind="said('mold', 'shots', '*', 'good')" />
      <QuantityField v-model="waxC" v-bind="said('mold', 'shots', '*', 'waxC')" />
      <QuantityField v-model="pressureKpa" v-bind="said('mold', 'shots', '*', 'pressureKpa')" />
      <QuantityField v-model="restMin" v-bind="said('mold', 'shots', '*', 'restMin')" />
      <v-select
        v-if="takers.length > 0"
        label="For"
        :items="[
          ...takers.map(({ id, number }) => ({ title: `Pour ${number}`, value: id })),
          { title: 'no pour yet', value: null },
        ]"
        :model-value="pourId"
        @update:model-value="(id) => (chosenPour = id)"
      />
    </div>
    <PickRow label="What was wrong" :things="FAULT_THINGS" :picked="flaws" @pick="pick">
      <v-btn :disabled="waxes === undefined || good === undefined || tooMany" @click="book">Note it</v-btn>
    </PickRow>
    <p v-if="tooMany" role="alert" class="tone fix">More good ones than waxes: look at both again.</p>
    <table v-if="rows.length > 0" class="plain" aria-label="Shots">
      <tbody>
        <tr v-for="row in rows" :key="row.key">
          <td class="num">{{ clockTime(Date.parse(row.at), 'd MMM yyyy') }}</td>
          <td class="num">{{ row.good }} of {{ row.waxes }} good</td>
          <td>{{ row.flaws.map(nameOf).join(', ') }}</td>
          <td>{{ numberOf(row.pourId) === undefined ? '' : `pour ${numberOf(row.pourId)}` }}</td>
          <td>
            <button
              type="button"
              class="text-button"
              @click="emit('change', { shots: mold.shots.filter(({ key }) => key !== row.key) })"
            >
              Take away
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <template v-if="why">
      <h3 class="mt-4">Why the last one had it: {{ nameOf(why.fault).toLowerCase() }}</h3>
      <ul class="causes">
        <li v-for="cause in why.causes" :key="cause.key">
          <b class="num">{{ Math.round(100 * cause.chance) }} %</b> {{ cause.name }}
          <span v-for="(one, n) in cause.signs" :key="n" class="mute">
            {{ formatPhrase(one.says, units.choice) }}</span
          >
        </li>
      </ul>
    </template>
    <div class="form-grid mt-4">
      <QuantityField
        v-model="wanted"
        label="Good waxes wanted"
        unit="count"
        :digits="0"
        :min="1"
        :max="2000"
      />
      <v-btn class="tall" @click="measure">Measure waxes, as a series</v-btn>
    </div>
    <p v-if="needed" class="mt-2">{{ needed }}</p>
  </section>
</template>

<style scoped>
h3 {
  font-size: 15px;
  font-weight: 650;
  margin-bottom: 6px;
}
.causes {
  margin: 0;
  padding-left: 18px;
}
.tall {
  height: 48px;
}
</style>
