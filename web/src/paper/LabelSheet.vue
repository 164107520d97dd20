<script setup lang="ts">
import { formatQuantity } from '@zero-pour/core';
import { castPieces, pourTitle, valueOf } from '@zero-pour/plan';
import { computed } from 'vue';
import CodePicture from '../components/CodePicture.vue';
import PaperPage from '../components/PaperPage.vue';
import { useScanAddress } from '../network';
import { providePour } from '../state/usePour';
import { useUnits } from '../state/unitStore';
import { formatMoment } from '../time/formatMoment';

/** Tags for the flasks of a pour and labels for the bags of its castings, to be cut out; a scanned code opens the pour. */
const props = defineProps<{ id: string }>();
const { pour, plan } = providePour(() => props.id);
const units = useUnits();
const { addressOf, opensHereOnly } = useScanAddress();
/** One page holds so many labels of bags beside the tags. */
const BAGS_MOST = 12;

const context = computed(() => plan.value.context);
const zero = computed(() => valueOf(plan.value.times)?.zero);
const metal = computed(() => context.value.alloy?.name ?? 'metal not chosen');
const code = computed(() => addressOf(`/p/${pour.value.number}`));
const tags = computed(() =>
  plan.value.flasks.map(({ context: { decided, flask }, temperatures }, i) => {
    const heat = valueOf(temperatures);
    return {
      key: decided.key,
      name: plan.value.flasks.length > 1 ? `Flask ${i + 1} of ${plan.value.flasks.length}` : 'Flask',
      size: flask?.name ?? 'flask not chosen',
      heat: heat ? `cast at ${formatQuantity({ value: heat.flaskC, unit: 'degC' }, units.choice)}` : '',
      place: decided.kilnPlace ?? '',
    };
  }),
);
/** A bag for each line of the brief. */
const bags = computed(() => {
  const pieces = castPieces(context.value);
  return context.value.parts.slice(0, BAGS_MOST).map(({ key, pattern }) => ({
    key,
    name: pattern.name,
    count: pieces.filter(({ line }) => line === key).length,
    order: context.value.doc.brief.lines.find((line) => line.key === key)?.order,
  }));
});
</script>

<template>
  <PaperPage :back="`/pours/${id}`" back-words="Back to the pour">
    <p v-if="opensHereOnly" class="no-print hint">
      These codes lead to this machine only. For a phone,
      <router-link to="/shop/network">open the shop to its network</router-link>
      first.
    </p>
    <h1 class="visually-hidden">Labels of pour {{ pour.number }}</h1>
    <div class="labels">
      <section v-for="tag in tags" :key="tag.key" class="label tag" :aria-label="tag.name">
        <CodePicture :text="code" :label="`Code that opens pour ${pour.number}`" class="code" />
        <div>
          <p class="number num">{{ pour.number }}</p>
          <p>
            <b>{{ tag.name }}</b> {{ tag.size }} <template v-if="tag.place">· {{ tag.place }}</template>
          </p>
          <p>{{ metal }} · {{ tag.heat }}</p>
          <p v-if="zero !== undefined" class="num">
            zero {{ formatMoment(zero, Date.parse(pour.createdAt)) }}
          </p>
          <p class="mute">{{ pourTitle(context) }}</p>
        </div>
      </section>
      <section v-for="bag in bags" :key="bag.key" class="label" :aria-label="`Bag of ${bag.name}`">
        <CodePicture :text="code" :label="`Code that opens pour ${pour.number}`" class="code" />
        <div>
          <p class="number num">{{ pour.number }}</p>
          <p>
            <b>{{ bag.name }}</b> ×{{ bag.count }}
          </p>
          <p>{{ metal }}</p>
          <p v-if="bag.order">{{ bag.order }}</p>
          <p>good ____ mend ____ scrap ____</p>
        </div>
      </section>
    </div>
    <p v-if="context.parts.length > BAGS_MOST" class="no-print hint">
      {{ context.parts.length - BAGS_MOST }} more lines of the brief find no room on this page.
    </p>
  </PaperPage>
</template>

<style scoped>
.hint {
  margin-bottom: 12px;
  padding: 8px 12px;
  border-left: 4px solid var(--amber);
  background: var(--amber-tint);
}
.labels {
  display: grid;
  grid-template-columns: 1fr 1fr;
}
.label {
  display: grid;
  grid-template-columns: 104px minmax(0, 1fr);
  gap: 12px;
  padding: 12px;
  border: 1px dashed var(--line2);
  break-inside: avoid;
}
.number {
  font-size: 30px;
  font-weight: 700;
  line-height: 1;
}
.tag .number {
  font-size: 44px;
}
.code {
  width: 104px;
}
@media (max-width: 600px) {
  .labels {
    grid-template-columns: 1fr;
  }
}
@media print {
  .labels {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
