<script setup lang="ts">
import type { Settings } from '@zero-pour/contracts';
import { said } from '../components/said';
import { computed, shallowRef, watch } from 'vue';
import NoteField from '../components/NoteField.vue';
import QuantityField from '../components/QuantityField.vue';
import { useNotices } from '../state/notices';
import BenchExceptions from './BenchExceptions.vue';
import HouseFields from './HouseFields.vue';
import HoursDrawing from './HoursDrawing.vue';
import PeopleFields from './PeopleFields.vue';
import PlanningFields from './PlanningFields.vue';
import JointsFields from './JointsFields.vue';
import OptionalFields from './OptionalFields.vue';
import ReaderFields from './ReaderFields.vue';
import PouringChoice from './PouringChoice.vue';
import CleaningSettings from './CleaningSettings.vue';
import { useNotKept } from '../state/notKept';
import { useShop } from '../state/shopStore';
import { TYPING_PAUSE_MS } from '../state/unsent';
import { browserZone, clockTime } from '../time/shopClock';

const shop = useShop();
const notices = useNotices();
const notKept = useNotKept();
/** What was typed and refused stands here again until it is mended. */
const refused = computed(() => notKept.thingWith('settings'));
const settings = shallowRef((refused.value?.value as Settings | undefined) ?? shop.settings);
// Changed elsewhere: the form shows what is kept, unless what was typed here was refused.
watch(
  () => shop.settings,
  (kept) => {
    if (!refused.value) settings.value = kept;
  },
);
const DAYS = ['Sunday', 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday'];
/** The week as it is worked: Monday first, Sunday last. */
const ORDER = [1, 2, 3, 4, 5, 6, 0];

const ZONES = [...new Set(['UTC', ...Intl.supportedValuesOf('timeZone')])];
const here = browserZone();
function change(fields: Partial<Settings>): void {
  settings.value = { ...settings.value, ...fields };
  void shop.keepSettings(settings.value, TYPING_PAUSE_MS).catch((error: unknown) => notices.wrong(error));
}
type Day = Settings['benchHours'][number];
const setDay = (index: number, fields: Partial<Day>): void =>
  change({
    benchHours: settings.value.benchHours.map((day, i) => (i === index ? { ...day, ...fields } : day)),
  });
/** A day that closes at or before the hour it opens runs into the next one. */
function closing({ fromMin, toMin }: Day): string {
  if (toMin === fromMin || (fromMin === 0 && toMin === 24 * 60)) return 'round the clock';
  return toMin < fromMin ? 'the next morning' : 'write 18:30 or 18.5';
}
</script>

<template>
  <section>
    <h1>Bench hours and the rest</h1>
    <p v-if="refused" class="tone stop" role="status"><b>Not kept.</b> {{ refused.sentence }}</p>
    <div class="form-grid mt-4">
      <NoteField
        label="Name of the shop"
        :max="120"
        :model-value="settings.shopName"
        @update:model-value="(t) => change({ shopName: t ?? '' })"
      />
      <NoteField
        label="Currency, as you write it"
        :max="6"
        :model-value="settings.currency"
        @update:model-value="(t) => change({ currency: t ?? '' })"
      />
      <QuantityField
        v-bind="said('settings', 'newMetalPercent')"
        label="New metal in a charge, usually"
        required
        :model-value="settings.newMetalPercent"
        @update:model-value="(p) => p !== undefined && change({ newMetalPercent: p })"
      />
    </div>
    <section class="stage-block">
      <h2>The shop’s clock</h2>
      <p class="mute mb-3">
        All times are of this clock, also in a browser that stands elsewhere. It is
        {{ clockTime(Date.now(), 'EEE HH:mm') }} by it now.
      </p>
      <div class="form-grid">
        <v-autocomplete
          label="Time zone"
          :items="ZONES"
          :model-value="settings.timeZone"
          @update:model-value="(zone) => zone && change({ timeZone: zone })"
        />
      </div>
      <p v-if="here !== settings.timeZone" class="mt-2">
        This browser stands in {{ here }}.
        <button type="button" class="text-button" @click="change({ timeZone: here })">
          The shop stands there too
        </button>
      </p>
    </section>
    <section class="stage-block">
      <h2>When somebody is at the bench</h2>
      <p class="mute mb-3">
        Work that needs hands is planned inside these hours; what falls outside is named.
      </p>
      <HoursDrawing
        :hours="settings.benchHours"
        label="Bench hours, drawn"
        @change="(index, fields) => setDay(index, fields)"
      />
      <table class="plain days">
        <tbody>
          <tr v-for="index in ORDER" :key="index">
            <td>
              <v-checkbox
                :label="DAYS[index]!"
                :model-value="settings.benchHours[index]!.open"
                @update:model-value="(open) => setDay(index, { open: open === true })"
              />
            </td>
            <td>
              <QuantityField
                label="From, hours"
                unit="h"
                :digits="2"
                required
                :disabled="!settings.benchHours[index]!.open"
                :model-value="settings.benchHours[index]!.fromMin / 60"
                :max="24"
                @update:model-value="(h) => h !== undefined && setDay(index, { fromMin: Math.round(h * 60) })"
              />
            </td>
            <td>
              <QuantityField
                label="To, hours"
                unit="h"
                :digits="2"
                required
                :disabled="!settings.benchHours[index]!.open"
                :model-value="settings.benchHours[index]!.toMin / 60"
                :max="24"
                :hint="closing(settings.benchHours[index]!)"
                @update:model-value="(h) => h !== undefined && setDay(index, { toMin: Math.round(h * 60) })"
              />
            </td>
          </tr>
        </tbody>
      </table>
    </section>
    <BenchExceptions
      :exceptions="settings.benchExceptions"
      :people="settings.people"
      @change="(benchExceptions) => change({ benchExceptions })"
    />
    <PeopleFields
      :people="settings.people"
      :bench-hours="settings.benchHours"
      @change="(people) => change({ people })"
    />
    <HouseFields :houses="settings.houses" @change="(houses) => change({ houses })" />
    <section class="stage-block">
      <h2>How long work takes here</h2>
      <p class="mute mb-3">
        Hands at each piece of work, as plans and counting back reckon it. Prints, cleaning and mold steps
        have their own times.
      </p>
      <PlanningFields :planning="settings.planning" @change="(planning) => change({ planning })" />
    </section>
    <section class="stage-block">
      <h2>How metal gets into the flask</h2>
      <p class="mute mb-3">Whether thin places fill is reckoned by it, at Way up.</p>
      <PouringChoice :pouring="settings.pouring" @change="(pouring) => change({ pouring })" />
    </section>
    <section class="stage-block">
      <h2>Wax joints</h2>
      <p class="mute mb-3">
        Whether joints carry a print, and how thick a dipped support gets, is reckoned by them.
      </p>
      <JointsFields :settings="settings" @change="(joints) => change({ joints })" />
    </section>
    <section class="stage-block">
      <h2>Mixing bowl and vacuum</h2>
      <p class="mute mb-3">How many flasks one bowl fills, and in which order, is reckoned by them.</p>
      <OptionalFields
        of="investing"
        :fields="['bowlMl', 'flasksAtOnce']"
        :kept="settings.investing"
        @change="(investing) => change({ investing })"
      />
    </section>
    <section class="stage-block">
      <h2>Prices of what is used up</h2>
      <p class="mute mb-3">
        What a pour costs beside its resin, powder and metal. Where a kWh has its price, an hour of the kiln,
        under Kilns, is without its energy.
      </p>
      <OptionalFields
        of="costs"
        :fields="['perKwh', 'furnaceKw', 'film', 'filmLayers', 'bathFill', 'boricPerKg', 'eachPour']"
        :kept="settings.costs"
        @change="(costs) => change({ costs })"
      />
    </section>
    <section class="stage-block">
      <h2>Balance and thermometer</h2>
      <p class="mute mb-3">
        One that speaks as the guide describes is read into a field by a press; none is ever read by itself.
      </p>
      <ReaderFields :readers="settings.readers" @change="(readers) => change({ readers })" />
    </section>
    <CleaningSettings :settings="settings" @change="change" />
  </section>
</template>

<style scoped>
.days {
  max-width: 620px;
}
</style>
