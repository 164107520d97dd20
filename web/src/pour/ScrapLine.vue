<script setup lang="ts">
import { becameOf, type PourDoc, type Scrap } from '@zero-pour/contracts';
import { computed } from 'vue';
import { useRecords } from '../state/recordStore';
import { scrapDay } from '../time/scrapDay';

/** Of a pour that was taken in: where from, how sure its day is, and what of it could not be read. */
const props = defineProps<{ doc: PourDoc; scrap: Scrap }>();
const records = useRecords();
void records.load().catch(() => undefined);
const batch = computed(() => records.lists.scrapBatch.find(({ id }) => id === props.scrap.batchId));
const counted = computed(() => {
  const became = Object.values(props.doc.result.castings).flatMap((casting) => becameOf(casting) ?? []);
  if (became.length === 0) return 'what came out is not told';
  return `${became.filter((one) => one === 'sellable').length} of ${became.length} came out`;
});
</script>

<template>
  <p class="scrap">
    <b>Off an old record</b>, {{ batch?.name ?? 'taken in' }}, line {{ scrap.line }}:
    {{ [scrap.what, scrapDay(scrap), counted].filter(Boolean).join(' · ') }}. What it does not say is not
    known.
    <template v-if="scrap.unread.length > 0">
      Not read: {{ scrap.unread.map(({ heading, text }) => `${heading} “${text}”`).join(', ') }}.
    </template>
  </p>
</template>

<style scoped>
.scrap {
  border-left: 4px solid var(--metal);
  background: var(--paper);
  padding: 7px 12px;
  margin-bottom: 10px;
  font-size: 14px;
}
</style>
