<script setup lang="ts">
import type { Alloy } from '@zero-pour/contracts';
import { said } from '../components/said';
import QuantityField from '../components/QuantityField.vue';
import CompositionFields from './CompositionFields.vue';

/** Flask and metal temperatures by class, and the waits before the flask is opened. */
const props = defineProps<{ alloy: Alloy }>();
const emit = defineEmits<{ change: [alloy: Alloy] }>();
const CLASSES = ['filigree', 'standard', 'heavy'] as const;
const ENDS = [
  ['lowC', 'from'],
  ['highC', 'to'],
] as const;

function setRange(
  of: 'flask' | 'metal',
  cls: (typeof CLASSES)[number],
  end: 'lowC' | 'highC',
  value: number | undefined,
): void {
  if (value === undefined) return;
  const ranges = props.alloy[of];
  emit('change', { ...props.alloy, [of]: { ...ranges, [cls]: { ...ranges[cls], [end]: value } } });
}
function setWait(end: 'least' | 'most', value: number | undefined): void {
  if (value !== undefined)
    emit('change', { ...props.alloy, quenchWaitMin: { ...props.alloy.quenchWaitMin, [end]: value } });
}
</script>

<template>
  <section class="stage-block">
    <h2>Temperatures at the pour</h2>
    <table class="plain">
      <thead>
        <tr>
          <th>Class</th>
          <th colspan="2">Flask</th>
          <th colspan="2">Metal</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="cls in CLASSES" :key="cls">
          <td>{{ cls }}</td>
          <template v-for="of in ['flask', 'metal'] as const" :key="of">
            <td v-for="[end, word] in ENDS" :key="end">
              <QuantityField
                v-bind="said('alloy', of, cls, end)"
                :label="`${of} ${word}`"
                required
                :model-value="alloy[of][cls][end]"
                @update:model-value="(value) => setRange(of, cls, end, value)"
              />
            </td>
          </template>
        </tr>
      </tbody>
    </table>
    <div class="form-grid mt-4">
      <QuantityField
        v-bind="said('alloy', 'quenchWaitMin', 'least')"
        required
        :model-value="alloy.quenchWaitMin.least"
        @update:model-value="(m) => setWait('least', m)"
      />
      <QuantityField
        v-bind="said('alloy', 'quenchWaitMin', 'most')"
        required
        :model-value="alloy.quenchWaitMin.most"
        @update:model-value="(m) => setWait('most', m)"
      />
    </div>
    <p class="mute mt-3">Book values: the alloy's own sheet and your record come before them.</p>
  </section>
  <CompositionFields :alloy="alloy" @change="(changed) => emit('change', changed)" />
</template>
