<script setup lang="ts">
import type { Pattern } from '@zero-pour/contracts';
import { formatQuantity, STEPS, type FileUnit, type Step } from '@zero-pour/core';
import { useDropZone, useEventListener, useFileDialog } from '@vueuse/core';
import { useTemplateRef } from 'vue';
import { useUnits } from '../state/unitStore';
import { STEP_WORDS } from './stepWords';
import { usePatternReader } from './usePatternReader';

/** `former`: the file is a new version of that pattern. */
const props = defineProps<{ compact?: boolean; former?: Pattern }>();
const emit = defineEmits<{ kept: [pattern: Pattern] }>();

const units = useUnits();
const { state, read, cancel } = usePatternReader(
  (pattern) => emit('kept', pattern),
  () => props.former,
);
const { open, onChange } = useFileDialog({ multiple: false, reset: true });
onChange((files) => {
  const file = files?.[0];
  if (file) void read(file);
});

const zone = useTemplateRef<HTMLElement>('zone');
const takeFirst = (files: File[] | null): void => {
  if (files?.[0]) void read(files[0]);
};
const { isOverDropZone } = useDropZone(zone, { onDrop: takeFirst });
// A file dropped beside the box is meant for it too, and must not make the browser leave the page.
useEventListener(document, 'dragover', (event: DragEvent) => event.preventDefault());
useEventListener(document, 'drop', (event: DragEvent) => {
  if (event.defaultPrevented) return;
  event.preventDefault();
  takeFirst([...(event.dataTransfer?.files ?? [])]);
});

const words = (step: Step | 'keeping'): string =>
  step === 'keeping' ? 'keeping the file' : STEP_WORDS[step];
/** Reading and measuring end where analysing would begin. */
const shareOf = (step: Step | 'keeping'): number => (step === 'keeping' ? 1 : STEPS[step] / STEPS.solid);
const UNIT_NAMES: Record<FileUnit, string> = {
  mm: 'millimetres',
  cm: 'centimetres',
  inch: 'inches',
  m: 'metres',
};
const side = (mm: number): string =>
  formatQuantity({ value: mm, unit: 'mm', digits: mm < 10 ? 2 : 0 }, units.choice);
</script>

<template>
  <section ref="zone" :class="['drop', { over: isOverDropZone, compact }]" aria-label="Pattern file">
    <template v-if="state.status === 'busy'">
      <p role="status">
        <b>{{ state.fileName }}</b>: {{ words(state.step) }} …
      </p>
      <v-progress-linear
        :model-value="100 * shareOf(state.step)"
        color="primary"
        height="6"
        :aria-label="words(state.step)"
      />
      <v-btn size="small" @click="cancel">Cancel</v-btn>
    </template>
    <template v-else-if="state.status === 'unit needed'">
      <p>
        <b>Which unit is {{ state.file.name }} drawn in?</b> The file does not say, and millimetres would be
        an unlikely size.
      </p>
      <div class="units">
        <v-btn v-for="option in state.options" :key="option.unit" @click="read(state.file, option.unit)">
          {{ UNIT_NAMES[option.unit] }}: {{ option.sizeMm.map(side).join(' × ') }}
        </v-btn>
        <button type="button" class="text-button" @click="cancel">Leave it</button>
      </div>
    </template>
    <template v-else>
      <p v-if="state.status === 'refused'" class="refused" role="alert">
        <b>{{ state.fileName }} was not taken.</b> {{ state.sentence }}
      </p>
      <div class="offer">
        <span v-if="former">New version of this part:</span>
        <span v-else-if="compact">Add another pattern beside these, from an STL, OBJ, PLY or 3MF file:</span>
        <span v-else>Drop an STL, OBJ, PLY or 3MF file here, or anywhere on this page.</span>
        <v-btn :variant="compact ? 'outlined' : 'flat'" :size="compact ? 'small' : 'default'" @click="open()"
          >Choose a file</v-btn
        >
      </div>
    </template>
  </section>
</template>

<style scoped>
.drop {
  border: 2px dashed var(--line2);
  background: var(--sheet);
  padding: 26px 20px;
  display: grid;
  gap: 12px;
  justify-items: start;
}
.drop.compact {
  padding: 8px 14px;
  border-width: 1.5px;
}
.drop.over {
  border-color: var(--wax);
  background: var(--wax2);
}
.offer,
.units {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 14px;
  align-items: center;
}
.refused {
  border-left: 4px solid var(--oxide);
  background: var(--oxide-tint);
  padding: 8px 12px;
}
</style>
