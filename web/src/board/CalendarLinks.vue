<script setup lang="ts">
import { useClipboard } from '@vueuse/core';
import { computed } from 'vue';
import { useShop } from '../state/shopStore';

/** What hands must do as a calendar: a file to save, or an address on this machine that a calendar subscribes to. */
const shop = useShop();
const address = computed(() => `${location.origin}/api/calendar.ics`);
const people = computed(() => shop.settings.people ?? []);
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
    <span v-if="people.length > 0" class="mute">
      or for one of you:
      <template v-for="({ key, name }, n) in people" :key="key"
        >{{ n > 0 ? ', ' : '' }}<a :href="`/api/calendar.ics?person=${key}`">{{ name }}</a></template
      >
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
