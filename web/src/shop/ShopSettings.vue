<script setup lang="ts">
import type { Settings } from '@zero-pour/contracts';
import { useDebounceFn } from '@vueuse/core';
import { shallowRef } from 'vue';
import NoteField from '../components/NoteField.vue';
import QuantityField from '../components/QuantityField.vue';
import { useNotices } from '../state/notices';
import CleaningSettings from './CleaningSettings.vue';
import { useShop } from '../state/shopStore';

const shop = useShop();
const notices = useNotices();
const settings = shallowRef<Settings>(shop.settings);
const DAYS = ['Sunday', 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday'];
/** The week as it is worked: Monday first, Sunday last. */
const ORDER = [1, 2, 3, 4, 5, 6, 0];

const keep = useDebounceFn(
  (changed: Settings) => shop.keepSettings(changed).catch((error: unknown) => notices.wrong(error)),
  400,
);
function change(fields: Partial<Settings>): void {
  settings.value = { ...settings.value, ...fields };
  void keep(settings.value);
}
type Day = Settings['benchHours'][number];
const setDay = (index: number, fields: Partial<Day>): void =>
  change({
    benchHours: settings.value.benchHours.map((day, i) => (i === index ? { ...day, ...fields } : day)),
  });
</script>

<template>
  <section>
    <h1>Bench hours and the rest</h1>
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
        label="New metal in a charge, usually"
        unit="percent"
        :digits="0"
        required
        :model-value="settings.newMetalPercent"
        :max="100"
        @update:model-value="(p) => p !== undefined && change({ newMetalPercent: p })"
      />
    </div>
    <section class="stage-block">
      <h2>When somebody is at the bench</h2>
      <p class="mute mb-3">
        Work that needs hands is planned inside these hours; what falls outside is named.
      </p>
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
                hint="write 18:30 or 18.5"
                @update:model-value="(h) => h !== undefined && setDay(index, { toMin: Math.round(h * 60) })"
              />
            </td>
          </tr>
        </tbody>
      </table>
    </section>
    <CleaningSettings :settings="settings" @change="change" />
  </section>
</template>

<style scoped>
.days {
  max-width: 620px;
}
</style>
