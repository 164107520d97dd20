<script setup lang="ts">
import { photoAddress } from '../api/keepPhoto';
import { useKeptFiles } from './useKeptFiles';

/** Photos that belong to something, with a way to add and to take them off. */
type Photo = { hash: string; name: string };
const props = defineProps<{ photos: readonly Photo[]; of: string }>();
const emit = defineEmits<{ change: [photos: Photo[]] }>();
const { open, busy } = useKeptFiles('image/png,image/jpeg,image/webp', (files) =>
  emit('change', [...props.photos, ...files.map(({ hash, name }) => ({ hash, name }))]),
);
</script>

<template>
  <div class="row">
    <figure v-for="(photo, i) in photos" :key="photo.hash">
      <a :href="photoAddress(photo.hash)" target="_blank"
        ><img :src="photoAddress(photo.hash)" :alt="`${of}, ${photo.name}`" loading="lazy"
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
