<script setup lang="ts">
import type { BenchExceptionDay, Person } from '@zero-pour/contracts';
import NoteField from '../components/NoteField.vue';
import QuantityField from '../components/QuantityField.vue';
import { clockTime } from '../time/shopClock';

/** Days on which the bench is otherwise: holidays, a Sunday that is worked, an hour that is blocked. */
const props = defineProps<{
  exceptions: readonly BenchExceptionDay[] | undefined;
  people?: readonly Person[] | undefined;
}>();
const emit = defineEmits<{ change: [exceptions: BenchExceptionDay[]] }>();

const all = (): BenchExceptionDay[] => [...(props.exceptions ?? [])];
function set(key: string, fields: Partial<BenchExceptionDay>): void {
  emit(
    'change',
    all().map((one) => (one.key === key ? { ...one, ...fields } : one)),
  );
}
/** A last day before the first one is moved with it: a stretch that ends before it begins is none. */
function setFrom({ key, to }: BenchExceptionDay, from: string): void {
  if (from) set(key, { from, to: to < from ? from : to });
}
function setTo({ key, from }: BenchExceptionDay, to: string): void {
  if (to) set(key, { to: to < from ? from : to });
}
function setWho({ key }: BenchExceptionDay, who: string): void {
  const kept = all().map((one) => {
    if (one.key !== key) return one;
    const { who: _before, ...rest } = one;
    return who === '' ? rest : { ...rest, who };
  });
  emit('change', kept);
}
function setMinutes({ key }: BenchExceptionDay, field: 'fromMin' | 'toMin', hours: number | undefined): void {
  const kept = all().map((one) => {
    if (one.key !== key) return one;
    const { [field]: _before, ...rest } = one;
    return hours === undefined ? rest : { ...rest, [field]: Math.round(hours * 60) };
  });
  emit('change', kept);
}
function add(): void {
  const today = clockTime(Date.now(), 'yyyy-MM-dd');
  emit('change', [...all(), { key: crypto.randomUUID().slice(0, 8), from: today, to: today, open: false, note: '' }]); // prettier-ignore
}
const remove = (key: string): void =>
  emit(
    'change',
    all().filter((one) => one.key !== key),
  );
const MINUTES = [
  { field: 'fromMin', label: 'From, hours' },
  { field: 'toMin', label: 'To, hours' },
] as const;
const value = (event: Event): string => (event.target as HTMLInputElement).value;
</script>

<template>
  <section class="stage-block" aria-label="Days that are otherwise">
    <h2>Days that are otherwise</h2>
    <p class="mute mb-3">
      Holidays, a Sunday that is worked, an hour that is blocked. Without hours it is the whole day.
    </p>
    <div v-for="one in exceptions ?? []" :key="one.key" class="day">
      <v-text-field
        type="date"
        label="First day"
        :model-value="one.from"
        @change="(event: Event) => setFrom(one, value(event))"
      />
      <v-text-field
        type="date"
        label="Last day"
        :model-value="one.to"
        @change="(event: Event) => setTo(one, value(event))"
      />
      <v-select
        v-if="people?.length"
        label="Of"
        :items="[
          { title: 'the whole bench', value: '' },
          ...people.map(({ key, name }) => ({ title: name, value: key })),
        ]"
        :model-value="one.who ?? ''"
        @update:model-value="(who) => setWho(one, who)"
      />
      <v-select
        label="The bench is"
        :items="[
          { title: 'closed', value: false },
          { title: 'open', value: true },
        ]"
        :model-value="one.open"
        @update:model-value="(open) => set(one.key, { open })"
      />
      <QuantityField
        v-for="{ field, label } in MINUTES"
        :key="field"
        :label="label"
        unit="h"
        :digits="2"
        :max="24"
        :model-value="one[field] === undefined ? undefined : one[field] / 60"
        @update:model-value="(hours) => setMinutes(one, field, hours)"
      />
      <NoteField
        label="Why"
        :max="120"
        :model-value="one.note"
        @update:model-value="(note) => set(one.key, { note: note ?? '' })"
      />
      <button
        type="button"
        class="text-button"
        :aria-label="`Take ${one.from} away`"
        @click="remove(one.key)"
      >
        away
      </button>
    </div>
    <v-btn size="small" class="mt-2" @click="add">Add a day</v-btn>
  </section>
</template>

<style scoped>
.day {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(140px, 1fr));
  gap: 8px;
  align-items: start;
  padding: 8px 0;
  border-top: 1px solid var(--line);
}
</style>
