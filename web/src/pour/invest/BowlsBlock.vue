<script setup lang="ts">
import { formatQuantity, type StageKey } from '@zero-pour/core';
import type { BowlPlan, MixPlan } from '@zero-pour/plan';
import { computed } from 'vue';
import FigureValue from '../../components/FigureValue.vue';
import { useUnits } from '../../state/unitStore';
import { usePour } from '../../state/usePour';
import { clockTime } from '../../time/shopClock';
import PourField from '../PourField.vue';
import { beginNextBowl } from './nextBowl';

/** What each bowl takes, which flasks it fills in which order, and how large it must be. */
const props = defineProps<{ mix: MixPlan }>();
const emit = defineEmits<{ goTo: [stage: StageKey] }>();
const handle = usePour();
const { pour, plan } = handle;
const units = useUnits();
const invest = computed(() => pour.value.doc.invest);
const several = computed(() => plan.value.flasks.length > 1);
const ml = (value: number): string => formatQuantity({ value, unit: 'ml', digits: 0 }, units.choice);
const minutes = (value: number): string => `${Math.floor(value)}:${String(Math.round((value % 1) * 60)).padStart(2, '0')}`; // prettier-ignore
const boil = (bowl: BowlPlan): string => `${ml(bowl.slurryMl)} of slurry; a bowl of at least ${ml(bowl.leastBowlMl)}, as it rises under the vacuum`; // prettier-ignore
const isNext = computed(() => props.mix.at < props.mix.bowls.length - 1);
/** What was noted of a bowl: that it is mixed, at hand, or to come. */
function state(n: number): string {
  const before = invest.value.earlierBowls?.[n];
  if (before)
    return before.powderInAt ? `mixed, powder in at ${clockTime(Date.parse(before.powderInAt), 'HH:mm')}` : 'mixed'; // prettier-ignore
  return n === props.mix.at ? 'at hand' : 'to come';
}
</script>

<template>
  <p v-if="!several" class="mute mt-2">{{ boil(mix.bowls[0]) }}.</p>
  <section v-else class="stage-block" aria-label="Bowls">
    <h2>{{ mix.bowls.length === 1 ? 'One bowl' : `${mix.bowls.length} bowls` }}, in this order</h2>
    <div class="form-grid">
      <PourField :at="['invest', 'bowls']" hint="empty: as few as hold it and leave time" />
    </div>
    <ol class="bowls">
      <li v-for="(bowl, n) in mix.bowls" :key="n" :class="{ here: n === mix.at }">
        <b v-if="mix.bowls.length > 1">Bowl {{ n + 1 }}, {{ state(n) }}</b>
        <p v-if="mix.bowls.length > 1" class="num weights">
          <FigureValue :figure="bowl.powder" @go-to="(s) => emit('goTo', s)" /> powder into
          <FigureValue :figure="bowl.water" @go-to="(s) => emit('goTo', s)" /> water<template
            v-if="bowl.boric"
            >, <FigureValue :figure="bowl.boric" @go-to="(s) => emit('goTo', s)" /> boric acid</template
          >
        </p>
        <table class="plain num">
          <thead>
            <tr>
              <th scope="col">Flask</th>
              <th scope="col">poured</th>
              <th scope="col">under the vacuum</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="turn in bowl.turns" :key="turn.name">
              <td>{{ turn.name }}</td>
              <td>{{ minutes(turn.pourFromMin) }} to {{ minutes(turn.pouredMin) }}</td>
              <td>{{ minutes(turn.vacuumFromMin) }} to {{ minutes(turn.vacuumToMin) }}</td>
            </tr>
          </tbody>
        </table>
        <p class="mute">{{ boil(bowl) }}.</p>
      </li>
    </ol>
    <p class="mute">
      Minutes from powder in water. Hang the finest in the flask that is poured first: the slurry is thinnest
      then.
    </p>
    <v-btn v-if="isNext && invest.powderInAt && !pour.used" @click="beginNextBowl(handle)">
      This bowl is poured: begin bowl {{ mix.at + 2 }}
    </v-btn>
  </section>
</template>

<style scoped>
.bowls {
  display: grid;
  gap: 16px;
  padding: 0;
  list-style: none;
}
.bowls > li {
  max-width: 620px;
  padding-left: 12px;
  border-left: 3px solid var(--line);
}
.bowls > .here {
  border-left-color: var(--melt);
}
.weights {
  font-size: 17px;
}
</style>
