<script setup lang="ts">
import { computed, reactive, shallowRef } from 'vue';
import QuantityField from '../components/QuantityField.vue';
import { useNotices } from '../state/notices';
import { useShop } from '../state/shopStore';
import { useNewPour } from '../state/useNewPour';
import { TEMPLATES } from './bookItems';
import { firstPour, NOTHING_SAID, readFlasks, thingsToKeep } from './whatYouHave';

/** An empty shop begins with what is on its shelves: said once, taken from the book, overwritten later. */
const shop = useShop();
const notices = useNotices();
const newPour = useNewPour();
const have = reactive({ ...NOTHING_SAID, metals: [] as string[] });
const names = (kind: 'alloy' | 'powder' | 'programme' | 'resin'): string[] =>
  TEMPLATES[kind].map(({ name }) => name);

const flasks = computed(() => readFlasks(have.flasks));
const understood = computed(
  () =>
  flasks.value.map((flask) => ('why' in flask ? `“${flask.text}” is not clear` : `${flask.diameterMm} × ${flask.heightMm} mm`)).join(' · '), // prettier-ignore
);
const wrong = computed(() => flasks.value.find((flask) => 'why' in flask));
const things = computed(() => thingsToKeep(have, shop.lists));
const keeping = shallowRef(false);

async function begin(): Promise<void> {
  keeping.value = true;
  try {
    // One after the other: a profile names the resin and the printer that were kept before it.
    for (const { kind, item } of things.value) await shop.keepItem(kind, item);
    const patterns = shop.patterns.map(({ id }) => id);
    await newPour(firstPour(shop.lists, patterns));
  } catch (error) {
    notices.wrong(error);
  } finally {
    keeping.value = false;
  }
}
</script>

<template>
  <form aria-label="What you have" class="have" @submit.prevent="begin">
    <v-select
      v-model="have.metals"
      :items="names('alloy')"
      label="Metals you cast"
      multiple
      hint="temperatures, shrink and density from the book"
      persistent-hint
    />
    <v-text-field
      v-model="have.flasks"
      label="Flasks, inside: 76 x 102; 3 x 4 in"
      :hint="understood"
      persistent-hint
      :error="wrong !== undefined"
      :error-messages="wrong && 'why' in wrong ? [`“${wrong.text}”: ${wrong.why}`] : []"
    />
    <v-select v-model="have.powder" :items="names('powder')" label="Investment powder" clearable />
    <v-select v-model="have.programme" :items="names('programme')" label="Burnout programme" clearable />
    <v-select v-model="have.resin" :items="names('resin')" label="Resin" clearable />
    <QuantityField
      v-model="have.exposureS"
      label="Seconds a layer that you print at"
      unit="s"
      :digits="1"
      hint="not told: a usual figure, marked as not tried"
    />
    <v-checkbox v-model="have.kiln" label="A kiln" hide-details />
    <v-checkbox v-model="have.printer" label="A printer" hide-details />
    <p class="mute last">
      All of it is from the book, or usual: write your own figures over it. What you leave out is asked for
      where it is needed.
    </p>
    <v-btn class="last" variant="flat" type="submit" :loading="keeping" :disabled="wrong !== undefined">{{
      things.length > 0 ? `Take ${things.length} into the shop and begin a pour` : 'Begin a pour'
    }}</v-btn>
  </form>
</template>

<style scoped>
.have {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(220px, 1fr));
  gap: 8px 16px;
  align-items: start;
}
.last {
  grid-column: 1 / -1;
  justify-self: start;
}
</style>
