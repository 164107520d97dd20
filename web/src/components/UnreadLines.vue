<script setup lang="ts">
import { unreadSentence, type Unread } from '@zero-pour/contracts';

/** Kept things that do not read, each in one sentence. */
defineProps<{ unread: readonly Unread[] }>();
</script>

<template>
  <section v-if="unread.length > 0" class="unread" aria-label="What cannot be read">
    <p v-for="thing in unread" :key="`${thing.kind} ${thing.id}`">
      <b>Not read.</b> {{ unreadSentence(thing) }} The Zero Pour that wrote it may still read it.
    </p>
  </section>
</template>

<style scoped>
.unread {
  border-left: 4px solid var(--oxide);
  padding: 6px 12px;
  margin: 10px 0;
  font-size: 14px;
}
p + p {
  margin-top: 6px;
}
</style>
