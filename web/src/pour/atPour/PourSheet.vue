<script setup lang="ts">
import { ranOf, readingValue } from '@zero-pour/contracts';
import { judgeFreezing, POUR_WAYS, RAN } from '@zero-pour/core';
import { solidAfter } from '@zero-pour/plan';
import { computed } from 'vue';
import ChoiceRow from '../../components/ChoiceRow.vue';
import JudgementList from '../../components/JudgementList.vue';
import { useShop } from '../../state/shopStore';
import { usePour } from '../../state/usePour';
import OnDemand from '../../components/OnDemand.vue';
import PourField from '../PourField.vue';
import PowerLost from './PowerLost.vue';
import VacuumOverTime from './VacuumOverTime.vue';

/** What was read, guessed and told at the pour of one flask. */
const { plan, flask, flaskAt, inFlask, setInFlask } = usePour();
const shop = useShop();
const doc = computed(() => flask.value.context.decided.pour);
const people = computed(() =>
  (shop.settings.people ?? []).map(({ key, name }) => ({ title: name, value: key })),
);
const solid = computed(() => solidAfter(plan.value, flaskAt.value));
const froze = computed(() => judgeFreezing(readingValue(doc.value.solidAfterMin), solid.value?.min));
</script>

<template>
  <div class="form-grid readings">
    <PourField :at="inFlask('pour', 'chargeRead')" />
    <PourField :at="inFlask('pour', 'flaskRead')" />
    <PourField :at="inFlask('pour', 'metalRead')" />
    <PourField :at="inFlask('pour', 'vacuumKpa')" />
    <PourField :at="inFlask('pour', 'vacuumLaterKpa')" />
    <PourField :at="inFlask('pour', 'solidAfterMin')" />
    <v-text-field
      label="Crucible"
      :model-value="doc.crucible ?? ''"
      maxlength="60"
      @update:model-value="(text) => setInFlask('pour', 'crucible', text || undefined)"
    />
    <v-select
      v-if="people.length > 0"
      label="Who poured"
      clearable
      :items="people"
      :model-value="doc.whoKey ?? null"
      @update:model-value="(who) => setInFlask('pour', 'whoKey', who ?? undefined)"
    />
  </div>
  <div class="told">
    <span>Flux</span>
    <ChoiceRow
      label="Flux"
      :options="['used', 'none'] as const"
      :model-value="doc.flux"
      @choose="(flux) => setInFlask('pour', 'flux', doc.flux === flux ? undefined : flux)"
    />
    <span>Way</span>
    <ChoiceRow
      label="Way of pouring"
      :options="POUR_WAYS"
      :model-value="doc.way"
      @choose="(way) => setInFlask('pour', 'way', doc.way === way ? undefined : way)"
    />
    <span>It ran</span>
    <ChoiceRow
      label="How the metal ran"
      :options="RAN"
      :model-value="ranOf(doc)"
      @choose="
        (ran) => {
          setInFlask('pour', 'ran', ranOf(doc) === ran ? undefined : ran);
          if (doc.spilled) setInFlask('pour', 'spilled', undefined);
        }
      "
    />
  </div>
  <p v-if="solid && froze.length === 0" class="mute">
    The button, as a ball of its volume, is solid about {{ solid.min.toFixed(1) }} min after the pour, by
    {{ solid.read ? 'what was read' : 'the plan' }}. Much longer tells of a flask that was hotter than
    thought.
  </p>
  <JudgementList :judgements="froze" />
  <OnDemand title="The gauge over time" line="whether the vacuum was held">
    <VacuumOverTime />
  </OnDemand>
  <OnDemand title="The power went while it melts" line="pour now, or not, and until when">
    <PowerLost />
  </OnDemand>
</template>

<style scoped>
.readings {
  grid-template-columns: repeat(auto-fill, minmax(270px, 1fr));
}
.told {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 8px 14px;
  align-items: center;
  margin: 12px 0;
}
</style>
