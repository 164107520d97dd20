<script setup lang="ts">
import { computed } from 'vue';
import type { Meant, SaidName } from './scrapNames';

/** What names on the scraps are taken for: a thing of the shop, a new one, or nothing known. */
const props = defineProps<{
  names: readonly SaidName[];
  things: Record<SaidName['role'], readonly { id: string; name: string }[]>;
  book: readonly { name: string }[];
}>();
const emit = defineEmits<{ choose: [said: SaidName, meant: Meant] }>();

const TITLES = { metal: 'Metals', resin: 'Resins', what: 'What was cast' } as const;
const groups = computed(() =>
  (Object.keys(TITLES) as SaidName['role'][]).flatMap((role) => {
    const said = props.names.filter((name) => name.role === role);
    return said.length > 0 ? [{ role, said }] : [];
  }),
);
const UNKNOWN = 'nothing known: the name is kept in the note';
function items({ role, said }: SaidName) {
  const own = props.things[role].map(({ id, name }) => ({ title: name, value: id }));
  if (role === 'what') return [...own, { title: 'no pattern of the shop: the name is kept', value: '' }];
  const made = role === 'metal' ? props.book.map(({ name }) => name) : [said.trim()];
  return [
    ...own,
    ...made.map((name) => ({ title: `${name}, made new`, value: `new ${name}` })),
    { title: UNKNOWN, value: '' },
  ];
}
const valueOf = ({ meant }: SaidName): string =>
  meant.is === 'thing' ? meant.id : meant.is === 'new' ? `new ${meant.name}` : '';
function meantBy(value: string): Meant {
  if (value === '') return { is: 'unknown' };
  return value.startsWith('new ') ? { is: 'new', name: value.slice(4) } : { is: 'thing', id: value };
}
</script>

<template>
  <div class="names">
    <section v-for="{ role, said } in groups" :key="role" :aria-label="TITLES[role]">
      <h3>{{ TITLES[role] }}</h3>
      <div v-for="one in said" :key="one.said" class="one">
        <span
          >“{{ one.said }}” <span class="num mute">×{{ one.rows }}</span></span
        >
        <v-select
          density="compact"
          hide-details
          :label="one.guessed ? 'is, by guess' : 'is'"
          :items="items(one)"
          :model-value="valueOf(one)"
          @update:model-value="(value: string) => emit('choose', one, meantBy(value))"
        />
      </div>
    </section>
  </div>
</template>

<style scoped>
.names {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(320px, 1fr));
  gap: 10px 30px;
}
.one {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.2fr);
  gap: 10px;
  align-items: center;
  padding: 3px 0;
}
</style>
