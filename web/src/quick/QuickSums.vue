<script setup lang="ts">
import {
  CONVERTED,
  curedDensity,
  formatPhrase,
  formatQuantity,
  InputError,
  readSum,
  workOut,
  type Converted,
  type QuickMetal,
  type QuickSum,
  type SumAnswer,
} from '@zero-pour/core';
import { computed, nextTick, onMounted, ref, shallowRef, useTemplateRef, watch } from 'vue';
import NumberList from '../components/NumberList.vue';
import PickRow from '../components/PickRow.vue';
import QuantityField from '../components/QuantityField.vue';
import { useNewPour } from '../state/useNewPour';
import { usePlanningShop } from '../state/planningStore';
import { useShop } from '../state/shopStore';
import { useUnits } from '../state/unitStore';
import { pourFrom } from './pourFrom';
import { QUICK_FORMS, QUICK_KINDS, sumProblem, usualSum } from './quickForms';

/** Sums that need no pour: typed in one line where that is clear, or by a form; the working is always shown. */
const open = defineModel<boolean>({ required: true });
const planning = usePlanningShop();
const shop = useShop();
const units = useUnits();
const newPour = useNewPour();

const line = ref('');
const sum = shallowRef<QuickSum>();
const metals = computed<QuickMetal[]>(() =>
  shop.lists.alloy.map(({ name, densityGPerCm3, lossPercent }) => ({ name, densityGPerCm3, lossPercent })),
);
const names = computed(() => ({
  metals: metals.value,
  // A model on the balance is cured.
  resins: shop.lists.resin.map(({ name, densityGPerMl, curedGPerMl }) => ({
    name,
    densityGPerMl: curedDensity(densityGPerMl, curedGPerMl),
  })),
}));
const read = computed(() => readSum(line.value, names.value));
watch(read, (found) => {
  if (found.status === 'read') sum.value = found.sum;
  // No answer stands under a line that it does not answer.
  else if (line.value.trim() !== '') sum.value = undefined;
});
function pick(kind: QuickSum['kind']): void {
  line.value = '';
  sum.value = usualSum(kind, metals.value[0]);
}

const form = computed(() => sum.value && QUICK_FORMS[sum.value.kind]);
const values = computed(() => (sum.value ?? {}) as unknown as Record<string, number>);
const set = (fields: object): void => {
  if (sum.value) sum.value = { ...sum.value, ...fields };
};
const metalName = computed(() => (sum.value && 'metal' in sum.value ? sum.value.metal.name : undefined));

const answer = computed<SumAnswer | { problem: string } | undefined>(() => {
  if (!sum.value) return undefined;
  try {
    return workOut(sum.value);
  } catch (error) {
    if (error instanceof InputError) return { problem: sumProblem(error.argument) };
    throw error;
  }
});
const rows = computed(() =>
  answer.value && 'lines' in answer.value
    ? answer.value.lines.map(
        (l) => [l.name, 'words' in l ? l.words : formatQuantity(l.quantity, units.choice)] as const,
      )
    : [],
);
const doc = computed(() =>
  sum.value && answer.value && 'lines' in answer.value
    ? pourFrom(sum.value, planning.known, new Date())
    : undefined,
);
function makePour(): void {
  if (!doc.value) return;
  open.value = false;
  void newPour(doc.value);
}
const UNIT_WORDS: Record<Converted, string> = {
  degC: 'temperature',
  g: 'weight',
  mm: 'length',
  kPa: 'vacuum',
};

const field = useTemplateRef<{ focus(): void }>('field');
onMounted(async () => {
  await nextTick();
  field.value?.focus();
});
</script>

<template>
  <v-dialog v-model="open" max-width="880" aria-label="Quick sums" location="top">
    <section class="quick">
      <v-text-field
        ref="field"
        v-model="line"
        label="Quick sum: type it, like “flask 76x102 tree 12 g wax”"
        autocomplete="off"
        :hint="line.trim() !== '' && read.status === 'unclear' ? read.why : ''"
        persistent-hint
      />
      <p v-if="line.trim() !== '' && read.status === 'read'" class="echo" role="status">
        <span v-for="part in read.echo" :key="part">{{ part }}</span>
      </p>
      <div
        v-else-if="line.trim() !== '' && read.status === 'ask'"
        class="ask"
        role="group"
        :aria-label="read.question"
      >
        <b>{{ read.question }}</b>
        <v-btn v-for="other in read.lines" :key="other" size="small" @click="line = other">{{ other }}</v-btn>
      </div>
      <PickRow
        label="Kind of sum"
        :things="
          QUICK_KINDS.map((key) => ({ key, name: QUICK_FORMS[key].title, title: QUICK_FORMS[key].example }))
        "
        :picked="sum?.kind"
        @pick="pick"
      />
      <div v-if="sum && form" class="both">
        <div class="form">
          <p class="mute">
            Or in one line: <code>{{ form.example }}</code>
          </p>
          <v-select
            v-if="metalName !== undefined"
            label="Metal"
            :items="metals.map((m) => m.name)"
            :model-value="metalName"
            no-data-text="No metal yet: add one under Shop."
            @update:model-value="(name: string) => set({ metal: metals.find((m) => m.name === name) })"
          />
          <QuantityField
            v-for="f in form.fields"
            :key="sum.kind + f.key"
            :label="f.label"
            :unit="f.unit"
            v-bind="f.digits === undefined ? {} : { digits: f.digits }"
            :min="f.min"
            :max="f.max"
            required
            :model-value="values[f.key]"
            @update:model-value="(value) => value !== undefined && set({ [f.key]: value })"
          />
          <template v-if="sum.kind === 'units'">
            <v-select
              label="Of"
              :items="CONVERTED.map((unit) => ({ title: UNIT_WORDS[unit], value: unit }))"
              :model-value="sum.unit"
              @update:model-value="(unit: Converted) => set({ unit })"
            />
            <QuantityField
              label="Value"
              :unit="sum.unit"
              :digits="3"
              :min="-100"
              :max="1e6"
              required
              :model-value="sum.value"
              @update:model-value="(value) => value !== undefined && set({ value })"
            />
          </template>
        </div>
        <div class="answer" aria-live="polite">
          <p v-if="answer && 'problem' in answer" role="alert">{{ answer.problem }}</p>
          <template v-else-if="answer">
            <NumberList :rows="rows" lead />
            <p v-for="(step, i) in answer.working" :key="i" class="mute working">
              {{ formatPhrase(step, units.choice) }}
            </p>
            <v-btn v-if="doc" class="mt-3" variant="flat" @click="makePour">Make a pour of it</v-btn>
          </template>
        </div>
      </div>
      <p v-else class="mute none">
        Examples: <code v-for="kind in QUICK_KINDS" :key="kind">{{ QUICK_FORMS[kind].example }}</code>
      </p>
    </section>
  </v-dialog>
</template>

<style scoped>
.echo,
.ask {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
  margin: 12px 0;
}
.echo span {
  padding: 3px 9px;
  background: var(--sheet);
  border-left: 3px solid var(--wax);
}
.quick {
  background: var(--sheet);
  border: 1px solid var(--line2);
  padding: 16px;
  overflow-y: auto;
}
.both {
  display: grid;
  grid-template-columns: 300px minmax(0, 1fr);
  gap: 24px;
}
.form {
  display: grid;
  gap: 10px;
  align-content: start;
}
code {
  font: 13px var(--mono);
}
.working {
  margin-top: 8px;
  font-size: 14px;
}
.none code {
  display: inline-block;
  margin: 4px 14px 0 0;
}
@media (max-width: 700px) {
  .both {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
