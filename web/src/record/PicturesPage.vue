<script setup lang="ts">
import { pourListSchema } from '@zero-pour/contracts';
import { refDebounced } from '@vueuse/core';
import { computed } from 'vue';
import { blobAddress } from '../api/request';
import { useAsked } from '../api/useAsked';
import { usePlanningShop } from '../state/planningStore';
import { useUnits } from '../state/unitStore';
import { factNamesApart, picturesOf } from './picturesOf';
import { queryOf, recordFilter, type RecordFilter } from './recordFilter';
import RecordFilters from './RecordFilters.vue';

/** Pictures of castings and flaws of the pours that match, side by side, with the numbers that differ under them. */
const planning = usePlanningShop();
const units = useUnits();
const MOST = 60;
const filter = recordFilter();
const address = refDebounced(
  computed(() => `/pours?${queryOf(filter, { limit: String(MOST), offset: '0' })}`),
  200,
);
const { told, notRead } = useAsked(pourListSchema, () => address.value);
const pictures = computed(() =>
  (told.value?.pours ?? []).flatMap((pour) => picturesOf(pour, planning.known, filter, units.choice)),
);
/** What all of them have alike is said once, above them. */
const apart = computed(() => factNamesApart(pictures.value));
const alike = computed(() =>
  (pictures.value[0]?.facts ?? []).filter(({ name }) => !apart.value.includes(name)),
);
const change = (fields: Partial<RecordFilter>): void => void Object.assign(filter, fields);
</script>

<template>
  <div class="page">
    <div class="page-head">
      <h1>Pictures side by side</h1>
      <router-link to="/record">Record</router-link>
    </div>
    <RecordFilters :filter="filter" @change="change" />
    <p v-if="notRead" role="alert">The record could not be read: {{ notRead }}</p>
    <p v-else-if="told && pictures.length === 0" class="sheet nothing">
      No picture was taken of
      {{ filter.flaw || filter.zone ? 'such a flaw' : 'castings of these pours' }}. Pictures are added to a
      casting, or to its flaw, at Result.
    </p>
    <template v-else-if="told">
      <p v-if="pictures.length > 1 && alike.length > 0" class="mute">
        Alike in all: {{ alike.map(({ name, says }) => `${name} ${says}`).join(', ') }}.
      </p>
      <ul class="pictures">
        <li v-for="picture in pictures" :key="picture.key">
          <a :href="blobAddress(picture.photo.hash)" target="_blank" rel="noopener">
            <img
              :src="blobAddress(picture.photo.hash)"
              :alt="`${picture.title}: ${picture.photo.name}`"
              loading="lazy"
            />
          </a>
          <router-link :to="`/pours/${picture.pourId}/result`"
            ><b>{{ picture.title }}</b></router-link
          >
          <span v-if="picture.flaw" class="flaw">{{ picture.flaw }}</span>
          <dl>
            <template
              v-for="fact in picture.facts.filter(({ name }) => apart.includes(name))"
              :key="fact.name"
            >
              <dt>{{ fact.name }}</dt>
              <dd class="num">{{ fact.says }}</dd>
            </template>
          </dl>
        </li>
      </ul>
      <p v-if="told.total > told.pours.length" class="mute">
        Of the newest {{ told.pours.length }} of {{ told.total }} pours that match.
      </p>
    </template>
  </div>
</template>

<style scoped>
.nothing {
  padding: 24px;
}
.pictures {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(230px, 1fr));
  gap: 18px;
  margin: 0;
  padding: 0;
  list-style: none;
}
.pictures li {
  display: grid;
  gap: 4px;
  align-content: start;
}
img {
  display: block;
  width: 100%;
  aspect-ratio: 4 / 3;
  object-fit: cover;
  background: var(--sand);
}
.flaw {
  color: var(--melt-text);
}
dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 0 10px;
  margin: 0;
  font-size: 14px;
}
dt {
  color: var(--mute);
}
dd {
  margin: 0;
  text-align: right;
}
</style>
