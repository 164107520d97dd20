<script setup lang="ts">
import { formatPhrase, howToKnow, OTHER, type PrintFaultKey } from '@zero-pour/core';
import { explainPrint, type ExplainedFault } from '@zero-pour/plan';
import { computed } from 'vue';
import { useUnits } from '../../state/unitStore';
import { usePour } from '../../state/usePour';

/** Why pieces failed: causes with what this print's record says for and against, and one thing to change. */
const { pour, plan, set } = usePour();
const units = useUnits();
const faults = computed(() => explainPrint(plan.value.context));
const keyOf = ({ fault }: ExplainedFault): PrintFaultKey => fault.key as PrintFaultKey;
const saidOf = (of: ExplainedFault) => pour.value.doc.print.why?.[keyOf(of)];

function confirm(of: ExplainedFault, key: string): void {
  const said = saidOf(of);
  const confirmed = said?.confirmed === key ? {} : { confirmed: key };
  set(['print', 'why', keyOf(of)], { ruledOut: said?.ruledOut ?? [], chances: of.byEvidence, ...confirmed });
}
function ruleOut(of: ExplainedFault, key: string): void {
  const { ruledOut = [], ...said } = saidOf(of) ?? {};
  const next = ruledOut.includes(key) ? ruledOut.filter((other) => other !== key) : [...ruledOut, key];
  set(['print', 'why', keyOf(of)], { ...said, chances: of.byEvidence, ruledOut: next });
}
const inHundred = (chance: number): number => Math.round(100 * chance);
const nameIn = (of: ExplainedFault, key: string): string => of.ranked.find((c) => c.key === key)?.name ?? key;
</script>

<template>
  <section v-for="of in faults" :key="of.fault.key" class="stage-block" :aria-label="`Why: ${of.fault.name}`">
    <h2>Why: {{ of.fault.name.toLowerCase() }} ({{ of.pieces.map(({ name }) => name).join(', ') }})</h2>
    <ol>
      <li v-for="cause in of.ranked" :key="cause.key" :class="{ on: cause.key === of.confirmed }">
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
          <span v-for="missing in cause.missing" :key="missing" class="sign mute"
            >not known: {{ missing }}{{ howToKnow(missing) ? `; ${howToKnow(missing)}` : '' }}</span
          >
        </span>
        <span v-if="cause.key !== OTHER" class="say">
          <button
            type="button"
            class="text-button"
            :aria-pressed="cause.key === of.confirmed"
            @click="confirm(of, cause.key)"
          >
            {{ cause.key === of.confirmed ? 'it was this' : 'it was' }}
          </button>
          <button type="button" class="text-button" @click="ruleOut(of, cause.key)">
            {{ saidOf(of)?.ruledOut.includes(cause.key) ? 'may be, after all' : 'it was not' }}
          </button>
        </span>
      </li>
    </ol>
    <p v-if="of.change" class="try">
      <b>Change one thing: {{ of.change.change.words.toLowerCase() }}.</b>
      If it comes again ({{ inHundred(of.change.recursIf[0]) }} in 100 if
      {{ nameIn(of, of.change.between[0]) }}, {{ inHundred(of.change.recursIf[1]) }} if
      {{ nameIn(of, of.change.between[1]) }}), you know more.
    </p>
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
  margin-top: 10px;
  padding: 8px 12px;
  border-left: 4px solid var(--wax);
  background: var(--sheet);
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
