<script setup lang="ts">
import { counted, countWord, formatPhrase, type Finding } from '@zero-pour/core';
import { computed } from 'vue';
import { useUnits } from '../../state/unitStore';
import type { AnalysisState } from '../jobs/analysisStore';

/** What was found, gravest first; a click turns the part to it. */
const props = defineProps<{
  findings: readonly Finding[];
  chosen: number | undefined;
  /** How far the part is read: before it is, nothing speaks for it. */
  status: AnalysisState['status'];
}>();
const emit = defineEmits<{ choose: [index: number | undefined] }>();
const units = useUnits();

const NOT_READ: Readonly<Record<Exclude<AnalysisState['status'], 'analysed'>, string>> = {
  asking: 'Looking what is known of it …',
  unread: 'Not read yet: nothing is known of its thickness',
  waiting: 'Not read yet: it waits for its turn',
  working: 'Being read: findings come when it is through',
  'too open': 'Too open to be read: nothing is known of its thickness',
  failed: 'It could not be read: nothing is known of its thickness',
};
const head = computed(() => {
  const { findings } = props;
  if (props.status !== 'analysed') {
    const why = NOT_READ[props.status];
    return findings.length === 0 ? why : `${counted(findings.length, 'finding')} of its surface. ${why}`;
  }
  if (findings.length === 0) return 'Nothing found against it';
  const toMend = findings.filter(({ weight }) => weight === 'stop' || weight === 'fix').length;
  const mend = `${toMend === 0 ? 'none' : countWord(toMend).toLowerCase()} to mend before printing`;
  return `${counted(findings.length, 'finding')}, ${mend}`;
});
</script>

<template>
  <section aria-label="Findings">
    <h2>{{ head }}</h2>
    <ol>
      <li
        v-for="(finding, n) in findings"
        :key="finding.rule"
        :class="['tone', finding.weight, { on: n === chosen }]"
      >
        <button
          type="button"
          :aria-pressed="n === chosen"
          :disabled="finding.places.length === 0"
          @click="emit('choose', n === chosen ? undefined : n)"
        >
          <i>{{ n + 1 }}</i>
          <span>
            <b>{{ finding.lead }}</b> <span class="weight">{{ finding.weight }}</span>
            <span class="why"
              >{{ formatPhrase(finding.why, units.choice) }}
              {{ formatPhrase(finding.remedy, units.choice) }}</span
            >
          </span>
        </button>
      </li>
    </ol>
  </section>
</template>

<style scoped>
h2 {
  padding-bottom: 5px;
  border-bottom: 1px solid var(--line2);
}
ol {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  border-bottom: 1px solid var(--line);
}
li.on {
  background: var(--bone);
}
button {
  display: grid;
  grid-template-columns: 26px 1fr;
  gap: 9px;
  width: 100%;
  padding: 9px 10px 9px 0;
  border: none;
  background: none;
  font: inherit;
  font-size: 14.5px;
  text-align: left;
  color: var(--ink);
  cursor: pointer;
}
button:disabled {
  cursor: default;
}
i {
  font: 700 14px var(--mono);
  width: 25px;
  height: 25px;
  border: 2px solid var(--tone);
  color: var(--tone);
  background: var(--paper);
  display: grid;
  place-items: center;
}
.on i {
  background: var(--tone);
  color: var(--paper);
}
.weight {
  font: 700 11.5px var(--mono);
  color: var(--tone);
}
.why {
  display: block;
  color: var(--mute);
  font-size: 13.5px;
}
</style>
