<script setup lang="ts">
import type { TestSetRun } from '@zero-pour/contracts';
import { formatPhrase, VERDICTS, type TunedClass } from '@zero-pour/core';
import { computed } from 'vue';
import ChoiceRow from '../../components/ChoiceRow.vue';
import NoteField from '../../components/NoteField.vue';
import { useUnits } from '../../state/unitStore';
import { CLASS_NAMES } from '../tune/words';
import { summarise } from './gradeSummary';

/** The verdict per class, prints and casts apart: what the counts suggest, and what is decided. */
const props = defineProps<{ run: TestSetRun; runs: readonly TestSetRun[] }>();
const emit = defineEmits<{ change: [verdicts: TestSetRun['verdicts']]; take: [castClass: TunedClass] }>();
const units = useUnits();
const rows = computed(() => summarise(props.runs.map((r) => (r.id === props.run.id ? props.run : r))));

/** Its figure is worth keeping where most of this run's pieces of the class came out whole. */
const takes = (castClass: TunedClass): boolean => {
  const graded = props.run.pieces.filter((p) => p.castClass === castClass && p.print !== null);
  return graded.length > 0 && 2 * graded.filter((p) => p.print === 'whole').length > graded.length;
};

type Word = { says: (typeof VERDICTS)[number] | null; keepFor: string };
const EMPTY: Word = { says: null, keepFor: '' };
const wordOf = (castClass: TunedClass, doing: 'prints' | 'casts'): Word =>
  props.run.verdicts[castClass]?.[doing] ?? EMPTY;
function set(castClass: TunedClass, doing: 'prints' | 'casts', fields: Partial<Word>): void {
  const both = { prints: wordOf(castClass, 'prints'), casts: wordOf(castClass, 'casts') };
  emit('change', { ...props.run.verdicts, [castClass]: { ...both, [doing]: { ...both[doing], ...fields } } });
}
const DOING = ['prints', 'casts'] as const;
</script>

<template>
  <section class="stage-block">
    <h2>Verdict per class, over all runs of this resin</h2>
    <div v-for="row in rows" :key="row.castClass" class="row">
      <h3>{{ CLASS_NAMES[row.castClass] }}</h3>
      <div v-for="doing in DOING" :key="doing" class="word">
        <span class="doing">{{ doing }}</span>
        <ChoiceRow
          :label="`${CLASS_NAMES[row.castClass]} ${doing}`"
          :options="VERDICTS"
          :model-value="wordOf(row.castClass, doing).says ?? undefined"
          @choose="
            (says) =>
              set(row.castClass, doing, { says: wordOf(row.castClass, doing).says === says ? null : says })
          "
        />
        <NoteField
          v-if="wordOf(row.castClass, doing).says === 'keep for …'"
          class="for"
          label="Keep for"
          :max="200"
          :model-value="wordOf(row.castClass, doing).keepFor"
          @update:model-value="(text) => set(row.castClass, doing, { keepFor: text ?? '' })"
        />
        <span class="mute">
          <b>{{ (doing === 'prints' ? row.printsSay : row.castsSay).lead }}</b>
          {{ formatPhrase((doing === 'prints' ? row.printsSay : row.castsSay).why, units.choice) }}
        </span>
      </div>
      <v-btn v-if="takes(row.castClass)" class="take" size="small" @click="emit('take', row.castClass)"
        >Take {{ run.exposureS }} s into a profile</v-btn
      >
    </div>
  </section>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: 110px minmax(0, 1fr);
  gap: 4px 12px;
  padding: 8px 0;
  border-bottom: 1px solid var(--line);
}
.word {
  grid-column: 2;
  display: flex;
  flex-wrap: wrap;
  gap: 6px 12px;
  align-items: center;
  font-size: 14px;
}
.row h3 {
  grid-row: 1 / span 2;
}
.take {
  grid-column: 2;
  justify-self: start;
}
.doing {
  width: 48px;
}
.for {
  width: 220px;
}
@media (max-width: 700px) {
  .row {
    grid-template-columns: minmax(0, 1fr);
  }
  .word {
    grid-column: 1;
  }
}
</style>
