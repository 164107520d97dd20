<script setup lang="ts">
import type { WhySaid } from '@zero-pour/contracts';
import { formatPhrase, howToKnow, OTHER } from '@zero-pour/core';
import type { ExplainedFault } from '@zero-pour/plan';
import { computed } from 'vue';
import { useUnits } from '../../state/unitStore';

/** Why: causes of one fault with what the record says for and against, and one thing to change. */
const props = defineProps<{ of: ExplainedFault; said: WhySaid | undefined }>();
const emit = defineEmits<{ say: [said: WhySaid] }>();
/** What is offered beside the change. */
defineSlots<{ change?(): unknown }>();
const units = useUnits();

function confirm(key: string): void {
  const confirmed = props.said?.confirmed === key ? {} : { confirmed: key };
  emit('say', { ruledOut: props.said?.ruledOut ?? [], chances: props.of.byEvidence, ...confirmed });
}
function ruleOut(key: string): void {
  const { ruledOut = [], ...said } = props.said ?? {};
  const next = ruledOut.includes(key) ? ruledOut.filter((other) => other !== key) : [...ruledOut, key];
  emit('say', { ...said, chances: props.of.byEvidence, ruledOut: next });
}
/** In the middle of a sentence: only its first letter, units stay as they are. */
const lowered = (words: string): string => words.charAt(0).toLowerCase() + words.slice(1);
const inHundred = (chance: number): number => Math.round(100 * chance);
const nameOf = (key: string): string => props.of.ranked.find((c) => c.key === key)?.name ?? key;

/** Missing signs that are known next time by the same act are told once. */
const rows = computed(() =>
  props.of.ranked.map((cause) => {
    const byAct = new Map<string, string[]>();
    for (const sign of cause.missing) {
      const act = howToKnow(sign) ?? '';
      byAct.set(act, [...(byAct.get(act) ?? []), sign]);
    }
    return { ...cause, missing: [...byAct].map(([act, signs]) => ({ act, signs: signs.join(', ') })) };
  }),
);
</script>

<template>
  <section class="stage-block" :aria-label="`Why: ${of.fault.name}`">
    <h2>Why: {{ lowered(of.fault.name) }} ({{ of.pieces.map(({ name }) => name).join(', ') }})</h2>
    <ol>
      <li v-for="cause in rows" :key="cause.key" :class="{ on: cause.key === of.confirmed }">
        <span class="num chance">{{ inHundred(cause.chance) }} in 100</span>
        <span>
          <b class="name">{{ cause.name }}</b>
          <span v-if="of.foundBefore[cause.key]" class="sign mute">
            found here
            {{ of.foundBefore[cause.key] === 1 ? 'once' : `${of.foundBefore[cause.key]} times` }} before
          </span>
          <span v-for="(sign, i) in cause.signs" :key="i" class="sign">
            {{ sign.z > 0 ? 'for:' : 'against:' }} {{ formatPhrase(sign.says, units.choice) }}
          </span>
          <span v-for="one in cause.missing" :key="one.act" class="sign mute"
            >not known: {{ one.signs }}{{ one.act ? `; ${one.act}` : '' }}</span
          >
        </span>
        <span v-if="cause.key !== OTHER" class="say">
          <button
            type="button"
            class="text-button"
            :aria-pressed="cause.key === of.confirmed"
            @click="confirm(cause.key)"
          >
            {{ cause.key === of.confirmed ? 'it was this' : 'it was' }}
          </button>
          <button type="button" class="text-button" @click="ruleOut(cause.key)">
            {{ said?.ruledOut.includes(cause.key) ? 'may be, after all' : 'it was not' }}
          </button>
        </span>
      </li>
    </ol>
    <div v-if="of.change" class="try">
      <p>
        <b>Change one thing: {{ lowered(of.change.change.words) }}.</b>
        If it comes again ({{ inHundred(of.change.recursIf[0]) }} in 100 if
        {{ nameOf(of.change.between[0]) }}, {{ inHundred(of.change.recursIf[1]) }} if
        {{ nameOf(of.change.between[1]) }}), you know more.
      </p>
      <slot name="change" />
    </div>
  </section>
</template>

<style scoped>
ol {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: 92px minmax(0, 1fr) auto;
  gap: 4px 12px;
  padding: 7px 0;
  border-top: 1px solid var(--line);
}
.on {
  background: var(--wax2);
}
.chance {
  text-align: right;
}
.name {
  display: block;
}
.name::first-letter {
  text-transform: capitalize;
}
.sign {
  display: block;
  font-size: 14px;
}
.say {
  display: flex;
  gap: 12px;
  align-items: start;
}
.try {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: center;
  justify-content: space-between;
  margin-top: 10px;
  padding: 8px 12px;
  border-left: 4px solid var(--wax);
  background: var(--sheet);
}
.try p {
  flex: 1 1 380px;
  margin: 0;
}
@media (max-width: 700px) {
  li {
    grid-template-columns: minmax(0, 1fr);
  }
  .chance {
    text-align: left;
  }
}
</style>
