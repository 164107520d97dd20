<script setup lang="ts">
import type { CureTest, Resin } from '@zero-pour/contracts';
import PickRow from '../../components/PickRow.vue';
import { said } from '../../components/said';
import StandingLine from '../../components/StandingLine.vue';
import { firstGuessS, formatQuantity } from '@zero-pour/core';
import { fitTest } from '@zero-pour/plan';
import { computed, shallowRef } from 'vue';
import MomentField from '../../components/MomentField.vue';
import NoteField from '../../components/NoteField.vue';
import NumberList from '../../components/NumberList.vue';
import QuantityField from '../../components/QuantityField.vue';
import { useNotices } from '../../state/notices';
import { useRecords } from '../../state/recordStore';
import { useShop } from '../../state/shopStore';
import { useUnits } from '../../state/unitStore';
import { useEdited } from '../../state/useEdited';
import CurveChart from './CurveChart.vue';
import { readDiscs } from './readDiscs';

/** Cure-depth tests: discs in, Dp and Ec out, and what they carry over. */
const props = defineProps<{ resin: Resin }>();
const shop = useShop();
const records = useRecords();
const notices = useNotices();
const units = useUnits();

const tests = computed(() =>
  records.lists.cureTest
    .filter((t) => t.resinId === props.resin.id)
    .sort((a, b) => b.measuredAt.localeCompare(a.measuredAt)),
);
const chosenId = shallowRef<string>();
const stored = computed(() => tests.value.find((t) => t.id === chosenId.value) ?? tests.value[0]);
const {
  item: test,
  standing,
  change,
} = useEdited<CureTest>(
  () => stored.value,
  () => (changed) => records.keepTyped('cureTest', changed),
);
const set = (fields: Partial<CureTest>): void => {
  if (test.value) change({ ...test.value, ...fields });
};
const fit = computed(() => test.value && fitTest(test.value));
const curve = computed(() => (fit.value && 'curve' in fit.value ? fit.value.curve : undefined));
const printer = computed(() => shop.lists.printer.find((p) => p.id === test.value?.printerId));

async function add(): Promise<void> {
  const on = shop.lists.printer.find((p) => !p.retired);
  const made: CureTest = {
    id: crypto.randomUUID(),
    resinId: props.resin.id,
    printerId: on?.id ?? null,
    measuredAt: new Date().toISOString(),
    wavelengthNm: on?.wavelengthNm ?? 405,
    discs: [],
    vatC: null,
    note: '',
  };
  chosenId.value = made.id;
  await records.add('cureTest', made).catch(notices.wrong);
}
async function remove(gone: CureTest): Promise<void> {
  await records.remove('cureTest', gone.id).catch(notices.wrong);
  notices.tell('The test is taken away.', {
    label: 'Undo',
    run: () => void records.keep('cureTest', gone).catch(notices.wrong),
  });
}

/* Discs are pasted or typed as two columns. */
const firstColumn = shallowRef<'energy' | 'seconds'>('energy');
const pasted = shallowRef('');
const problem = shallowRef('');
function take(): void {
  const irradiance = firstColumn.value === 'seconds' ? (printer.value?.irradianceMwPerCm2 ?? null) : null;
  if (firstColumn.value === 'seconds' && irradiance === null) {
    problem.value = 'Seconds need the printer’s light at the film: enter it under Shop, Printers.';
    return;
  }
  const read = readDiscs(pasted.value, irradiance);
  problem.value = read.status === 'unreadable' ? read.reason : '';
  if (read.status === 'read') {
    set({ discs: read.discs });
    pasted.value = '';
  }
}

const mm = (value: number): string => formatQuantity({ value, unit: 'mm', digits: 3 }, units.choice);
const numbers = computed<[string, string][]>(() => {
  const c = curve.value;
  if (!c) return [];
  return [
    ['Dp, how deep light goes', `${mm(c.dpMm)} ± ${mm(c.dpSe)}`],
    ['Ec, energy to begin', `${c.ecMjPerCm2.toFixed(2)} ± ${c.ecSe.toFixed(2)} mJ/cm²`],
    ['R²', c.r2.toFixed(4)],
    ['Discs', String(c.n)],
  ];
});
/** What the curve gives on each printer of its wavelength. */
const guesses = computed(() => {
  const c = curve.value;
  if (!c) return [];
  return shop.lists.printer
    .filter((p) => !p.retired)
    .map((p) => ({
      printer: p,
      cells: [0.025, 0.035, 0.05].map((h) =>
        p.irradianceMwPerCm2 === null ? undefined : firstGuessS(c, p.irradianceMwPerCm2, h),
      ),
      refused: p.wavelengthNm !== test.value?.wavelengthNm,
    }));
});
</script>

<template>
  <p class="mute lead">
    Expose discs on the film for several times, measure how thick they came out, and paste the pairs. Dp
    carries an exposure to another layer height, both together give a first guess on another printer of the
    same wavelength.
  </p>
  <PickRow
    label="Test"
    :things="
      tests.map(({ id, wavelengthNm, discs, measuredAt }) => ({
        key: id,
        name: `${wavelengthNm} nm, ${discs.length} discs, ${measuredAt.slice(0, 10)}`,
      }))
    "
    :picked="test?.id"
    @pick="(id) => (chosenId = id)"
  >
    <v-btn size="small" @click="add">New test</v-btn>
  </PickRow>
  <div v-if="test" class="curve">
    <div>
      <CurveChart v-if="test.discs.length > 0" :discs="test.discs" :curve="curve" />
      <p v-if="fit && 'problem' in fit" class="mute mt-2">{{ fit.problem }}</p>
      <table v-if="guesses.length > 0" class="plain mt-3">
        <thead>
          <tr>
            <th>First guess, seconds</th>
            <th class="right">{{ mm(0.025) }}</th>
            <th class="right">{{ mm(0.035) }}</th>
            <th class="right">{{ mm(0.05) }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="guess in guesses" :key="guess.printer.id">
            <td>{{ guess.printer.name }}, {{ guess.printer.wavelengthNm }} nm</td>
            <td v-if="guess.refused" colspan="3" class="mute">
              another wavelength: Dp and Ec do not hold there
            </td>
            <td v-else-if="guess.cells[0] === undefined" colspan="3" class="mute">
              its light is not measured
            </td>
            <template v-else>
              <td v-for="(s, i) in guess.cells" :key="i" class="num right">{{ s!.toFixed(2) }}</td>
            </template>
          </tr>
        </tbody>
      </table>
    </div>
    <div>
      <StandingLine :standing="standing" />
      <NumberList :rows="numbers" />
      <div class="form mt-3">
        <v-select
          label="On"
          :items="[
            ...shop.lists.printer.map((p) => ({ title: p.name, value: p.id })),
            { title: 'another light', value: '' },
          ]"
          :model-value="test.printerId ?? ''"
          @update:model-value="
            (id: string) =>
              set({
                printerId: id || null,
                wavelengthNm: shop.lists.printer.find((p) => p.id === id)?.wavelengthNm ?? test!.wavelengthNm,
              })
          "
        />
        <QuantityField
          v-bind="said('cureTest', 'wavelengthNm')"
          required
          :model-value="test.wavelengthNm"
          @update:model-value="(nm) => nm !== undefined && set({ wavelengthNm: nm })"
        />
        <QuantityField
          v-bind="said('cureTest', 'vatC')"
          label="Resin at"
          :model-value="test.vatC ?? undefined"
          @update:model-value="(c) => set({ vatC: c ?? null })"
        />
        <MomentField
          past
          label="Measured"
          :model-value="test.measuredAt"
          @update:model-value="(at) => at && set({ measuredAt: at })"
        />
        <NoteField
          label="Note"
          :model-value="test.note"
          @update:model-value="(note) => set({ note: note ?? '' })"
        />
      </div>
      <section class="stage-block">
        <h2>Discs: paste or type two columns</h2>
        <v-btn-toggle v-model="firstColumn" aria-label="What the first column is">
          <v-btn value="energy" size="small">mJ/cm²</v-btn>
          <v-btn value="seconds" size="small">seconds on {{ printer?.name ?? 'the printer' }}</v-btn>
        </v-btn-toggle>
        <v-textarea
          v-model="pasted"
          class="mt-2"
          label="One disc a line: 22  0,147"
          rows="4"
          :error-messages="problem ? [problem] : []"
        />
        <v-btn class="mt-2" size="small" :disabled="pasted.trim() === ''" @click="take"
          >Use these discs</v-btn
        >
        <ul class="discs">
          <li v-for="(disc, i) in test.discs" :key="i" class="num">
            {{ disc.energyMjPerCm2.toFixed(1) }} mJ/cm² → {{ mm(disc.depthMm) }}
            <button
              type="button"
              class="text-button"
              :aria-label="`Take disc ${i + 1} away`"
              @click="set({ discs: test.discs.filter((_, k) => k !== i) })"
            >
              away
            </button>
          </li>
        </ul>
      </section>
      <button type="button" class="text-button" @click="remove(test)">Take this test away</button>
    </div>
  </div>
  <p v-else class="mute">
    No test yet. It is not needed to tune; it makes the first guess better and lets trials carry over.
  </p>
</template>

<style scoped>
.lead {
  max-width: 90ch;
  margin-bottom: 10px;
}
.curve {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 372px;
  gap: 22px;
  align-items: start;
}
.form {
  display: grid;
  gap: 10px;
}
.right {
  text-align: right;
}
.discs {
  list-style: none;
  padding: 0;
  margin: 10px 0;
}
.discs li {
  display: flex;
  justify-content: space-between;
  padding: 2px 0;
}
@media (max-width: 1000px) {
  .curve {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
