<script setup lang="ts">
import type { PrintFaultKey } from '@zero-pour/core';
import { explainPrint, type ExplainedFault } from '@zero-pour/plan';
import { computed } from 'vue';
import { usePour } from '../../state/usePour';
import WhyBlock from '../why/WhyBlock.vue';

/** Why pieces failed: causes with what this print's record says for and against, and one thing to change. */
const { pour, plan, set } = usePour();
const faults = computed(() => explainPrint(plan.value.context));
const keyOf = ({ fault }: ExplainedFault): PrintFaultKey => fault.key as PrintFaultKey;
</script>

<template>
  <WhyBlock
    v-for="of in faults"
    :key="of.fault.key"
    :of="of"
    :said="pour.doc.print.why?.[keyOf(of)]"
    @say="(said) => set(['print', 'why', keyOf(of)], said)"
  />
</template>
