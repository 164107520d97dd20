<script setup lang="ts">
import { findHitsSchema, type FindHit } from '@zero-pour/contracts';
import { watchDebounced } from '@vueuse/core';
import { nextTick, onMounted, ref, shallowRef, useTemplateRef } from 'vue';
import { useRouter } from 'vue-router';
import { request } from '../api/request';
import { useNotices } from '../state/notices';
import { useShop } from '../state/shopStore';

const open = defineModel<boolean>({ required: true });
const router = useRouter();
const notices = useNotices();
const shop = useShop();
const words = ref('');
const hits = shallowRef<FindHit[]>([]);
const asked = ref('');
const instead = shallowRef<string | null>(null);

const field = useTemplateRef<{ focus(): void }>('field');
onMounted(async () => {
  await nextTick();
  field.value?.focus();
});
watchDebounced(
  words,
  async (value) => {
    const wanted = value.trim();
    asked.value = wanted;
    if (wanted === '') hits.value = [];
    else {
      const found = await request(findHitsSchema, 'GET', `/find?words=${encodeURIComponent(wanted)}`).catch(
        (error: unknown) => notices.wrong(error),
      );
      if (found && asked.value === wanted) [hits.value, instead.value] = [found.hits, found.instead];
    }
  },
  { debounce: 150 },
);

const KINDS: Partial<Record<FindHit['kind'], string>> = {
  alloy: 'metal',
  slip: 'noted',
  metalLot: 'metal lot',
  sizeSeries: 'sizes',
  moldTest: 'mold test',
  cureTest: 'cure test',
  testSetRun: 'test set',
  scrapBatch: 'old records',
};
/** Pages of what is found; of a trial or a test, the list that it stands in. */
const PAGES: Partial<Record<FindHit['kind'], (id: string) => string>> = {
  pour: (id) => `/pours/${id}`,
  pattern: (id) => `/patterns/${id}`,
  resin: (id) => `/resins/${id}`,
  profile: (id) => `/resins/${shop.lists.profile.find((p) => p.id === id)?.resinId}/profiles`,
  mold: (id) => `/molds/${id}`,
  moldTest: () => '/molds',
  recipe: () => '/record/recipes',
  metalLot: (id) => `/shop/lots/${id}`,
  sizeSeries: (id) => `/sizes/series/${id}`,
  slip: () => '/inbox',
  scrapBatch: () => '/record/old',
  trial: () => '/resins',
  cureTest: () => '/resins',
  testSetRun: () => '/resins',
};
const addressOf = ({ kind, id }: FindHit): string => PAGES[kind]?.(id) ?? `/shop/${kind}/${id}`;
function go(hit: FindHit | undefined): void {
  if (!hit) return;
  open.value = false;
  void router.push(addressOf(hit));
}
</script>

<template>
  <v-dialog v-model="open" max-width="620" aria-label="Find" location="top">
    <section class="find">
      <v-text-field
        ref="field"
        v-model="words"
        label="Find a pour, pattern, resin, flask …"
        autocomplete="off"
        @keydown.enter="go(hits[0])"
      />
      <p v-if="instead" class="mute none" role="status">
        Nothing has “{{ asked }}”. This has “{{ instead }}”:
      </p>
      <ul v-if="hits.length > 0" aria-label="Found">
        <li v-for="hit in hits" :key="hit.kind + hit.id">
          <button type="button" @click="go(hit)">
            <b>{{ hit.title }}</b> <span class="mute">{{ hit.line }}</span>
            <span class="kind">{{ KINDS[hit.kind] ?? hit.kind }}</span>
          </button>
        </li>
      </ul>
      <p v-else-if="asked !== ''" class="mute none">Nothing here is called “{{ asked }}”.</p>
      <p v-else class="mute none">A number, a name, a metal, a word of a note.</p>
    </section>
  </v-dialog>
</template>

<style scoped>
.find {
  background: var(--sheet);
  border: 1px solid var(--line2);
  padding: 16px;
}
ul {
  list-style: none;
  margin: 8px 0 0;
  padding: 0;
  max-height: 56vh;
  overflow-y: auto;
}
li button {
  width: 100%;
  display: flex;
  gap: 10px;
  align-items: baseline;
  padding: 9px 6px;
  background: none;
  border: none;
  border-top: 1px solid var(--line);
  font: inherit;
  text-align: left;
  cursor: pointer;
}
li button:hover,
li button:focus-visible {
  background: var(--wax2);
}
.kind {
  margin-left: auto;
  font: 13px var(--mono);
  color: var(--mute);
}
.none {
  padding: 12px 6px 2px;
}
</style>
