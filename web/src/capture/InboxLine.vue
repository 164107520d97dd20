<script setup lang="ts">
import { computed } from 'vue';
import { useRecords } from '../state/recordStore';
import { isInInbox } from './slipSubjects';

/** On the board, while something waits to be sorted. */
const records = useRecords();
void records.load().catch(() => undefined);
const count = computed(() => records.lists.slip.filter(isInInbox).length);
</script>

<template>
  <router-link v-if="count > 0" to="/inbox" class="inbox">
    <b class="num">{{ count }}</b> noted at the bench, to be sorted
  </router-link>
</template>

<style scoped>
.inbox {
  display: block;
  padding: 9px 12px;
  margin-bottom: 12px;
  border: 1px solid var(--line2);
  border-left: 4px solid var(--wax);
  background: var(--paper);
  text-decoration: none;
}
</style>
