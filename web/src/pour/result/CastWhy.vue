<script setup lang="ts">
import { castLessonsSchema } from '@zero-pour/contracts';
import type { FlawKind } from '@zero-pour/core';
import { comesFrom, explainCast, setsByItself, tryChange, type ExplainedFault } from '@zero-pour/plan';
import { computed } from 'vue';
import { useAsked } from '../../api/useAsked';
import { useNewPour } from '../../state/useNewPour';
import { useShop } from '../../state/shopStore';
import { usePour } from '../../state/usePour';
import WhyBlock from '../why/WhyBlock.vue';

/** Why castings have their flaws, with what other pours found, and the one change as the next pour. */
const { pour, plan, set } = usePour();
const newPour = useNewPour();
const hasFlaws = computed(() =>
  Object.values(pour.value.doc.result.castings).some(({ flaws }) => flaws.length > 0),
);
const { told: lessons, notRead } = useAsked(castLessonsSchema, () =>
  hasFlaws.value ? `/casts/lessons?except=${pour.value.id}` : undefined,
);
const faults = computed(() => explainCast(plan.value, lessons.value ?? {}));
const shop = useShop();
/** Shops that told something of a flaw that stands here: of another flaw the book alone begins. */
const others = computed(() =>
  (shop.settings.causeTables ?? [])
    .filter(({ told }) => told.some(({ flaw }) => faults.value.some(({ fault }) => fault.key === flaw)))
    .map(({ from }) => from)
    .join(', '),
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
  <p v-if="hasFlaws && others" class="mute mt-2">
    Odds begin with what {{ others }} found, in place of the book’s alone, and go on with yours.
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
