<script setup lang="ts">
import type { SlipSubject } from '@zero-pour/contracts';
import { computed } from 'vue';
import { useRecords } from '../state/recordStore';
import { isInInbox, isSame } from './slipSubjects';
import SlipView from './SlipView.vue';

/** What was noted at the bench about something; by guess too, which is said. */
const props = defineProps<{ subject: SlipSubject }>();
const records = useRecords();
void records.load().catch(() => undefined);
const slips = computed(() =>
  records.lists.slip
    .filter(({ about }) => isSame(about, props.subject))
    .sort((a, b) => b.at.localeCompare(a.at)),
);
</script>

<template>
  <section v-if="slips.length > 0" aria-label="Noted at the bench" class="slips">
    <h2>Noted at the bench</h2>
    <div v-for="slip in slips" :key="slip.id" class="one">
      <SlipView :slip="slip" />
      <p v-if="isInInbox(slip)" class="mute">Here by guess. <router-link to="/inbox">Sort it</router-link></p>
    </div>
  </section>
</template>

<style scoped>
.slips {
  margin-top: 16px;
}
.one {
  border-top: 1px solid var(--line);
  padding: 8px 0;
}
</style>
