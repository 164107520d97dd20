<script setup lang="ts">
import { heatFlasksSchema } from '@zero-pour/contracts';
import { foreseeHeat, formatQuantity, type ClassRange, type PourWay } from '@zero-pour/core';
import { learnHeat, valueOf, type HeatLesson } from '@zero-pour/plan';
import { computed } from 'vue';
import { useAsked } from '../../api/useAsked';
import { useUnits } from '../../state/unitStore';
import { usePour } from '../../state/usePour';
import HeatBand from './HeatBand.vue';

/** Where the shop's own castings say that flask and metal ought to be, and what this flask would teach. */
const { pour, plan, flask, setInFlask } = usePour();
const units = useUnits();
const temperatures = computed(() => valueOf(flask.value.temperatures));
const { told, notRead } = useAsked(heatFlasksSchema, () => {
  const { alloyId, castClass } = pour.value.doc.brief;
  return alloyId && `/casts/heats?alloyId=${alloyId}&castClass=${castClass}&except=${pour.value.id}`;
});
const shown = (value: number, unit: 'degC' | 'degCSpan' = 'degC'): string =>
  formatQuantity({ value, unit, digits: 0 }, units.choice);
const percent = (share: number): string => `${Math.round(100 * share)} in 100`;
const way = computed(() => flask.value.context.decided.pour.way ?? plan.value.context.settings.pouring?.way);
const castings = computed(() => Math.max(1, flask.value.context.castings));

/* Learnt anew only when what it rests on is another: the plan is made with every letter that is typed. */
const restsOn = computed(() => {
  const t = temperatures.value;
  return t && JSON.stringify({ flask: t.flask, metal: t.metal, way: way.value });
});
const lessons = computed(() => {
  if (!restsOn.value || !told.value) return undefined;
  const { way: poured, ...ranges } = JSON.parse(restsOn.value) as Record<'flask' | 'metal', ClassRange> & { way?: PourWay }; // prettier-ignore
  return {
    flask: learnHeat('flask', told.value, ranges, poured),
    metal: learnHeat('metal', told.value, ranges, poured),
  };
});
const flaskC = computed(() => temperatures.value?.wantedFlaskC ?? 0);
const metalC = computed(() => temperatures.value?.metalC ?? 0);
const foreseen = {
  flask: computed(() => lessons.value && foreseeHeat(lessons.value.flask.window, flaskC.value, castings.value)), // prettier-ignore
  metal: computed(() => lessons.value && foreseeHeat(lessons.value.metal.window, metalC.value, castings.value)), // prettier-ignore
};
const axes = computed(() => {
  const { alloy } = plan.value.context;
  if (!lessons.value || !alloy) return [];
  return (['flask', 'metal'] as const).map((axis) => {
    const lesson = lessons.value![axis];
    const { bestC } = lesson.window;
    return {
      axis,
      name: axis === 'flask' ? 'Flask, at the metal' : 'Metal',
      lesson,
      plannedC: axis === 'flask' ? flaskC.value : metalC.value,
      bestC,
      over: axis === 'metal' ? ` (${shown(bestC - alloy.liquidusC, 'degCSpan')} over liquidus)` : '',
      outcomes: foreseen[axis].value ?? [],
      leftOut: leftOut(lesson),
    };
  });
});
const flasks = (n: number): string => `${n} ${n === 1 ? 'flask' : 'flasks'}`;
function leftOut({ otherWay, otherOff, wayNotSaid }: HeatLesson): string {
  const parts = [
    ...(otherWay > 0 ? [`${flasks(otherWay)} poured another way`] : []),
    ...(otherOff > 0 ? [`${flasks(otherOff)} with the other temperature outside its range`] : []),
  ];
  const out = parts.length > 0 ? `Left out: ${parts.join(', ')}. ` : '';
  return wayNotSaid > 0 ? `${out}How ${flasks(wayNotSaid)} was poured is not told: weighed as a guess.` : out; // prettier-ignore
}
const learnt = computed(() => axes.value.filter(({ lesson }) => lesson.trials.length > 0));
const take = (axis: 'flask' | 'metal', bestC: number): void =>
  setInFlask('pour', axis === 'flask' ? 'flaskTempC' : 'metalTempC', bestC);
</script>

<template>
  <section v-if="temperatures" class="stage-block" aria-label="What your castings say of temperatures">
    <h2>What your castings say of temperatures</h2>
    <p v-if="notRead" role="alert">What the record has of it could not be read: {{ notRead }}</p>
    <p v-else-if="told && learnt.length === 0" class="mute">
      No casting of this metal and class was looked at whose flask or metal was read: nothing is learnt yet,
      and the range is the book’s.
    </p>
    <div v-for="one in learnt" :key="one.axis" class="axis">
      <h3>{{ one.name }}</h3>
      <HeatBand :lesson="one.lesson" :what="one.name" />
      <p>
        <b>Most come out at {{ shown(one.bestC) }}{{ one.over }}</b
        >, by {{ one.lesson.castings }} castings of {{ flasks(one.lesson.trials.length) }}: it fills from
        {{ shown(one.lesson.window.coolEdge.q50C) }} ({{ shown(one.lesson.window.coolEdge.q05C) }} to
        {{ shown(one.lesson.window.coolEdge.q95C) }}) and is sound up to
        {{ shown(one.lesson.window.hotEdge.q50C) }} ({{ shown(one.lesson.window.hotEdge.q05C) }} to
        {{ shown(one.lesson.window.hotEdge.q95C) }}).
        <v-btn v-if="one.bestC !== one.plannedC" size="small" @click="take(one.axis, one.bestC)"
          >Plan {{ shown(one.bestC) }}</v-btn
        >
        <template v-else>It is what is planned.</template>
      </p>
      <p class="mute">
        At {{ shown(one.plannedC) }}, as planned:
        <template v-for="(outcome, n) in one.outcomes" :key="outcome.kind"
          ><template v-if="n > 0">; </template>{{ outcome.kind }} ({{ percent(outcome.chance) }}), then
          {{ shown(outcome.nextC) }} next</template
        >. {{ one.leftOut }}
      </p>
    </div>
    <p v-if="learnt.length > 0" class="mute small">
      ■ some did not fill, ▲ some shrunk or rough, ○ all came out; the dashed frame is the book’s range. Each
      temperature is looked at by itself: what the other was, the vacuum and the gates differ too.
    </p>
  </section>
</template>

<style scoped>
.axis {
  margin-bottom: 14px;
}
.axis h3 {
  margin: 8px 0 2px;
}
.small {
  font-size: 13.5px;
}
</style>
