<script setup lang="ts">
import { useFileDialog } from '@vueuse/core';
import { shallowRef } from 'vue';
import { blobAddress } from '../api/request';
import { keepPhoto } from '../api/keepPhoto';
import { useNotices } from '../state/notices';

/** Photos that belong to something, with a way to add and to take them off. */
type Photo = { hash: string; name: string };
const props = defineProps<{ photos: readonly Photo[]; of: string }>();
const emit = defineEmits<{ change: [photos: Photo[]] }>();
const notices = useNotices();
const busy = shallowRef(false);

const { open, onChange } = useFileDialog({
  accept: 'image/png,image/jpeg,image/webp',
  multiple: true,
  reset: true,
});
onChange(async (files) => {
  busy.value = true;
  try {
    emit('change', [...props.photos, ...(await Promise.all([...(files ?? [])].map(keepPhoto)))]);
  } catch (error) {
    notices.wrong(error);
  } finally {
    busy.value = false;
  }
});
</script>

<template>
  <div class="row">
    <figure v-for="(photo, i) in photos" :key="photo.hash">
      <a :href="blobAddress(photo.hash)" target="_blank"
        ><img :src="blobAddress(photo.hash)" :alt="`${of}, ${photo.name}`" loading="lazy"
      /></a>
      <button
        type="button"
        class="text-button"
        :aria-label="`Take ${photo.name} off`"
        @click="
          emit(
            'change',
            photos.filter((_, k) => k !== i),
          )
        "
      >
        take off
      </button>
    </figure>
    <v-btn size="small" :loading="busy" @click="open()">Add photos</v-btn>
  </div>
</template>

<style scoped>
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: end;
  margin-top: 10px;
}
figure {
  margin: 0;
  display: grid;
  justify-items: start;
}
img {
  height: 96px;
  border: 1px solid var(--line2);
}
</style>
