<script setup lang="ts">
import type { Pouring } from '@zero-pour/contracts';
import { FILL_LIMITS, formatQuantity, type OfferedGate } from '@zero-pour/core';
import { fillJob } from '@zero-pour/jobs';
import { valueOf, type PartGates } from '@zero-pour/plan';
import { computed, watch } from 'vue';
import JudgementList from '../../components/JudgementList.vue';
import { useJob } from '../../jobs';
import { ColourLegend } from '../../pattern';
import { PouringChoice } from '../../shop';
import { useNotices } from '../../state/notices';
import { useShop } from '../../state/shopStore';
import { useUnits } from '../../state/unitStore';
import { usePour } from '../../state/usePour';
import { FILL_RAMP } from './useFillColours';

/** Whether the part fills: how the shop pours, the temperatures of its flask, and what would mend it. */
const props = defineProps<{ entry: PartGates }>();
const emit = defineEmits<{ addGate: [gate: OfferedGate] }>();
const coloured = defineModel<boolean>('coloured', { required: true });
const { pour, plan, set } = usePour();
const shop = useShop();
const units = useUnits();
const notices = useNotices();
const fill = computed(() => props.entry.fill);

/* The same reading that the plan judges the filling by. */
const { state, ask } = useJob(fillJob, { waitMs: 60, resident: true });
watch(
  () => fill.value.wish,
  (wish) => wish && ask(wish),
  { immediate: true },
);

const keepPouring = (pouring: Pouring): void =>
  void shop.keepSettings({ ...shop.settings, pouring }).catch((error: unknown) => notices.wrong(error));

const temperatures = computed(() => {
  const flask = plan.value.flasks.find(({ context }) => context.decided.key === fill.value.flaskKey);
  return flask && valueOf(flask.temperatures);
});
const FIELDS = { flask: 'flaskTempC', metal: 'metalTempC' } as const;
const setTemp = (of: keyof typeof FIELDS, tempC: number): void =>
  set(['flasks', fill.value.flaskKey, 'pour', FIELDS[of]], tempC);
const poured = computed(() => pour.value.used !== undefined);
const degrees = (value: number): string => formatQuantity({ value, unit: 'degC' }, units.choice);
/** A slider reaches from well under the range to what would be offered. */
const sliders = computed(() => {
  const now = temperatures.value;
  const wish = fill.value.wish;
  if (!now || !wish) return [];
  return [
    {
      of: 'flask',
      name: 'Flask',
      value: now.flaskC,
      from: 20 * Math.floor((now.flask.lowC - 100) / 20),
      to: wish.hottest.flaskC,
    },
    {
      of: 'metal',
      name: 'Metal',
      value: now.metalC,
      from: 5 * Math.ceil(wish.heat.liquidusC / 5),
      to: wish.hottest.metalC,
    },
  ] as const;
});
const offers = computed(() => fill.value.reading?.offers);
</script>

<template>
  <section class="stage-block">
    <h2>Does it fill?</h2>
    <template v-if="!shop.settings.pouring">
      <p class="mb-2">How does the shop pour? It is asked once, and stands under Shop.</p>
      <PouringChoice :pouring="undefined" @change="keepPouring" />
    </template>
    <JudgementList :judgements="fill.judgements" />
    <div v-if="sliders.length > 0" class="sliders">
      <v-slider
        v-for="slider in sliders"
        :key="slider.of"
        :label="slider.name"
        :model-value="slider.value"
        :min="slider.from"
        :max="slider.to"
        :step="5"
        :disabled="poured"
        hide-details
        color="primary"
        @update:model-value="(tempC) => setTemp(slider.of, tempC)"
      >
        <template #append
          ><b class="num degrees">{{ degrees(slider.value) }}</b></template
        >
      </v-slider>
    </div>
    <div v-if="fill.wish" class="acts">
      <v-btn size="small" :aria-pressed="coloured" @click="coloured = !coloured">
        {{ coloured ? 'Colours off' : 'Colour the part by filling' }}
      </v-btn>
      <template v-if="offers && !poured">
        <v-btn v-if="offers.flaskC !== null" size="small" @click="setTemp('flask', offers.flaskC)">
          Flask at {{ degrees(offers.flaskC) }}
        </v-btn>
        <v-btn v-if="offers.metalC !== null" size="small" @click="setTemp('metal', offers.metalC)">
          Metal at {{ degrees(offers.metalC) }}
        </v-btn>
        <v-btn v-if="offers.gate" size="small" @click="emit('addGate', offers.gate)">
          Add the gate there
        </v-btn>
      </template>
      <span v-if="state.status === 'working'" role="status" class="mute">Following the metal …</span>
      <span v-if="state.status === 'failed'" role="alert">{{ state.sentence }}</span>
      <ColourLegend
        v-if="coloured"
        class="legend"
        title="time it has ÷ time it needs"
        :ramp="FILL_RAMP"
        :from="0"
        :to="3 * FILL_LIMITS.good"
        :show="(value) => String(value)"
      />
    </div>
  </section>
</template>

<style scoped>
.sliders {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(300px, 1fr));
  gap: 6px 24px;
  margin: 14px 0 12px;
}
.degrees {
  min-width: 66px;
  text-align: right;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 12px;
}
.legend {
  margin-left: auto;
}
</style>
