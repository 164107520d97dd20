<script setup lang="ts">
import {
  formulaComesTo,
  formulaInSymbols,
  formulaInValues,
  givensOf,
  showFigure,
  type Figure,
  type Given,
} from '@zero-pour/plan';
import { formatQuantity, STAGES, type StageKey } from '@zero-pour/core';
import { computed, shallowRef } from 'vue';
import { useUnits } from '../state/unitStore';

defineOptions({ inheritAttrs: false });
/** A computed number, dotted-underlined: opens to its formula, its inputs and where each can be changed. */
const props = defineProps<{ figure: Figure; label?: string }>();
const emit = defineEmits<{ goTo: [stage: StageKey] }>();

const units = useUnits();
/** The figure being looked at: this one, or one of its inputs. */
const trail = shallowRef<Figure[]>([]);
const open = computed({
  get: () => trail.value.length > 0,
  set: (value) => (trail.value = value ? [props.figure] : []),
});
const looked = computed(() => (trail.value.length > 1 ? trail.value.at(-1)! : props.figure));
const givens = computed(() => givensOf(looked.value.formula));

const stageName = (key: StageKey): string => STAGES.find((s) => s.key === key)?.name ?? key;
function enter(given: Given): void {
  if (given.figure) trail.value = [...trail.value, given.figure];
}
function change(stage: StageKey): void {
  open.value = false;
  emit('goTo', stage);
}
</script>

<template>
  <v-menu
    v-model="open"
    :close-on-content-click="false"
    location="bottom end"
    max-width="460"
    min-width="300"
  >
    <template #activator="{ props: activator }">
      <button
        type="button"
        class="figure"
        v-bind="{ ...activator, ...$attrs }"
        :aria-label="`${label ?? figure.name} ${showFigure(figure, units.choice)}, show the working`"
      >
        <slot>{{ showFigure(figure, units.choice) }}</slot>
      </button>
    </template>
    <section class="working" :aria-label="`Working of ${looked.name}`">
      <header>
        <button v-if="trail.length > 1" type="button" class="text-button" @click="trail = trail.slice(0, -1)">
          back
        </button>
        <h3>{{ looked.name }}</h3>
        <span class="num result">{{ showFigure(looked, units.choice) }}</span>
      </header>
      <p class="num formula">{{ formulaInSymbols(looked) }}</p>
      <p class="num formula values">= {{ formulaInValues(looked) }} = {{ formulaComesTo(looked) }}</p>
      <table class="plain">
        <tbody>
          <tr v-for="given in givens" :key="given.symbol">
            <td class="num">{{ given.symbol }}</td>
            <td>
              {{ given.name }}
              <div class="source">
                {{ given.source }}<template v-if="given.guessed">, guessed</template>
                <button v-if="given.stage" type="button" class="text-button" @click="change(given.stage)">
                  change at {{ stageName(given.stage) }}
                </button>
              </div>
            </td>
            <td class="num right">
              <button v-if="given.figure" type="button" class="figure" @click="enter(given)">
                {{ formatQuantity(given, units.choice) }}
              </button>
              <template v-else>{{ formatQuantity(given, units.choice) }}</template>
            </td>
          </tr>
        </tbody>
      </table>
      <p v-if="looked.note" class="source">{{ looked.note }}</p>
      <p v-if="looked.guessed" class="source">
        <b>Stands on a guess or an estimate</b>: see the inputs marked so.
      </p>
    </section>
  </v-menu>
</template>

<style scoped>
.figure {
  background: none;
  border: none;
  border-bottom: 1.5px dotted var(--wax);
  padding: 0;
  font: inherit;
  color: inherit;
  cursor: pointer;
  text-align: right;
}
.working {
  background: var(--paper);
  border: 1px solid var(--line2);
  padding: 12px 16px 14px;
}
header {
  display: flex;
  align-items: baseline;
  gap: 12px;
}
.result {
  margin-left: auto;
  font-weight: 700;
}
.formula {
  font-size: 13.5px;
  margin-top: 6px;
  overflow-wrap: anywhere;
}
.working td.right {
  white-space: nowrap;
}
.values {
  color: var(--mute);
  margin: 2px 0 8px;
}
.source {
  font-size: 13px;
  color: var(--mute);
}
.source .text-button {
  margin-left: 6px;
}
</style>
