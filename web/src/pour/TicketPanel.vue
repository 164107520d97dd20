<script setup lang="ts">
import { pouredAt, type Pour } from '@zero-pour/contracts';
import { formatPhrase, STAGES, type StageKey } from '@zero-pour/core';
import { pourTitle, valueOf, writeTicket, type PourPlan } from '@zero-pour/plan';
import { computed } from 'vue';
import FigureValue from '../components/FigureValue.vue';
import { useSlowNow } from '../state/clock';
import { useUnits } from '../state/unitStore';
import { formatLeft, formatMoment } from '../time/formatMoment';

const props = defineProps<{ pour: Pour; plan: PourPlan }>();
const emit = defineEmits<{ goTo: [stage: StageKey] }>();

const units = useUnits();
const now = useSlowNow();
const sections = computed(() => writeTicket(props.plan));
const zero = computed(() => valueOf(props.plan.times)?.zero);
const poured = computed(() => pouredAt(props.pour.doc) !== undefined);
const stageName = (key: StageKey): string => STAGES.find((s) => s.key === key)?.name ?? key;
const print = (): void => window.print();
</script>

<template>
  <aside class="ticket" aria-label="Ticket">
    <div class="top">
      <b>Pour {{ pour.number }}</b>
      <span class="no-print">
        <a
          v-if="zero !== undefined && !poured"
          :href="`/api/calendar.ics?pour=${pour.id}`"
          :download="`pour ${pour.number}.ics`"
          >calendar</a
        >
        <router-link :to="`/pours/${pour.id}/labels`">labels</router-link>
        <button type="button" class="text-button num" @click="print">
          {{ poured ? 'as poured' : 'ticket' }}, print
        </button>
      </span>
    </div>
    <div class="title">
      {{ pourTitle(plan.context)
      }}<template v-if="plan.context.alloy"> · {{ plan.context.alloy.name }}</template>
    </div>
    <p v-if="pour.doc.brief.statedChange" class="title">
      Changed from pour {{ pour.doc.brief.againOf }}: {{ pour.doc.brief.statedChange }}
    </p>
    <template v-for="section in sections" :key="section.title">
      <h2>
        <span>{{ section.title }}</span>
        <span v-if="section.title === 'Zero' && zero !== undefined" class="num left">{{
          formatLeft(zero, now)
        }}</span>
      </h2>
      <div
        v-for="line in section.lines"
        :key="line.label"
        :class="['row', { big: line.big, pale: line.kind === 'needs' || line.kind === 'impossible' }]"
      >
        <span class="label">{{ line.label }}</span>
        <span v-if="line.kind === 'figure'" class="value">
          <FigureValue :figure="line.figure" :label="line.label" @go-to="(stage) => emit('goTo', stage)" />
          <abbr v-if="line.figure.guessed" title="Stands on a guess or an estimate">guessed</abbr>
        </span>
        <span v-else-if="line.kind === 'pair'" class="value">
          <template v-for="(figure, i) in line.figures" :key="figure.name">
            <template v-if="i > 0"> / </template>
            <FigureValue :figure="figure" @go-to="(stage) => emit('goTo', stage)" />
          </template>
          <abbr v-if="line.figures.some((f) => f.guessed)" title="Stands on a guess or an estimate"
            >guessed</abbr
          >
        </span>
        <span
          v-else-if="line.kind === 'moment'"
          :class="['value', { hot: line.label === 'Pour' || (line.lapses && line.at < now) }]"
        >
          <FigureValue
            v-if="line.beforeZero"
            :figure="line.beforeZero"
            :label="line.label"
            @go-to="(stage) => emit('goTo', stage)"
          >
            {{ formatMoment(line.at, now) }}
          </FigureValue>
          <template v-else
            >{{ formatMoment(line.at, now) }}{{ line.lapses && line.at < now ? ', past' : '' }}</template
          >
        </span>
        <span v-else-if="line.kind === 'words'" class="value">
          {{ formatPhrase(line.words, units.choice) }}
          <abbr v-if="line.guessed" title="Stands on a guess or an estimate">guessed</abbr>
        </span>
        <span v-else-if="line.kind === 'needs'" class="needs">
          needs
          <template v-for="(need, i) in line.needs" :key="need.what">
            <template v-if="i">, </template
            ><button
              type="button"
              class="text-button"
              :title="`at ${stageName(need.stage)}`"
              @click="emit('goTo', need.stage)"
            >
              {{ need.what }}
            </button>
          </template>
        </span>
        <span v-else class="needs">
          {{ line.reason }}
          <button type="button" class="text-button" @click="emit('goTo', line.stage)">
            {{ stageName(line.stage) }}
          </button>
        </span>
      </div>
    </template>
  </aside>
</template>

<style scoped>
.ticket {
  position: relative;
  align-self: start;
  background: var(--paper);
  box-shadow:
    0 1px 0 var(--line2),
    0 6px 18px rgba(60, 45, 25, 0.1);
  padding: 16px 18px 16px;
  margin-top: 10px;
}
.ticket::before {
  content: '';
  position: absolute;
  top: -7px;
  left: 0;
  right: 0;
  height: 7px;
  background: radial-gradient(circle at 7px -1px, transparent 5px, var(--paper) 5.5px) 0 0 / 14px 7px repeat-x;
}
.top {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
}
.top b {
  font-size: 16px;
}
.top .text-button {
  color: var(--mute);
  font-size: 13.5px;
}
.title {
  color: var(--mute);
  font-size: 14px;
}
h2 {
  border-bottom: 1px solid var(--line);
  padding: 0 0 3px;
  margin: 13px 0 5px;
  display: flex;
  justify-content: space-between;
}
.left {
  color: var(--melt-text);
}
.row {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  gap: 10px;
  padding: 2.5px 0;
}
.label {
  flex: 0 1 auto;
}
.value {
  font-family: var(--mono);
  text-align: right;
  white-space: nowrap;
}
.big .value {
  font: 700 24px var(--text);
  font-variant-numeric: tabular-nums;
  letter-spacing: -0.01em;
}
.hot {
  color: var(--melt-text);
}
.needs {
  font-size: 13.5px;
  color: var(--mute);
  text-align: right;
}
abbr {
  font: 12.5px var(--text);
  color: var(--amber-text);
  text-decoration: none;
}
@media print {
  .ticket {
    box-shadow: none;
    border: 1px solid var(--ink);
    max-width: 110mm;
  }
}
.top a {
  margin-right: 12px;
  font-size: 14px;
}
</style>
