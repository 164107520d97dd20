<script setup lang="ts">
import type { Powder } from '@zero-pour/contracts';
import { computed } from 'vue';
import { MakerProgrammeRecord } from '../burnout';
import MomentField from '../components/MomentField.vue';
import { useSlowNow } from '../state/clock';

/** The bag in use, and what the powder's maker prescribes. */
const props = defineProps<{ powder: Powder }>();
const emit = defineEmits<{ change: [powder: Powder] }>();
const now = useSlowNow();
const DAY_MS = 86_400_000;
const openDays = computed(() => {
  const { openedAt } = props.powder;
  return openedAt ? Math.max(0, Math.floor((now.value - Date.parse(openedAt)) / DAY_MS)) : undefined;
});
const set = (fields: Partial<Powder>): void => emit('change', { ...props.powder, ...fields });
</script>

<template>
  <section class="stage-block" aria-label="The bag">
    <h2>The bag in use</h2>
    <div class="form-grid">
      <MomentField
        label="Opened"
        past
        :model-value="powder.openedAt ?? undefined"
        @update:model-value="(at) => set({ openedAt: at ?? null })"
      />
    </div>
    <p class="mute">
      {{ openDays === undefined ? 'Not known.' : `Open for ${openDays} ${openDays === 1 ? 'day' : 'days'}.` }}
      Powder that took up damp sets slowly and weak: a gloss-off that comes late is its sign.
    </p>
  </section>
  <MakerProgrammeRecord
    :programme="powder.makerProgramme"
    written-for="Resin"
    @change="(makerProgramme) => set({ makerProgramme })"
  />
</template>
