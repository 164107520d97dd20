<script setup lang="ts">
import { formatNumber, formatQuantity, RING_SYSTEM_NAMES, type StageKey } from '@zero-pour/core';
import { valueOf } from '@zero-pour/plan';
import { computed } from 'vue';
import FigureValue from '../../components/FigureValue.vue';
import PlannedNote from '../../components/PlannedNote.vue';
import QuantityField from '../../components/QuantityField.vue';
import { useUnits } from '../../state/unitStore';
import { usePour } from '../../state/usePour';
import StageHead from '../StageHead.vue';

const emit = defineEmits<{ goTo: [stage: StageKey] }>();
const { pour, plan, set } = usePour();
const units = useUnits();
const scale = computed(() => valueOf(plan.value.scale));
const own = computed(() => pour.value.doc.scale);
const hold = computed(() => pour.value.doc.brief.holdSize);
const FIELDS = ['resinPercent', 'investmentPercent', 'metalPercent'] as const;
const signed = (percent: number): string => `${percent > 0 ? '+' : ''}${formatNumber(percent, 2)} %`;
</script>

<template>
  <StageHead stage="scale" title="Scale" line="how much bigger to print, to finish at size" can-leave>
    <v-btn-toggle
      :model-value="own.way"
      aria-label="Way of scaling"
      @update:model-value="(way) => set(['scale', 'way'], way)"
    >
      <v-btn value="chain">Step by step</v-btn>
      <v-btn value="percent">One percent</v-btn>
    </v-btn-toggle>
  </StageHead>

  <div v-if="scale" class="answer">
    <div>
      <span class="mute">Print at</span>
      <FigureValue :figure="scale.percent" class="big" @go-to="(s) => emit('goTo', s)" />
    </div>
    <div v-if="scale.printMm && hold">
      <span class="mute"
        >{{ hold.surface === 'inner' ? 'Bore' : 'Size' }}
        {{ formatQuantity({ value: hold.mm, unit: 'mm' }, units.choice) }} is printed as</span
      >
      <FigureValue :figure="scale.printMm" class="big" @go-to="(s) => emit('goTo', s)" />
    </div>
  </div>
  <PlannedNote :planned="plan.scale" @go-to="(s) => emit('goTo', s)" />
  <p v-if="scale && !hold && own.way === 'chain'" class="mute">
    No size is to be held: this makes up for shrinkage alone.
    <button type="button" class="text-button" @click="emit('goTo', 'brief')">Set one in the brief</button>
  </p>

  <section v-if="own.way === 'percent'" class="stage-block">
    <h2>The shop's one number</h2>
    <div class="form-grid">
      <QuantityField
        label="Print at"
        unit="percent"
        :digits="3"
        :model-value="own.percent"
        :min="50"
        :max="200"
        hint="101.23 means 1.23 % larger"
        @update:model-value="(p) => set(['scale', 'percent'], p)"
      />
    </div>
  </section>

  <section v-else-if="scale" class="stage-block">
    <h2>The chain, each step's share</h2>
    <table class="plain">
      <thead>
        <tr>
          <th>Step</th>
          <th class="right">Changes size by</th>
          <th>From</th>
          <th>Your own</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(step, i) in scale.steps" :key="step.symbol">
          <td>{{ step.name }}</td>
          <td class="num right">{{ signed(step.value) }}</td>
          <td class="mute">{{ step.source }}</td>
          <td class="own">
            <QuantityField
              label="Percent"
              unit="percent"
              :digits="3"
              :model-value="own[FIELDS[i] ?? 'resinPercent']"
              :min="-20"
              :max="20"
              @update:model-value="(p) => set(['scale', FIELDS[i] ?? 'resinPercent'], p)"
            />
          </td>
        </tr>
      </tbody>
    </table>
    <div v-if="hold" class="form-grid mt-4">
      <QuantityField
        label="Skin removed by finishing, a surface"
        unit="mm"
        :digits="3"
        :model-value="own.skinMm"
        :max="2"
        :standard="pour.doc.brief.finish === 'full' || pour.doc.brief.finish === 'one face' ? 0.05 : 0"
        standard-from="book, by the finish"
        @update:model-value="(a) => set(['scale', 'skinMm'], a)"
      />
      <QuantityField
        label="Printing adds, each size"
        unit="mm"
        :digits="3"
        :model-value="own.printAddsMm"
        :min="-1"
        :max="1"
        :standard="plan.context.profile?.printAddsMm ?? 0"
        :standard-from="
          (plan.context.profile?.printAddsMm ?? null) === null
            ? '0 until you have measured'
            : 'measured on this profile’s coupons'
        "
        @update:model-value="(b) => set(['scale', 'printAddsMm'], b)"
      />
    </div>
    <p v-if="hold" class="mute mt-3">
      A percent sets the held size right. Skin and bleed are fixed amounts: thin walls and bores move opposite
      ways, so other sizes come out a little off.
    </p>
  </section>

  <section v-if="scale && scale.ringSizes.length > 0" class="stage-block">
    <h2>This bore in every ring-size system</h2>
    <table class="plain">
      <tbody>
        <tr v-for="name in scale.ringSizes" :key="name.system">
          <td>{{ RING_SYSTEM_NAMES[name.system] }}</td>
          <td class="num right size">{{ name.size }}</td>
          <td class="mute">
            {{
              Math.abs(name.offMm) < 0.005
                ? 'exactly'
                : `its bore is ${formatQuantity({ value: Math.abs(name.offMm), unit: 'mm' }, units.choice)} ${name.offMm > 0 ? 'larger' : 'smaller'}`
            }}
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
.answer {
  display: flex;
  flex-wrap: wrap;
  gap: 12px 48px;
  margin-bottom: 8px;
}
.answer span {
  display: block;
  font-size: 14px;
}
.answer :deep(.big) {
  font-size: 30px;
  font-weight: 700;
  font-variant-numeric: tabular-nums;
}
.own {
  width: 150px;
}
.size {
  width: 90px;
  padding-right: 20px !important;
}
</style>
