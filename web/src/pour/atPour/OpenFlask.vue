<script setup lang="ts">
import { openingsToldSchema, readingValue, type Opened } from '@zero-pour/contracts';
import {
  DIVEST_TOOLS,
  EFFORTS,
  formatPhrase,
  judgeQuench,
  ordersWhenSlow,
  QUENCHES,
  takesNoAcid,
} from '@zero-pour/core';
import { isHardened, learnOpening, planOpening } from '@zero-pour/plan';
import { computed } from 'vue';
import { useAsked } from '../../api/useAsked';
import CautionLine from '../../components/CautionLine.vue';
import ChoiceRow from '../../components/ChoiceRow.vue';
import JudgementList from '../../components/JudgementList.vue';
import { useUnits } from '../../state/unitStore';
import { usePour } from '../../state/usePour';
import PourField from '../PourField.vue';

/** Quench, clearing and pickle of one flask: what will do it, what did it before, and what happened. */
const { plan, flask, flaskAt, inFlask, setInFlask } = usePour();
const units = useUnits();
const doc = computed(() => flask.value.context.decided.pour);
const opened = computed<Opened>(() => doc.value.opened ?? {});
const alloy = computed(() => plan.value.context.alloy);
const advice = computed(() => planOpening(plan.value, flaskAt.value));
const hardened = computed(() => isHardened(plan.value.context));

const { told, notRead } = useAsked(openingsToldSchema, () => {
  const id = plan.value.context.doc.brief.alloyId;
  return id && `/casts/openings?alloyId=${id}`;
});
const learnt = computed(() => told.value && learnOpening(told.value, hardened.value));
const before = computed(() => {
  if (notRead.value) return `What the record has of it could not be read: ${notRead.value}`;
  const { of, tool, minutes, burst, burstOf } = learnt.value ?? { of: 0, burst: 0, burstOf: 0 };
  const mix = hardened.value ? 'with a hardened mix' : 'without a hardener';
  if (of === 0) return `No flask of ${alloy.value?.name ?? 'this metal'} ${mix} is on record as opened.`;
  const parts = [
    ...(tool ? [`most were cleared by ${tool}`] : []),
    ...(minutes === undefined ? [] : [`${minutes} min is the middle`]),
    ...(burstOf > 0 ? [`${burst} of ${burstOf} burst in the water`] : []),
  ];
  return `${of} ${of === 1 ? 'flask' : 'flasks'} of ${alloy.value?.name} ${mix}: ${parts.join(', ') || 'nothing more is told'}.`;
});
const judged = computed(() => {
  const a = alloy.value;
  if (!a) return [];
  return judgeQuench(readingValue(doc.value.quenchAfterMin), a.quenchWaitMin, ordersWhenSlow(a.composition));
});
/** What this metal does not bear, at the place where it matters. */
const minds = computed(() => {
  const composition = alloy.value?.composition ?? {};
  return [
    ...(takesNoAcid(composition)
      ? ['No acid: it eats this metal. Water, a brush and the ultrasonic only.']
      : []),
    ...(ordersWhenSlow(composition)
      ? ['Do not leave it to cool slowly: gold so rich in copper turns brittle. Quench it in its time.']
      : []),
  ];
});
const noAcid = computed(() => takesNoAcid(alloy.value?.composition ?? {}) === true);

function tell(fields: Partial<Opened>): void {
  const next = Object.fromEntries(Object.entries({ ...opened.value, ...fields }).filter(([, v]) => v !== undefined)); // prettier-ignore
  setInFlask('pour', 'opened', Object.keys(next).length > 0 ? (next as Opened) : undefined);
}
</script>

<template>
  <section class="stage-block" aria-label="Open the flask">
    <h2>Open the flask</h2>
    <CautionLine of="quench" />
    <p v-for="mind in minds" :key="mind" class="mind">{{ mind }}</p>
    <p v-if="advice" class="ready">
      <b>Have ready: {{ advice.tool }}.</b> {{ formatPhrase(advice.why, units.choice) }}
      <span v-if="!advice.known" class="mute">The ways into the pieces are not read yet.</span>
    </p>
    <p class="mute">{{ before }}</p>
    <div class="told">
      <span>In the water it</span>
      <ChoiceRow
        label="What the flask did in the water"
        :options="QUENCHES"
        :model-value="opened.quench"
        @choose="(quench) => tell({ quench: opened.quench === quench ? undefined : quench })"
      />
      <span>Cleared by</span>
      <ChoiceRow
        label="Cleared by"
        :options="DIVEST_TOOLS"
        :model-value="opened.tool"
        @choose="(tool) => tell({ tool: opened.tool === tool ? undefined : tool })"
      />
      <span>It was</span>
      <ChoiceRow
        label="How hard it was to clear"
        :options="EFFORTS"
        :model-value="opened.effort"
        @choose="(effort) => tell({ effort: opened.effort === effort ? undefined : effort })"
      />
    </div>
    <p v-if="opened.quench === 'nothing'" class="mute">
      Kept as evidence: a hardened mix, a cool flask or a metal that melts low does not burst.
    </p>
    <div class="form-grid readings">
      <PourField :at="inFlask('pour', 'quenchAfterMin')" />
      <PourField :at="inFlask('pour', 'opened', 'minutes')" />
      <PourField v-if="!noAcid" :at="inFlask('pour', 'opened', 'pickleMin')" />
    </div>
    <JudgementList :judgements="judged" />
  </section>
</template>

<style scoped>
.ready {
  margin: 10px 0 4px;
}
.told {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 8px 14px;
  align-items: center;
  margin: 10px 0;
}
.mind {
  padding: 6px 12px;
  border-left: 4px solid var(--oxide);
  background: var(--sheet);
  font-weight: 600;
}
.readings {
  grid-template-columns: repeat(auto-fill, minmax(270px, 1fr));
}
@media (max-width: 700px) {
  .told {
    grid-template-columns: 1fr;
  }
}
</style>
