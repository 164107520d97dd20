<script setup lang="ts">
import { PRINTER_EVENTS, type Printer } from '@zero-pour/contracts';
import { computed } from 'vue';
import MomentField from '../components/MomentField.vue';
import NoteField from '../components/NoteField.vue';
import { formatDay } from '../time/formatMoment';

/** What was done to a printer: profiles found before a change of light, film or level are marked "check again". */
type Event = Printer['events'][number];
const props = defineProps<{ printer: Printer }>();
const emit = defineEmits<{ change: [printer: Printer] }>();

const newestFirst = computed(() => [...props.printer.events].sort((a, b) => b.at.localeCompare(a.at)));
const keep = (events: Event[]): void => emit('change', { ...props.printer, events });
const set = (key: string, fields: Partial<Event>): void =>
  keep(props.printer.events.map((event) => (event.key === key ? { ...event, ...fields } : event)));
const add = (what: Event['what']): void =>
  keep([
    ...props.printer.events,
    { key: crypto.randomUUID().slice(0, 8), at: new Date().toISOString(), what, note: '' },
  ]);
</script>

<template>
  <section class="stage-block">
    <h2>What was done to it</h2>
    <p v-if="printer.irradianceAt" class="mute">
      Light measured {{ formatDay(Date.parse(printer.irradianceAt)) }}; it falls with age.
    </p>
    <p v-if="printer.lightRatedH !== null" class="mute">
      Screen or lamp: {{ Math.round((100 * printer.lightHours) / printer.lightRatedH) }} % of its rated hours
      used.
    </p>
    <div v-for="event in newestFirst" :key="event.key" class="line">
      <v-select
        label="What"
        :items="[...PRINTER_EVENTS]"
        :model-value="event.what"
        @update:model-value="(what) => set(event.key, { what })"
      />
      <MomentField
        past
        label="When"
        :model-value="event.at"
        @update:model-value="(at) => at && set(event.key, { at })"
      />
      <NoteField
        label="Note"
        :max="200"
        :model-value="event.note"
        @update:model-value="(note) => set(event.key, { note: note ?? '' })"
      />
      <button
        type="button"
        class="text-button"
        @click="keep(printer.events.filter((e) => e.key !== event.key))"
      >
        away
      </button>
    </div>
    <div class="add">
      <v-btn v-for="what in PRINTER_EVENTS" :key="what" size="small" @click="add(what)">{{ what }}</v-btn>
    </div>
  </section>
</template>

<style scoped>
.line {
  display: grid;
  grid-template-columns: 170px 240px minmax(0, 1fr) auto;
  gap: 10px;
  align-items: center;
  padding: 4px 0;
}
.add {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-top: 8px;
}
@media (max-width: 900px) {
  .line {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
