<script setup lang="ts">
import { castLessonsSchema, type CastLessons } from '@zero-pour/contracts';
import type { FlawKind } from '@zero-pour/core';
import { comesFrom, explainCast, setsByItself, tryChange, type ExplainedFault } from '@zero-pour/plan';
import { computed, shallowRef, watch } from 'vue';
import { request, sentenceOf } from '../../api/request';
import { useNewPour } from '../../state/useNewPour';
import { usePour } from '../../state/usePour';
import WhyBlock from '../why/WhyBlock.vue';

/** Why castings have their flaws, with what other pours found, and the one change as the next pour. */
const { pour, plan, set } = usePour();
const newPour = useNewPour();
const lessons = shallowRef<CastLessons>();
const notRead = shallowRef('');
const faults = computed(() => explainCast(plan.value, lessons.value ?? {}));
const hasFlaws = computed(() => faults.value.length > 0);
watch(
  [() => pour.value.id, hasFlaws],
  async ([id, has]) => {
    lessons.value = undefined;
    notRead.value = '';
    if (!has) return;
    try {
      const read = await request(castLessonsSchema, 'GET', `/casts/lessons?except=${id}`);
      if (id === pour.value.id) lessons.value = read;
    } catch (error) {
      notRead.value = sentenceOf(error);
    }
  },
  { immediate: true },
);
const keyOf = ({ fault }: ExplainedFault): FlawKind => fault.key as FlawKind;

function goOn(of: ExplainedFault): void {
  const doc = tryChange(pour.value, plan.value, of);
  if (doc) void newPour(doc);
}
/** A flaw that comes from the print leads there. */
const STAGES = { print: 'Print', clean: 'Clean' } as const;
const earlier = computed(() =>
  faults.value.flatMap((of) => {
    const stage = comesFrom(of);
    return stage ? [{ name: of.fault.name, stage }] : [];
  }),
);
</script>

<template>
  <WhyBlock
    v-for="of in faults"
    :key="of.fault.key"
    :of="of"
    :said="pour.doc.result.why?.[keyOf(of)]"
    @say="(said) => set(['result', 'why', keyOf(of)], said)"
  >
    <template #change>
      <span class="next">
        <span v-if="of.change && setsByItself(of.change.change.key)" class="mute"
          >sets the plan’s number</span
        >
        <v-btn variant="flat" @click="goOn(of)">Try it in the next pour</v-btn>
      </span>
    </template>
  </WhyBlock>
  <p v-for="{ name, stage } in earlier" :key="name" class="mute">
    {{ name }}: the likeliest cause lies before the flask.
    <router-link :to="`/pours/${pour.id}/${stage}`">What {{ STAGES[stage] }} has of it</router-link>
  </p>
  <p v-if="hasFlaws && notRead" role="alert">What other pours found could not be read: {{ notRead }}</p>
  <p v-else-if="hasFlaws && !lessons" class="mute" role="status">What other pours found is being read …</p>
</template>

<style scoped>
.next {
  display: flex;
  gap: 12px;
  align-items: center;
}
</style>
