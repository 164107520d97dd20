<script setup lang="ts">
import { mdiCameraOutline } from '@mdi/js';
import { computed, onScopeDispose, watch } from 'vue';
import { useFileDialog } from '@vueuse/core';

/** Photos off the camera of a phone, or files; looked at before they are kept. */
const photos = defineModel<File[]>({ required: true });
const { open, onChange } = useFileDialog({
  accept: 'image/*',
  multiple: true,
  reset: true,
  capture: 'environment',
});
onChange((files) => (photos.value = [...photos.value, ...(files ?? [])]));

const shown = computed(() => photos.value.map((file) => ({ file, at: URL.createObjectURL(file) })));
const letGo = (list: readonly { at: string }[]): void => list.forEach(({ at }) => URL.revokeObjectURL(at));
watch(shown, (_now, before) => letGo(before));
onScopeDispose(() => letGo(shown.value));
const takeOff = (file: File): void => void (photos.value = photos.value.filter((one) => one !== file));
</script>

<template>
  <v-btn size="large" @click="open()"><v-icon :icon="mdiCameraOutline" start /> Photo</v-btn>
  <figure v-for="{ file, at } in shown" :key="at">
    <img :src="at" :alt="file.name" />
    <button type="button" class="text-button" :aria-label="`Take ${file.name} off`" @click="takeOff(file)">
      take off
    </button>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
  display: grid;
  justify-items: start;
}
img {
  height: 72px;
  max-width: 130px;
  object-fit: cover;
  border: 1px solid var(--line2);
}
</style>
