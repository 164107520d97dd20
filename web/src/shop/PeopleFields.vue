<script setup lang="ts">
import type { Person, Settings } from '@zero-pour/contracts';
import { WORK_SKILLS, type WorkSkill } from '@zero-pour/core';
import NoteField from '../components/NoteField.vue';
import HoursDrawing from './HoursDrawing.vue';

/** Who works here, what they do and when; plans give each step to one of them. */
const props = defineProps<{ people: readonly Person[] | undefined; benchHours: Settings['benchHours'] }>();
const emit = defineEmits<{ change: [people: Person[]] }>();

const WORDS: Record<WorkSkill, string> = {
  print: 'prints',
  clean: 'cleans',
  mold: 'makes molds and waxes',
  sprue: 'sprues',
  invest: 'invests',
  burnout: 'minds the kiln',
  pour: 'melts and pours',
  finish: 'clears plaster, cuts off',
};
const ALL = WORK_SKILLS.map((value) => ({ title: WORDS[value], value }));
const all = (): Person[] => [...(props.people ?? [])];
function set(key: string, fields: Partial<Person>): void {
  emit('change', all().map((one) => (one.key === key ? { ...one, ...fields } : one))); // prettier-ignore
}
/** All of it is no choice: whoever does everything does what is new too. */
function setDoes(person: Person, does: WorkSkill[]): void {
  const { does: _before, ...rest } = person;
  emit('change', all().map((one) => (one.key === person.key ? (does.length === WORK_SKILLS.length ? rest : { ...rest, does }) : one))); // prettier-ignore
}
function setOwn(person: Person, own: boolean): void {
  const { hours: _before, ...rest } = person;
  emit('change', all().map((one) => (one.key === person.key ? (own ? { ...rest, hours: props.benchHours.map((day) => ({ ...day })) } : rest) : one))); // prettier-ignore
}
const setDay = (person: Person, index: number, fields: object): void =>
  set(person.key, { hours: person.hours!.map((day, i) => (i === index ? { ...day, ...fields } : day)) });
const add = (): void =>
  emit('change', [...all(), { key: crypto.randomUUID().slice(0, 8), name: `Bench ${all().length + 1}` }]);
const remove = (key: string): void => emit('change', all().filter((one) => one.key !== key)); // prettier-ignore
</script>

<template>
  <section class="stage-block" aria-label="Who works here">
    <h2>Who works here</h2>
    <p class="mute mb-3">
      By what they are called at the bench. Without anybody it is one pair of hands whenever the bench is
      open.
    </p>
    <div
      v-for="person in people ?? []"
      :key="person.key"
      class="person"
      :aria-label="person.name"
      role="group"
    >
      <NoteField
        label="Called"
        :max="120"
        :model-value="person.name"
        @update:model-value="(name) => name && set(person.key, { name })"
      />
      <v-select
        label="Does"
        :items="ALL"
        :model-value="person.does ?? [...WORK_SKILLS]"
        multiple
        @update:model-value="(does) => setDoes(person, does)"
      />
      <v-checkbox
        label="Hours of their own"
        :model-value="person.hours !== undefined"
        hide-details
        @update:model-value="(own) => setOwn(person, own === true)"
      />
      <v-btn size="small" :aria-label="`Take ${person.name} off`" @click="remove(person.key)">Take off</v-btn>
      <HoursDrawing
        v-if="person.hours"
        class="hours"
        :hours="person.hours"
        :label="`Hours of ${person.name}`"
        @change="(index, fields) => setDay(person, index, fields)"
      />
    </div>
    <v-btn size="small" @click="add()">Add somebody</v-btn>
  </section>
</template>

<style scoped>
.person {
  display: grid;
  grid-template-columns: minmax(140px, 220px) minmax(180px, 1fr) auto auto;
  gap: 8px 14px;
  align-items: center;
  margin-bottom: 12px;
}
.hours {
  grid-column: 1 / -1;
}
@media (max-width: 760px) {
  .person {
    grid-template-columns: 1fr;
  }
}
</style>
