<script setup lang="ts">
import { useFileDialog } from '@vueuse/core';
import { shallowRef } from 'vue';
import { KeptBackups } from '../about';
import { sentenceOf } from '../api/request';
import { useNotices } from '../state/notices';
import { useRecords } from '../state/recordStore';
import { useShop } from '../state/shopStore';

/** A whole shop out of a zip, into this one while it is empty. */
const shop = useShop();
const records = useRecords();
const notices = useNotices();
const taking = shallowRef('');
const trouble = shallowRef('');
const { open, onChange } = useFileDialog({ accept: '.zip,application/zip', reset: true });
onChange((files) => {
  const file = files?.[0];
  if (file) void take(file.name, () => shop.takeIn(file));
});
async function take(name: string, work: () => Promise<void>): Promise<void> {
  [taking.value, trouble.value] = [name, ''];
  try {
    await work();
    await records.loadAgain();
    notices.tell('The shop is here, as it was.');
  } catch (error) {
    trouble.value = sentenceOf(error);
  } finally {
    taking.value = '';
  }
}
</script>

<template>
  <div>
    <v-btn :loading="taking !== ''" @click="open()">Take a shop in (zip)</v-btn>
    <KeptBackups :taking="taking !== ''" @take="(name) => take(name, () => shop.takeBackup(name))" />
    <p v-if="taking" class="mute mt-2" role="status">Reading {{ taking }}: all of it, or nothing.</p>
    <p v-if="trouble" class="tone stop mt-2" role="alert">{{ trouble }}</p>
  </div>
</template>

<style scoped>
.tone {
  color: var(--tone);
}
</style>
