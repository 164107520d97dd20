<script setup lang="ts">
import type { Pattern, PatternChange } from '@zero-pour/contracts';
import { blobAddress } from '../../api/request';
import NoteField from '../../components/NoteField.vue';

/** The file itself, and what the shop calls it. */
defineProps<{ pattern: Pattern }>();
const emit = defineEmits<{ change: [fields: Partial<PatternChange>] }>();
</script>

<template>
  <section class="fields">
    <h2>File and note</h2>
    <p>
      <a :href="blobAddress(pattern.fileHash)" :download="pattern.fileName">{{ pattern.fileName }}</a>,
      {{ pattern.measure.format }}
    </p>
    <NoteField
      :key="`name ${pattern.id}`"
      label="Name"
      :max="120"
      :model-value="pattern.name"
      @update:model-value="(name) => emit('change', { name: name ?? '' })"
    />
    <NoteField
      :key="`note ${pattern.id}`"
      label="Note"
      :rows="2"
      :model-value="pattern.note"
      @update:model-value="(note) => emit('change', { note: note ?? '' })"
    />
  </section>
</template>

<style scoped>
.fields {
  display: grid;
  gap: 10px;
  align-content: start;
}
</style>
