<script setup lang="ts" generic="K extends ShopKind">
import { historySchema, type History, type ShopItem, type ShopKind } from '@zero-pour/contracts';
import { computed, shallowRef } from 'vue';
import OnDemand from '../components/OnDemand.vue';
import { request } from '../api/request';
import { useNotices } from '../state/notices';
import { useUnits } from '../state/unitStore';
import { changeWords } from './fieldWords';
import { formatDay } from '../time/formatMoment';

/** What each change of a thing did, newest first. */
const props = defineProps<{ kind: K; item: ShopItem<K> }>();
const notices = useNotices();
const units = useUnits();
const history = shallowRef<History>();

async function load(open: boolean): Promise<void> {
  if (!open) return;
  try {
    history.value = await request(historySchema, 'GET', `/shop/${props.kind}/${props.item.id}/history`);
  } catch (error) {
    notices.wrong(error);
  }
}
/** What each change did: from the state before it to the next newer one. */
const changes = computed(() =>
  (history.value ?? []).map(({ at, before }, i) => {
    const after = (history.value![i - 1]?.before ?? props.item) as Record<string, unknown>;
    return {
      at,
      words: changeWords(props.kind, before, after, units.choice),
    };
  }),
);
</script>

<template>
  <OnDemand title="History of changes" @update:open="load">
    <p v-if="history?.length === 0" class="mute">Nothing was changed yet.</p>
    <ul>
      <li v-for="change in changes" :key="change.at">
        <span class="num">{{ formatDay(Date.parse(change.at)) }}</span> {{ change.words.join('; ') }}
      </li>
    </ul>
  </OnDemand>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 6px 0;
  padding: 0;
}
li {
  padding: 3px 0;
  font-size: 14px;
}
</style>
