<script setup lang="ts">
import type { Printer, Resin } from '@zero-pour/contracts';
import { beforePrint, formatPhrase, freshness, type BeforeKey } from '@zero-pour/core';
import { computed, shallowRef, watch } from 'vue';
import CautionLine from '../../components/CautionLine.vue';
import { useSlowNow } from '../../state/clock';
import { useUnits } from '../../state/unitStore';

/** What to do before a print, filled from the records. Without a pour the ticks are for this time and are not kept. */
const props = defineProps<{
  resin: Resin;
  printer: Printer;
  roomC: number | null;
  /** What is done already, where it is kept. */
  ticked?: Partial<Record<BeforeKey, string>>;
}>();
const emit = defineEmits<{ tick: [key: BeforeKey, done: boolean] }>();
const units = useUnits();
const now = useSlowNow();
const own = shallowRef<ReadonlySet<BeforeKey>>(new Set());
const done = computed<ReadonlySet<string>>(() =>
  props.ticked ? new Set(Object.keys(props.ticked)) : own.value,
);
const steps = computed(() => beforePrint(props));
const todo = computed(() => steps.value.filter((step) => step.needed));
const not = computed(() => steps.value.filter((step) => !step.needed));
watch([() => props.resin.id, () => props.printer.id], () => (own.value = new Set()));

function tick(key: BeforeKey): void {
  if (props.ticked) return emit('tick', key, !done.value.has(key));
  const next = new Set(own.value);
  if (!next.delete(key)) next.add(key);
  own.value = next;
}
/** The vat's clock, when this resin stands in this printer's. */
const vat = computed(() => {
  const filled = props.resin.vats.find((v) => v.printerId === props.printer.id);
  const lifeDays = props.resin.vatLifeDays;
  return filled && lifeDays !== null
    ? freshness(
        { name: `Vat of ${props.printer.name}`, sinceMs: Date.parse(filled.filledAt), lifeDays },
        now.value,
      )
    : undefined;
});
</script>

<template>
  <ul class="before" aria-label="Before the print">
    <li v-for="step in todo" :key="step.key">
      <button type="button" :aria-pressed="done.has(step.key)" @click="tick(step.key)">
        <span class="mark" aria-hidden="true">{{ done.has(step.key) ? '✓' : '' }}</span>
        <span
          ><b>{{ step.lead }}</b> {{ formatPhrase(step.how, units.choice) }}</span
        >
      </button>
    </li>
  </ul>
  <p v-if="vat && vat.weight !== 'ok'" class="vat">{{ formatPhrase(vat.line, units.choice) }}</p>
  <p v-if="not.length > 0" class="mute not">
    <template v-for="step in not" :key="step.key"
      >{{ step.lead }} {{ formatPhrase(step.how, units.choice) }}
    </template>
  </p>
  <CautionLine of="resin" />
</template>

<style scoped>
.before {
  list-style: none;
  margin: 0;
  padding: 0;
  max-width: 860px;
}
button {
  display: flex;
  gap: 12px;
  align-items: center;
  width: 100%;
  min-height: 48px;
  padding: 6px 10px;
  border: none;
  border-bottom: 1px solid var(--line);
  background: var(--sheet);
  font: inherit;
  color: var(--ink);
  text-align: left;
  cursor: pointer;
}
.mark {
  flex: none;
  width: 26px;
  height: 26px;
  border: 2px solid var(--wax);
  border-radius: 50%;
  text-align: center;
  font-weight: 700;
  line-height: 22px;
  color: var(--paper);
}
button[aria-pressed='true'] .mark {
  background: var(--verd);
  border-color: var(--verd);
}
button[aria-pressed='true'] {
  color: var(--mute);
}
.vat {
  margin-top: 10px;
  padding: 8px 11px;
  border-left: 4px solid var(--amber);
  background: var(--amber-tint);
  max-width: 860px;
}
.not {
  margin-top: 10px;
  font-size: 14px;
  max-width: 860px;
}
</style>
