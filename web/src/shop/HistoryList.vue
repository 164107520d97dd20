<script setup lang="ts" generic="K extends ShopKind">
import {
  changedFields,
  historySchema,
  type History,
  type ShopItem,
  type ShopKind,
} from '@zero-pour/contracts';
import { computed, shallowRef } from 'vue';
import OnDemand from '../components/OnDemand.vue';
import { request } from '../api/request';
import { ITEM_FIELDS } from './itemFields';
import { useNotices } from '../state/notices';
import { formatDay } from '../time/formatMoment';

/** Fields that have their own editors. */
const OTHER_LABELS: Readonly<Record<string, string>> = {
  protocol: 'Cleaning protocol',
  protocolName: 'Name of the protocol',
  protocolVersion: 'Version of the protocol',
  bottles: 'Bottles',
  vats: 'Vats',
  reported: 'Reported figures',
  blendOf: 'Mixed from',
  attachments: 'Attachments',
  events: 'What was done to it',
  measured: 'What its log showed',
  segments: 'Segments',
  makerProgramme: 'Maker’s programme',
  openedAt: 'Bag opened',
  deviceUrl: 'Address of its device',
  retired: 'Retired',
};
/** What each change of a thing did, newest first. */
const props = defineProps<{ kind: K; item: ShopItem<K> }>();
const notices = useNotices();
const history = shallowRef<History>();

async function load(open: boolean): Promise<void> {
  if (!open) return;
  try {
    history.value = await request(historySchema, 'GET', `/shop/${props.kind}/${props.item.id}/history`);
  } catch (error) {
    notices.wrong(error);
  }
}
const label = (field: string): string =>
  ITEM_FIELDS[props.kind].find((f) => f.field === field)?.label ?? OTHER_LABELS[field] ?? field;
const shown = (value: unknown): string =>
  value === null || value === ''
    ? 'nothing'
    : typeof value === 'object'
      ? 'its list'
      : typeof value === 'boolean'
        ? value
          ? 'yes'
          : 'no'
        : String(value);
/** What each change did: from the state before it to the next newer one. */
const changes = computed(() =>
  (history.value ?? []).map(({ at, before }, i) => {
    const after = (history.value![i - 1]?.before ?? props.item) as Record<string, unknown>;
    return {
      at,
      words: changedFields(before, after).map(
        (field) => `${label(field)}: ${shown(before[field])} → ${shown(after[field])}`,
      ),
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
