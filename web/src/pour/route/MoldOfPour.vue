<script setup lang="ts">
import type { Mold } from '@zero-pour/contracts';
import { judgeMoldOfPour, kindsOfRoute } from '@zero-pour/plan';
import { computed } from 'vue';
import { useRouter } from 'vue-router';
import JudgementList from '../../components/JudgementList.vue';
import { useMolds } from '../../molds';
import { usePour } from '../../state/usePour';

/** The mold that a pour's waxes come from. */
const { pour, plan, set } = usePour();
const molds = useMolds();
const router = useRouter();
molds.load();
const kinds = computed(() => kindsOfRoute(pour.value.doc.brief.route));
const fitting = computed(() => molds.all.filter(({ kind }) => kinds.value.includes(kind)));
const mold = computed(() => molds.all.find(({ id }) => id === pour.value.doc.brief.moldId));
const judgements = computed(() => judgeMoldOfPour(plan.value.context));
/** With a good mold there is nothing to print: what was left for that is left. */
const PRINTING = ['print', 'clean'] as const;
const begins = computed(() => PRINTING.every((stage) => pour.value.doc.left.includes(stage)));
function choose(id: string): void {
  set(['brief', 'moldId'], id);
  const chosen = molds.all.find((one) => one.id === id);
  if (chosen?.state === 'good') beginAtWax();
}
const beginAtWax = (): void => set(['left'], [...new Set([...pour.value.doc.left, ...PRINTING])]);
async function planOne(): Promise<void> {
  const [part] = plan.value.context.parts;
  const { resinId } = pour.value.doc.resin;
  const fields: Partial<Mold> = {
    ...(kinds.value[0] ? { kind: kinds.value[0] } : {}),
    ...(part ? { patternId: part.pattern.id, name: `${part.pattern.name}, ${kinds.value[0]}` } : {}),
    ...(resinId ? { resinId } : {}),
  };
  const made = await molds.add(fields);
  if (!made) return;
  set(['brief', 'moldId'], made.id);
  await router.push(`/molds/${made.id}`);
}
</script>

<template>
  <div>
    <div class="acts">
      <v-select
        class="choice"
        label="Mold"
        :items="fitting.map(({ id, name, state }) => ({ title: `${name} (${state})`, value: id }))"
        :model-value="mold?.id"
        no-data-text="No mold of that kind yet."
        @update:model-value="choose"
      />
      <router-link v-if="mold" :to="`/molds/${mold.id}`">To the mold</router-link>
      <v-btn size="small" @click="planOne">Plan a mold for it</v-btn>
      <v-btn v-if="mold && !begins" size="small" @click="beginAtWax">Begin at the waxes</v-btn>
    </div>
    <p v-if="begins" class="mute">Begins at the waxes: Print and Clean are left.</p>
    <JudgementList :judgements="judgements" class="mt-2" />
  </div>
</template>

<style scoped>
.acts {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 16px;
}
.choice {
  max-width: 360px;
  min-width: 240px;
}
</style>
