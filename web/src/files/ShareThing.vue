<script setup lang="ts">
import { SHARED_WHATS, shareTakenSchema, type ShareTaken, type SharedWhat } from '@zero-pour/contracts';
import { useFileDialog } from '@vueuse/core';
import { computed, shallowRef } from 'vue';
import { requestWithText, sentenceOf } from '../api/request';
import { useNotices } from '../state/notices';
import { useRecords } from '../state/recordStore';
import { knownShop } from '../state/shopKeys';
import { useShop } from '../state/shopStore';

/** One thing of the shop as a file for another shop, and such a file taken in: looked at first, then by a press. */
const shop = useShop();
const records = useRecords();
const notices = useNotices();
records.load().catch(notices.wrong);

const WORDS: Record<SharedWhat, string> = {
  resin: 'a resin',
  printer: 'a printer',
  profile: 'a profile, with its resin and printer',
  powder: 'a powder',
  flask: 'a flask',
  kiln: 'a kiln',
  alloy: 'a metal',
  programme: 'a programme',
  recipe: 'a recipe, with all that it names',
  protocol: 'a cleaning protocol',
  causes: 'what was found behind flaws',
};
const what = shallowRef<SharedWhat>('profile');
const chosen = shallowRef<string>();
const things = computed<readonly { id: string; name: string }[]>(() => {
  if (what.value === 'recipe') return records.lists.recipe.map(({ id, name, version }) => ({ id, name: `${name}, version ${version}` })); // prettier-ignore
  if (what.value === 'protocol') return shop.lists.resin.map(({ id, name, protocolName }) => ({ id, name: `${protocolName} of ${name}` })); // prettier-ignore
  if (what.value === 'causes') return [{ id: knownShop(), name: 'of all castings of this shop' }];
  return shop.lists[what.value];
});
const id = computed(() => things.value.find((one) => one.id === chosen.value)?.id ?? things.value[0]?.id);

const file = shallowRef<{ name: string; text: string }>();
const tried = shallowRef<ShareTaken>();
const into = shallowRef<string>();
const wantsResin = shallowRef(false);
const trouble = shallowRef('');
const list = (all: ShareTaken['made']): string => all.map(({ kind, name }) => `${kind} “${name}”`).join(', ');

async function ask(only: 'tried' | 'kept'): Promise<ShareTaken | undefined> {
  trouble.value = '';
  const { name, text } = file.value!;
  const query = new URLSearchParams({ name, only, ...(into.value ? { into: into.value } : {}) });
  try {
    return await requestWithText(shareTakenSchema, `/share?${query}`, text);
  } catch (error) {
    trouble.value = sentenceOf(error);
    return undefined;
  }
}
const { open, onChange } = useFileDialog({ accept: '.json,application/json', reset: true });
onChange(async (files) => {
  const one = files?.[0];
  if (!one) return;
  file.value = { name: one.name, text: await one.text() };
  wantsResin.value = /"what":\s*"protocol"/.test(file.value.text);
  into.value = undefined;
  tried.value = wantsResin.value ? undefined : await ask('tried');
});
async function chooseResin(resin: string): Promise<void> {
  into.value = resin;
  tried.value = await ask('tried');
}
async function take(): Promise<void> {
  const taken = await ask('kept');
  if (!taken) return;
  await Promise.all([shop.loadAgain(), records.loadAgain()]);
  notices.tell(taken.made.length > 0 ? `Here now: ${list(taken.made)}.` : 'It was here already.');
  [file.value, tried.value] = [undefined, undefined];
}
</script>

<template>
  <section class="stage-block">
    <h2>One thing, to share</h2>
    <div class="row">
      <v-select
        label="What"
        :items="SHARED_WHATS.map((one) => ({ title: WORDS[one], value: one }))"
        :model-value="what"
        @update:model-value="(one: SharedWhat) => (what = one)"
      />
      <v-autocomplete
        label="Which"
        :items="things.map((one) => ({ title: one.name, value: one.id }))"
        :model-value="id"
        @update:model-value="(one: string) => (chosen = one)"
      />
      <v-btn v-if="id" :href="`/api/share/${what}/${id}`" download>Save it as a file</v-btn>
      <span v-else class="mute">The shop has none.</span>
    </div>
    <v-btn class="mt-3" @click="open()">Take in a shared file (JSON)</v-btn>
    <div v-if="file" class="sheet taken">
      <p>
        <b>{{ file.name }}</b>
      </p>
      <v-select
        v-if="wantsResin"
        label="Cleaning protocol of which resin of yours"
        :items="shop.lists.resin.map((one) => ({ title: one.name, value: one.id }))"
        :model-value="into"
        @update:model-value="chooseResin"
      />
      <p v-if="trouble" class="tone stop" role="alert">{{ trouble }}</p>
      <template v-if="tried">
        <p v-if="tried.made.length > 0">It brings {{ list(tried.made) }}.</p>
        <p v-if="tried.here.length > 0" class="mute">Here already: {{ list(tried.here) }}.</p>
        <p v-if="tried.made.length === 0">Nothing of it is new.</p>
        <v-btn v-else variant="flat" class="mt-2" @click="take">Take it in</v-btn>
      </template>
    </div>
  </section>
</template>

<style scoped>
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: center;
}
.row > .v-input {
  flex: 1 1 240px;
}
.taken {
  margin-top: 12px;
  padding: 12px 16px;
}
.tone {
  color: var(--tone);
}
</style>
