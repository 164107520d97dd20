<script setup lang="ts">
import { BOOK_YIELDS, castsWax, howManyToPrint, OWN_FROM, WANTED_CHANCE, withBook } from '@zero-pour/core';
import { valueOf, yieldsOf } from '@zero-pour/plan';
import { computed, onMounted } from 'vue';
import { useRecords } from '../../state/recordStore';
import { usePour } from '../../state/usePour';

/** How many to print so that enough come out, by what this resin did here; a full plate takes no longer than one part. */
const { pour, plan, set } = usePour();
const records = useRecords();
onMounted(() => records.load().catch(() => {}));

const context = computed(() => plan.value.context);
/** One part at a time: with several patterns the spares are of each. */
const wanted = computed(() => Math.max(0, ...context.value.parts.map((part) => part.count)));
const castClass = computed(() => context.value.profile?.castClass ?? context.value.doc.brief.castClass);
const known = computed(() => {
  const { resin } = context.value;
  return resin && yieldsOf(resin.id, castClass.value, records.lists, records.yields);
});
const places = computed(() => valueOf(plan.value.print)?.places ?? 0);
/** Never more than one plate takes: what is beyond it is another print. */
const found = computed(() => {
  if (!known.value || wanted.value <= 0) return undefined;
  const book = BOOK_YIELDS[castClass.value];
  const most = Math.max(wanted.value, places.value);
  return howManyToPrint(
    wanted.value,
    withBook(known.value.prints, book.prints),
    withBook(known.value.casts, book.casts),
    WANTED_CHANCE,
    most,
  );
});
const percent = (share: number): string => `${Math.round(100 * share)} %`;
/** Where the yields come from: this shop's record, or the book while there is little of it. */
const source = computed(() => {
  const { prints, casts } = known.value ?? { prints: { good: 0, of: 0 }, casts: { good: 0, of: 0 } };
  const own = `this resin printed ${prints.good} of ${prints.of} and cast ${casts.good} of ${casts.of} here`;
  if (Math.min(prints.of, casts.of) >= OWN_FROM) return `${own}.`;
  const book = BOOK_YIELDS[castClass.value];
  const byBook = `by what ${castClass.value} parts usually come to, ${percent(book.prints)} printed and ${percent(book.casts)} cast`;
  return prints.of + casts.of === 0
    ? `${byBook}; nothing of this resin is on record here.`
    : `${byBook}, with the little that is on record: ${own}.`;
});
const spares = computed(() => (found.value ? found.value.print - wanted.value : 0));
const chance = (share: number): string => `${Math.round(100 * share)} in 100`;
</script>

<template>
  <p v-if="found && !castsWax(pour.doc.brief.route)" class="many">
    <span>
      <template v-if="found.enough">
        To have {{ wanted }} good with {{ chance(WANTED_CHANCE) }}, print
        <b class="num">{{ found.print }}</b>:
      </template>
      <template v-else>
        A full plate of <b class="num">{{ found.print }}</b> gives {{ wanted }} good with
        {{ chance(found.chance) }}; for {{ chance(WANTED_CHANCE) }} print another:
      </template>
      {{ source }} The plate has at least {{ places }} {{ places === 1 ? 'place' : 'places' }}; a full one
      takes no longer.
    </span>
    <v-btn v-if="pour.doc.print.spares !== spares" size="small" @click="set(['print', 'spares'], spares)">
      {{ spares === 0 ? 'No spares' : `Take ${spares} ${spares === 1 ? 'spare' : 'spares'}` }}
    </v-btn>
  </p>
</template>

<style scoped>
.many {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: center;
  margin-bottom: 12px;
}
.many span {
  max-width: 70ch;
}
</style>
