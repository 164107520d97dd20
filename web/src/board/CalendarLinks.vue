<script setup lang="ts">
import { useClipboard } from '@vueuse/core';
import { computed } from 'vue';

/** What hands must do as a calendar: a file to save, or an address on this machine that a calendar subscribes to. */
const address = computed(() => `${location.origin}/api/calendar.ics`);
const { copy, copied, isSupported } = useClipboard();
</script>

<template>
  <p class="calendar">
    <a href="/api/calendar.ics" download="zero-pour.ics">Save as a calendar</a>
    <span class="mute">
      or let a calendar on this machine subscribe to <code>{{ address }}</code>
      <button v-if="isSupported" type="button" class="text-button" @click="copy(address)">
        {{ copied ? 'copied' : 'copy' }}
      </button>
    </span>
  </p>
</template>

<style scoped>
.calendar {
  display: grid;
  gap: 4px;
  margin-top: 14px;
  font-size: 14px;
}
code {
  margin-right: 8px;
  overflow-wrap: anywhere;
}
</style>
