<script setup lang="ts">
import type { Slip, SlipSubject } from '@zero-pour/contracts';
import { computed, shallowRef } from 'vue';
import { sentenceOf } from '../api/request';
import { useNotices } from '../state/notices';
import { useRecords } from '../state/recordStore';
import { addressOf, isInInbox, isSame, useSlipSubjects } from './slipSubjects';
import SlipView from './SlipView.vue';

const records = useRecords();
const notices = useNotices();
const { poursNow, others, nameOf } = useSlipSubjects();
const trouble = shallowRef('');
const all = shallowRef(false);
records.load().catch((error: unknown) => (trouble.value = sentenceOf(error)));

const slips = computed(() =>
  records.lists.slip.filter((slip) => all.value || isInInbox(slip)).sort((a, b) => b.at.localeCompare(a.at)),
);
const sorted = computed(() => records.lists.slip.filter((slip) => !isInInbox(slip)).length);
/** What a slip may be about: what was at hand when it was noted first. */
const choices = ({ at, about }: Slip) => {
  const named = [...poursNow(Date.parse(at)), ...others()];
  const known = about === null || named.some(({ subject }) => isSame(subject, about));
  return [...(known ? [] : [{ subject: about!, name: nameOf(about!) ?? 'something that is not here any more' }]), ...named]; // prettier-ignore
};
const keyOf = ({ kind, id }: SlipSubject): string => `${kind} ${id}`;
const items = (slip: Slip) => [
  { title: 'nothing in particular', value: '' },
  ...choices(slip).map(({ subject, name }) => ({ title: name, value: keyOf(subject) })),
];
const keep = (slip: Slip): void => void records.keep('slip', slip).catch(notices.wrong);
function change(slip: Slip, fields: Partial<Slip>): void {
  records.take('slip', { ...slip, ...fields });
  keep({ ...slip, ...fields });
}
const choose = (slip: Slip, key: string): void =>
  change(slip, { about: choices(slip).find(({ subject }) => keyOf(subject) === key)?.subject ?? null });
function sort(slip: Slip): void {
  change(slip, { sortedAt: new Date().toISOString() });
  const name = slip.about && nameOf(slip.about);
  notices.tell(name ? `Stands at ${name} now.` : 'Out of the inbox.', {
    label: 'Undo',
    run: () => change({ ...slip, sortedAt: null }, {}),
  });
}
async function remove(slip: Slip): Promise<void> {
  await records.remove('slip', slip.id).catch(notices.wrong);
  notices.tell('Thrown away.', {
    label: 'Undo',
    run: () => void records.add('slip', slip).catch(notices.wrong),
  });
}
</script>

<template>
  <div class="page inbox">
    <div class="page-head">
      <h1>Noted at the bench</h1>
      <span class="spacer" />
      <v-checkbox v-if="sorted > 0" v-model="all" :label="`Sorted ones too (${sorted})`" />
    </div>
    <p v-if="trouble" class="tone stop" role="alert">{{ trouble }}</p>
    <p v-else-if="!records.ready" class="mute">Looking …</p>
    <p v-else-if="slips.length === 0" class="sheet nothing">
      Nothing is to be sorted. Press <kbd>C</kbd> anywhere, or “Note it” on a phone, to note a line or a
      photo.
    </p>
    <ul v-else>
      <li v-for="slip in slips" :key="slip.id" class="sheet">
        <SlipView :slip="slip" />
        <div class="sorting">
          <v-autocomplete
            label="What it is about"
            :items="items(slip)"
            :model-value="slip.about ? keyOf(slip.about) : ''"
            @update:model-value="(key: string | null) => choose(slip, key ?? '')"
          />
          <div class="ways">
            <v-btn v-if="isInInbox(slip)" variant="flat" @click="sort(slip)">
              {{ slip.about ? 'It belongs there' : 'Keep as it is' }}
            </v-btn>
            <router-link v-if="slip.about" :to="addressOf(slip.about)">Go there</router-link>
            <button type="button" class="text-button" @click="remove(slip)">Throw away</button>
          </div>
        </div>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.inbox {
  max-width: 1000px;
}
ul {
  list-style: none;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 320px;
  gap: 18px;
  padding: 12px 16px;
  margin-bottom: 10px;
}
.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 14px;
  align-items: center;
}
.nothing {
  padding: 14px 16px;
}
.tone {
  color: var(--tone);
}
@media (max-width: 700px) {
  li {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
