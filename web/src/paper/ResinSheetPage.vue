<script setup lang="ts">
import { formatQuantity, TUNED_CLASSES, type Unit } from '@zero-pour/core';
import { rankResins, triedCost } from '@zero-pour/plan';
import { computed } from 'vue';
import { photoAddress } from '../api/keepPhoto';
import PaperPage from '../components/PaperPage.vue';
import { useNotices } from '../state/notices';
import { usePrints } from '../state/printStore';
import { useRecords } from '../state/recordStore';
import { useShop } from '../state/shopStore';
import { useUnits } from '../state/unitStore';

/** One page of a resin, to be shown to others: what it did in this shop, with how many pieces that stands on. */
const props = defineProps<{ id: string }>();
const [shop, records, prints, units] = [useShop(), useRecords(), usePrints(), useUnits()];
records.load().catch(useNotices().wrong);
const PHOTOS = 6;

const resin = computed(() => shop.lists.resin.find(({ id }) => id === props.id));
const show = (value: number | null | undefined, unit: Unit, digits?: number): string =>
  value === null || value === undefined ? 'not known' : formatQuantity({ value, unit, ...(digits === undefined ? {} : { digits }) }, units.choice); // prettier-ignore
/** "41 of 48", or that none was looked at: no share without a number. */
const counted = ({ good, n }: { good: number; n: number }): string =>
  n === 0 ? 'none looked at' : `${good} of ${n}`;
const rows = computed(() =>
  TUNED_CLASSES.flatMap((castClass) => {
    const ranked = rankResins(shop.lists, records.lists, records.yields, castClass, prints.known).find((one) => one.resin.id === props.id); // prettier-ignore
    if (!ranked) return [];
    const { prints: printed, casts, verdict, profile, hours } = ranked;
    return [{
      castClass,
      prints: counted(printed),
      casts: counted(casts),
      says: verdict ? `prints ${verdict.prints.says ?? '–'}, casts ${verdict.casts.says ?? '–'}` : 'no verdict yet',
      settings: profile ? `${show(profile.layerMm, 'mm', 3)}, ${show(profile.exposureS, 's', 1)}, base ${profile.baseLayers} × ${show(profile.baseExposureS, 's', 1)}` : 'no profile',
      hours: hours === undefined ? 'not known' : show(hours, 'h', 1),
    }]; // prettier-ignore
  }),
);
const tried = computed(() => resin.value && triedCost(resin.value, records.lists, shop.lists));
const bottle = computed(() => resin.value?.bottles.find(({ paidBy }) => paidBy));
const pictures = computed(() =>
  records.lists.testSetRun
    .filter((run) => run.resinId === props.id)
    .flatMap((run) => run.pieces.flatMap(({ photos }) => photos))
    .slice(0, PHOTOS),
);
</script>

<template>
  <PaperPage :back="`/resins/${id}`" back-words="Back to the resin">
    <p v-if="!resin">There is no such resin here any more.</p>
    <template v-else>
      <h1>{{ resin.name }}</h1>
      <p>
        {{ resin.family }} · {{ resin.colour || 'colour not told' }} · as
        {{ shop.settings.shopName || 'this shop' }} found it.
        {{ bottle ? `The bottle was paid by ${bottle.paidBy}.` : 'Who paid for the bottle is not told.' }}
      </p>
      <table>
        <thead>
          <tr>
            <th>Class</th>
            <th>Prints good</th>
            <th>Castings good</th>
            <th>Verdict</th>
            <th>Layer, seconds, base</th>
            <th>20 mm tall</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="row.castClass">
            <td>{{ row.castClass }}</td>
            <td class="num">{{ row.prints }}</td>
            <td class="num">{{ row.casts }}</td>
            <td>{{ row.says }}</td>
            <td class="num">{{ row.settings }}</td>
            <td class="num">{{ row.hours }}</td>
          </tr>
        </tbody>
      </table>
      <h2>Cleaning: {{ resin.protocolName }}, version {{ resin.protocolVersion }}</h2>
      <ol>
        <li v-for="step in resin.protocol" :key="step.key">
          {{ step.name
          }}<template v-if="step.maxMinutes > 0"
            >, {{ step.minMinutes }} to {{ step.maxMinutes }} min</template
          >
        </li>
      </ol>
      <p v-if="resin.protocol.length === 0">No steps are told.</p>
      <dl>
        <dt>Clean heat it wants</dt>
        <dd class="num">{{ show(resin.cleanOutH, 'h', 1) }}</dd>
        <dt>Ramp at most</dt>
        <dd class="num">{{ show(resin.rampMaxCPerH, 'degCPerH', 0) }}</dd>
        <dt>Density, liquid</dt>
        <dd class="num">{{ resin.densityGPerMl }} g/ml</dd>
        <dt>Price</dt>
        <dd class="num">
          {{ resin.pricePerKg > 0 ? `${resin.pricePerKg} ${shop.settings.currency} a kg` : 'not told' }}
        </dd>
        <dt>Finding out took</dt>
        <dd>
          <template v-if="tried"
            >{{ tried.coupons }} coupons, {{ tried.runs }} test plates, {{ show(tried.ml, 'ml', 0) }},
            {{
              tried.handsH === undefined ? 'hands not noted' : `${show(tried.handsH, 'h', 1)} of hands`
            }}</template
          >
          <template v-else>nothing is on record</template>
        </dd>
      </dl>
      <div v-if="pictures.length > 0" class="pictures">
        <img v-for="photo in pictures" :key="photo.hash" :src="photoAddress(photo.hash)" :alt="photo.name" />
      </div>
      <p class="foot">
        Numbers of one shop, with its printers, powder and kiln. Liquid resin: gloves, eye protection,
        ventilation; the maker’s sheet comes first.
      </p>
    </template>
  </PaperPage>
</template>

<style scoped>
table {
  margin-top: 10px;
}
ol {
  margin: 0;
  padding-left: 20px;
  columns: 2;
}
.pictures {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 8px;
  margin-top: 12px;
}
.pictures img {
  width: 100%;
  height: 130px;
  object-fit: cover;
}
</style>
