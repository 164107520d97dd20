<script setup lang="ts">
import { recordLinesSchema } from '@zero-pour/contracts';
import { planPour } from '@zero-pour/plan';
import { computed, shallowRef, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { request } from '../api/request';
import { useSlowNow } from '../state/clock';
import { useNotices } from '../state/notices';
import { usePlanningShop } from '../state/planningStore';
import { usePours } from '../state/pourStore';
import { useShop } from '../state/shopStore';
import { useGuided } from './guidedPour';
import { fillsOf, GUIDE_STEPS, type GuideSight } from './guideSteps';

/** One pour step by step, beside the pages themselves: it can be left at any point, and nothing is decided for anybody. */
const guided = useGuided();
const [route, router] = [useRoute(), useRouter()];
const [pours, planning, notices] = [usePours(), usePlanningShop(), useNotices()];
const now = useSlowNow();

const pour = computed(() => (guided.value ? pours.pours.get(guided.value.pourId) : undefined));
// One that was put aside, or of another shop, is shown no further.
watch(
  [pour, () => pours.pours.size],
  () => {
    if (guided.value && pours.pours.size > 0 && (!pour.value || pour.value.discarded)) guided.value = null;
  },
  { immediate: true },
);
const sight = computed<GuideSight | undefined>(
  () =>
    pour.value && {
      plan: planPour(pour.value, planning.known),
      shop: planning.known,
      others: pours.open
        .filter(({ id }) => id !== pour.value!.id)
        .sort((a, b) => b.number - a.number)
        .map(({ doc }) => doc),
      now: now.value,
    },
);
// Of a large shop any pattern may be the one that is shown.
void useShop()
  .loadPatterns()
  .catch(() => {});
/** A pour of the record in which something went wrong: what is told of it is the example. */
const told = shallowRef<string>();
void request(recordLinesSchema, 'GET', '/record?limit=30').then(
  ({ lines }) => void (told.value = lines.find(({ flaws }) => flaws.length > 0)?.id),
  () => undefined,
);

const steps = computed(() => GUIDE_STEPS.filter(({ at }) => at !== 'told' || told.value !== undefined));
const at = computed(() => Math.min(guided.value?.at ?? 0, steps.value.length - 1));
const step = computed(() => steps.value[at.value]!);
const isDone = computed(() => sight.value !== undefined && step.value.isDone?.(sight.value) === true);
const fills = computed(() => (sight.value && !isDone.value ? fillsOf(step.value, sight.value) : []));
const isLast = computed(() => at.value === steps.value.length - 1);

const PLACES = {
  board: () => '/',
  record: () => '/record',
  told: () => `/pours/${told.value}/result`,
} as const;
const address = computed(() => {
  const place = step.value.at;
  return place in PLACES ? PLACES[place as keyof typeof PLACES]() : `/pours/${guided.value?.pourId}${place}`;
});
const isThere = computed(() => route.path === address.value);

function goTo(next: number): void {
  if (!guided.value) return;
  guided.value = { ...guided.value, at: next };
  void router.push(address.value);
}
function fill(): void {
  for (const { path, value } of fills.value) pours.set(guided.value!.pourId, path, value as never);
}
function leave(): void {
  const left = pour.value;
  guided.value = null;
  if (!left) return;
  notices.tell(`Pour ${left.number} stays on the board.`, {
    label: 'Throw it away',
    run: () => void pours.discard(left.id, true).catch(notices.wrong),
  });
}
</script>

<template>
  <section v-if="sight" class="guided no-print" aria-label="One pour, step by step">
    <div class="say" role="status">
      <p class="num mute">{{ at + 1 }} of {{ steps.length }}</p>
      <h2>{{ step.title }}</h2>
      <p>{{ step.say }}</p>
      <p v-if="isDone" class="done">That is told.</p>
      <p v-else-if="step.fill && fills.length === 0 && step.lacking">
        This shop has not got {{ step.lacking.what }}:
        <router-link :to="step.lacking.at">add it</router-link>, or go on without.
      </p>
    </div>
    <div class="presses">
      <v-btn v-if="!isThere" size="small" @click="goTo(at)">Take me there</v-btn>
      <v-btn v-else-if="fills.length > 0" size="small" @click="fill">Fill it in for me</v-btn>
      <span class="spacer" />
      <v-btn v-if="at > 0" size="small" variant="text" @click="goTo(at - 1)">Back</v-btn>
      <v-btn v-if="!isLast" size="small" variant="flat" @click="goTo(at + 1)">{{
        isDone || !step.fill ? 'Next' : 'Pass over'
      }}</v-btn>
      <v-btn size="small" variant="text" @click="leave">{{ isLast ? 'That is all' : 'Leave' }}</v-btn>
    </div>
  </section>
</template>

<style scoped>
.guided {
  position: fixed;
  left: 16px;
  bottom: 16px;
  z-index: 900;
  width: min(420px, calc(100vw - 32px));
  padding: 12px 16px;
  background: var(--paper);
  border: 1px solid var(--line2);
  border-left: 6px solid var(--melt);
  box-shadow: 0 6px 24px rgb(0 0 0 / 25%);
}
h2 {
  font-size: 18px;
  color: var(--ink);
}
.say {
  font-size: 15px;
}
.done {
  font-weight: 650;
  color: var(--verd-text);
}
.presses {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
  margin-top: 10px;
}
@media (max-width: 600px) {
  /* Above the press that notes something. */
  .guided {
    bottom: 78px;
  }
}
</style>
