<script setup lang="ts">
import type { Programme } from '@zero-pour/contracts';
import type { FlaskHeat, Segment } from '@zero-pour/core';
import { flaskToHeat, planMakers, type BurnoutPlan, type PourPlan } from '@zero-pour/plan';
import { computed } from 'vue';
import CompareProgramme from './CompareProgramme.vue';
import FindProgramme from './FindProgramme.vue';
import MakersProgrammes from './MakersProgrammes.vue';

/** Other programmes for this flask: what the makers prescribe, what the model finds, and any of the shop's beside it. */
const props = defineProps<{
  context: PourPlan['context'];
  burnout: BurnoutPlan;
  heat: FlaskHeat | undefined;
  wish: InstanceType<typeof FindProgramme>['$props']['wish'];
  programmes: readonly Programme[];
  moves: (moreH: number) => string;
  poured: boolean;
  /** When the flask went in, or is to, and when it is to be poured; ms. */
  between: { kilnIn: number; zero: number } | undefined;
}>();
const emit = defineEmits<{ take: [segments: readonly Segment[]] }>();
const makers = computed(() => planMakers(props.context));
const flask = computed(() => flaskToHeat(props.context)?.input);
const others = computed(() =>
  props.programmes.filter(({ id }) => id !== props.context.doc.burnout.programmeId),
);
</script>

<template>
  <MakersProgrammes :makers="makers" :readonly="poured" @take="(segments) => emit('take', segments)" />
  <FindProgramme
    v-if="!poured && !burnout.lasts"
    :burnout="burnout"
    :heat="heat"
    :wish="wish"
    :kiln="context.kiln"
    :loaded-at-c="context.doc.burnout.loadedAtC"
    :between="between"
    :moves="moves"
    @take="(segments) => emit('take', segments)"
  />
  <CompareProgramme
    v-if="flask && context.kiln"
    :burnout="burnout"
    :heat="heat"
    :flask="flask"
    :kiln="context.kiln"
    :programmes="others"
    :loaded-at-c="context.doc.burnout.loadedAtC"
  />
</template>
