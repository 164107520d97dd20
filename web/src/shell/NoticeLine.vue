<script setup lang="ts">
import { computed } from 'vue';
import { useNotices } from '../state/notices';

const notices = useNotices();
const open = computed({ get: () => notices.current !== null, set: (value) => value || notices.clear() });
const timeout = computed(() => (notices.current?.weight === 'wrong' ? 12_000 : 7_000));
function act(): void {
  notices.current?.action?.run();
  notices.clear();
}
</script>

<template>
  <v-snackbar
    v-model="open"
    :timeout="timeout"
    :color="notices.current?.weight === 'wrong' ? 'error' : 'var(--char)'"
    location="bottom"
    rounded="sm"
  >
    <span role="status">{{ notices.current?.text }}</span>
    <template #actions>
      <v-btn v-if="notices.current?.action" variant="text" color="var(--glow)" @click="act">{{
        notices.current.action.label
      }}</v-btn>
      <v-btn variant="text" color="var(--bone)" @click="notices.clear()">Close</v-btn>
    </template>
  </v-snackbar>
</template>
