<script setup lang="ts">
import type { Resin } from '@zero-pour/contracts';
import { blobAddress } from '../../api/request';
import { useKeptFiles } from '../../components/useKeptFiles';

/** The maker's sheet, a photo of the bottle: kept here, the figures typed beside them. */
type Attachment = Resin['attachments'][number];
const props = defineProps<{ attachments: readonly Attachment[] }>();
const emit = defineEmits<{ change: [attachments: Attachment[]] }>();
const { open, busy } = useKeptFiles('image/png,image/jpeg,image/webp,application/pdf,text/plain', (files) =>
  emit('change', [...props.attachments, ...files]),
);
</script>

<template>
  <section class="stage-block">
    <h2>Sheets and photos</h2>
    <ul>
      <li v-for="(file, i) in attachments" :key="file.hash">
        <a
          :href="blobAddress(file.hash)"
          target="_blank"
          :download="file.mediaType.startsWith('image/') ? undefined : file.name"
        >
          <img
            v-if="file.mediaType.startsWith('image/')"
            :src="blobAddress(file.hash)"
            :alt="file.name"
            loading="lazy"
          />
          {{ file.name }}
        </a>
        <button
          type="button"
          class="text-button"
          :aria-label="`Take ${file.name} away`"
          @click="
            emit(
              'change',
              attachments.filter((_, k) => k !== i),
            )
          "
        >
          away
        </button>
      </li>
    </ul>
    <v-btn size="small" :loading="busy" @click="open()">Attach a sheet or photo</v-btn>
  </section>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0 0 8px;
  padding: 0;
}
li {
  display: flex;
  gap: 16px;
  align-items: center;
  padding: 4px 0;
}
img {
  height: 56px;
  vertical-align: middle;
  margin-right: 8px;
  border: 1px solid var(--line2);
}
</style>
