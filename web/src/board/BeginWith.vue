<script setup lang="ts">
import type { ShopLists } from '@zero-pour/contracts';
import { computed } from 'vue';
import { useShop } from '../state/shopStore';

/** What a shop needs before it can count back, each with a tick once one is there. */
const shop = useShop();
interface Kind {
  kind: keyof ShopLists;
  at: string;
}
interface Step {
  kinds: readonly [Kind, ...Kind[]];
  what: string;
  why: string;
}
const shopAt = (kind: keyof ShopLists): Kind => ({ kind, at: `/shop/${kind}` });
const STEPS: readonly Step[] = [
  { kinds: [shopAt('alloy')], what: 'Your metals', why: 'from the book, with temperatures and shrink' },
  { kinds: [shopAt('flask')], what: 'Your flasks', why: 'inner diameter, height, sprue base' },
  { kinds: [shopAt('powder')], what: 'Your powder', why: 'ratio, working and set time' },
  {
    kinds: [shopAt('kiln'), shopAt('programme')],
    what: 'Your kiln and a programme',
    why: 'so that it can count back',
  },
  {
    kinds: [{ kind: 'resin', at: '/resins' }, shopAt('printer')],
    what: 'Your resin and printer',
    why: 'with the seconds you print at',
  },
];
/** Of a step that needs two things, the way leads to the one that is missing. */
const steps = computed(() =>
  STEPS.map(({ kinds, ...step }) => {
    const missing = kinds.find(({ kind }) => shop.lists[kind].length === 0);
    return { ...step, to: (missing ?? kinds[0]).at, there: missing === undefined };
  }),
);
</script>

<template>
  <section v-if="steps.some(({ there }) => !there)" aria-label="Begin with what you have">
    <h2>{{ steps.some(({ there }) => there) ? 'Begin with what you have' : 'Or one by one' }}</h2>
    <ol>
      <li v-for="step in steps" :key="step.what" :class="{ there: step.there }">
        <router-link :to="step.to">{{ step.what }}</router-link>
        <span class="mute">{{ step.there ? 'there' : step.why }}</span>
      </li>
    </ol>
  </section>
</template>

<style scoped>
h2 {
  border-bottom: 1px solid var(--line2);
  padding-bottom: 4px;
  margin-bottom: 8px;
}
ol {
  padding-left: 22px;
  margin: 0 0 10px;
}
li {
  padding: 4px 0;
}
li .mute {
  margin-left: 6px;
}
.there a {
  color: var(--mute);
}
</style>
