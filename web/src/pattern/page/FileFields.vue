<script setup lang="ts">
import type { SaveFormat } from '@zero-pour/jobs';
import type { Pattern, PatternChange } from '@zero-pour/contracts';
import { blobAddress } from '../../api/request';
import NoteField from '../../components/NoteField.vue';
import { useNotices } from '../../state/notices';
import { savePattern } from '../jobs/savePattern';

/** The file itself, and what the shop calls it. */
const props = defineProps<{ pattern: Pattern }>();
const emit = defineEmits<{ change: [fields: Partial<PatternChange>] }>();
const notices = useNotices();
const save = (to: SaveFormat): Promise<void> =>
  savePattern(props.pattern, to).catch((error: unknown) => notices.wrong(error));
</script>

<template>
  <section>
    <h2>File and note</h2>
    <p>
      <a :href="blobAddress(pattern.fileHash)" :download="pattern.fileName">{{ pattern.fileName }}</a>,
      {{ pattern.measure.format }} · as read, in mm:
      <button type="button" class="text-button" @click="save('stl')">Save as STL</button> ·
      <button type="button" class="text-button" @click="save('3mf')">Save as 3MF</button>
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
