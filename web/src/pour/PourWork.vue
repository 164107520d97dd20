<script setup lang="ts">
import { STAGES, type StageKey } from '@zero-pour/core';
import { pourTitle } from '@zero-pour/plan';
import { computed, defineAsyncComponent, watchEffect, type Component } from 'vue';
import { useRouter } from 'vue-router';
import { usePours } from '../state/pourStore';
import { providePour } from '../state/usePour';
import { SlipsAbout } from '../capture';
import NotKeptLines from '../components/NotKeptLines.vue';
import { useNotKept } from '../state/notKept';
import SprueStepper from './SprueStepper.vue';
import ScrapLine from './ScrapLine.vue';
import TicketPanel from './TicketPanel.vue';
import BriefStage from './stages/BriefStage.vue';

const props = defineProps<{ id: string; stage: StageKey | undefined }>();
const router = useRouter();
const pours = usePours();
const notKept = useNotKept();
const { pour, plan } = providePour(() => props.id);

const STAGE_VIEWS: Record<StageKey, Component> = {
  brief: BriefStage,
  pattern: defineAsyncComponent(() => import('./stages/PatternStage.vue')),
  resin: defineAsyncComponent(() => import('./stages/ResinStage.vue')),
  wayUp: defineAsyncComponent(() => import('./stages/WayUpStage.vue')),
  scale: defineAsyncComponent(() => import('./stages/ScaleStage.vue')),
  print: defineAsyncComponent(() => import('./stages/PrintStage.vue')),
  clean: defineAsyncComponent(() => import('./stages/CleanStage.vue')),
  sprue: defineAsyncComponent(() => import('./stages/SprueStage.vue')),
  invest: defineAsyncComponent(() => import('./stages/InvestStage.vue')),
  burnout: defineAsyncComponent(() => import('./stages/BurnoutStage.vue')),
  pour: defineAsyncComponent(() => import('./stages/PourStage.vue')),
  result: defineAsyncComponent(() => import('./stages/ResultStage.vue')),
};

const shown = computed<StageKey>(() => props.stage ?? plan.value.current);
/** What was typed at this stage and refused. */
const refused = computed(() => notKept.ofStage(props.id, shown.value));
const name = computed(() => STAGES.find((s) => s.key === shown.value)?.name ?? '');
const goTo = (stage: StageKey): void => void router.push(`/pours/${props.id}/${stage}`);

watchEffect(() => {
  document.title = `Pour ${pour.value.number} · ${name.value} · Zero Pour`;
});
const SAVED = {
  saved: 'kept',
  saving: 'keeping …',
  waiting: 'kept in this window, waiting for Zero Pour',
} as const;
</script>

<template>
  <div class="work">
    <SprueStepper :plan="plan" :shown="shown" class="no-print" @go-to="goTo" />
    <section class="stage" :aria-label="name">
      <p class="where no-print">
        <b>Pour {{ pour.number }}</b> {{ pourTitle(plan.context) }}
        <span class="saved" role="status">{{ SAVED[pours.saving] }}</span>
      </p>
      <p v-if="pour.discarded" class="discarded">
        This pour was put aside.
        <button type="button" class="text-button" @click="pours.discard(pour.id, false)">Take it back</button>
      </p>
      <ScrapLine v-if="pour.doc.scrap" :doc="pour.doc" :scrap="pour.doc.scrap" />
      <NotKeptLines v-if="refused.length > 0" :entries="refused" />
      <component :is="STAGE_VIEWS[shown]" @go-to="goTo" />
    </section>
    <div>
      <TicketPanel :pour="pour" :plan="plan" @go-to="goTo" />
      <SlipsAbout :subject="{ kind: 'pour', id: pour.id }" class="no-print" />
    </div>
  </div>
</template>

<style scoped>
.work {
  display: grid;
  grid-template-columns: 186px minmax(0, 1fr) 292px;
  gap: 20px;
  padding: 16px 22px 40px 14px;
  max-width: 1600px;
  margin: 0 auto;
}
.where {
  font-size: 14px;
  color: var(--mute);
  display: flex;
  gap: 8px;
  margin-bottom: 6px;
}
.where b {
  color: var(--ink);
}
.saved {
  margin-left: auto;
  font-size: 13px;
}
.discarded {
  background: var(--amber-tint);
  border-left: 4px solid var(--amber);
  padding: 6px 12px;
  margin-bottom: 10px;
}
@media (max-width: 1100px) {
  .work {
    grid-template-columns: 160px minmax(0, 1fr) 262px;
    gap: 14px;
    padding: 14px 14px 32px 8px;
  }
}
@media (max-width: 980px) {
  .work {
    grid-template-columns: minmax(0, 1fr);
    padding: 10px 12px 32px;
  }
}
@media print {
  .work {
    display: block;
  }
  .stage {
    display: none;
  }
}
</style>
