<script setup lang="ts">
import { STAGES, type StageKey } from '@zero-pour/core';
import { stageLine, type PourPlan } from '@zero-pour/plan';
import { computed, onMounted, useTemplateRef, watch } from 'vue';
import { useUnits } from '../state/unitStore';

/** The stages on one main sprue: finished ones are metal, the one in work is hot, the rest wax-pale. */
const props = defineProps<{ plan: PourPlan; shown: StageKey }>();
const emit = defineEmits<{ goTo: [stage: StageKey] }>();
const units = useUnits();

const PITCH = 57;
const TOP = 30;
const X = 22;
const COLOURS = {
  done: 'var(--metal)',
  left: 'var(--line2)',
  current: 'var(--melt)',
  open: 'var(--line)',
} as const;
const WORDS = { done: 'done', left: 'left unknown', current: 'in work', open: 'ahead' } as const;

const stages = computed(() =>
  STAGES.map((stage, i) => ({
    ...stage,
    state: props.plan.states[stage.key],
    line: stageLine(stage.key, props.plan, units.choice),
    y: TOP + i * PITCH,
    shownKey: stage.shortcut === '-' ? '−' : stage.shortcut,
  })),
);
/** Metal has run as far as the stage in work; to the end when all is done. */
const filledTo = computed(() => stages.value.find((s) => s.state === 'current')?.y ?? TOP + 11 * PITCH + 14);

/** On a phone the stages are a row that runs past the edge: it begins at the one that is open. */
const list = useTemplateRef<HTMLElement>('list');
function showOpen(): void {
  const row = list.value;
  const open = row?.querySelector<HTMLElement>('[aria-current="step"]');
  if (row && open && row.scrollWidth > row.clientWidth)
    row.scrollLeft = open.offsetLeft - (row.clientWidth - open.offsetWidth) / 2;
}
onMounted(showOpen);
watch(() => props.shown, showOpen, { flush: 'post' });
</script>

<template>
  <nav class="stepper" aria-label="Stages of this pour">
    <svg class="sprue" width="60" :height="TOP + 11 * PITCH + 30" aria-hidden="true">
      <path
        :d="`M${X} 6V${TOP + 11 * PITCH + 14}`"
        stroke="var(--line)"
        stroke-width="14"
        stroke-linecap="round"
      />
      <path :d="`M${X} 6V${filledTo}`" stroke="var(--metal)" stroke-width="14" stroke-linecap="round" />
      <g v-for="stage in stages" :key="stage.key">
        <path
          :d="`M${X} ${stage.y - 15}C${X} ${stage.y - 2} ${X + 8} ${stage.y} ${X + 24} ${stage.y}`"
          fill="none"
          :stroke="COLOURS[stage.state]"
          stroke-width="9"
          stroke-linecap="round"
        />
        <ellipse :cx="X + 29" :cy="stage.y" rx="9" ry="11" :fill="COLOURS[stage.state]" />
        <ellipse
          v-if="stage.state === 'current'"
          :cx="X + 29"
          :cy="stage.y"
          rx="4.5"
          ry="6"
          fill="var(--glow)"
        />
      </g>
    </svg>
    <ol ref="list">
      <li v-for="stage in stages" :key="stage.key" :class="[stage.state, { shown: stage.key === shown }]">
        <button
          type="button"
          :aria-current="stage.key === shown ? 'step' : undefined"
          @click="emit('goTo', stage.key)"
        >
          <span class="name">{{ stage.name }}</span>
          <span class="key num" aria-hidden="true">{{ stage.shownKey }}</span>
          <span class="line">{{ stage.line }}</span>
          <span class="visually-hidden">{{ WORDS[stage.state] }}</span>
        </button>
      </li>
    </ol>
  </nav>
</template>

<style scoped>
.stepper {
  position: relative;
  min-width: 0;
}
.sprue {
  position: absolute;
  left: 0;
  top: 0;
}
ol {
  list-style: none;
  margin: 0;
  padding: 8px 0 0 60px;
}
li {
  height: 57px;
}
button {
  /* Holds its hidden words, which would otherwise widen the page past the scrolled list. */
  position: relative;
  display: grid;
  grid-template-columns: 1fr auto;
  width: 100%;
  min-height: 48px;
  max-height: 57px;
  padding: 3px 4px 2px 6px;
  background: none;
  border: none;
  border-radius: 3px;
  text-align: left;
  font: inherit;
  color: var(--ink);
  cursor: pointer;
  align-content: center;
}
button:hover {
  background: var(--sand);
}
.shown button {
  background: var(--paper);
  box-shadow: inset 3px 0 0 var(--wax);
}
.name {
  font-size: 16px;
  font-weight: 600;
  line-height: 1.15;
}
.current .name {
  font-weight: 750;
}
.open .name {
  color: var(--mute);
}
.key {
  font-size: 12px;
  color: var(--mute);
}
.line {
  grid-column: 1 / -1;
  font-size: 13px;
  line-height: 1.15;
  color: var(--mute);
  display: -webkit-box;
  -webkit-box-orient: vertical;
  -webkit-line-clamp: 2;
  overflow: hidden;
}
@media (max-width: 980px) {
  .sprue {
    display: none;
  }
  ol {
    position: relative;
    display: flex;
    overflow-x: auto;
    padding: 0 0 6px;
    gap: 6px;
    border-bottom: 10px solid var(--line);
    border-radius: 0 0 5px 5px;
  }
  li {
    height: auto;
    flex: 0 0 auto;
  }
  button {
    min-height: 44px;
    padding: 4px 12px;
    border: 1px solid var(--line2);
    border-bottom: none;
    border-radius: 3px 3px 0 0;
  }
  li.done button {
    border-top: 4px solid var(--metal);
  }
  li.current button {
    border-top: 4px solid var(--melt);
  }
  .line,
  .key {
    display: none;
  }
}
</style>
