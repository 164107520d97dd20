<script setup lang="ts">
import { BOOK_YIELDS, castsWax, howManyToPrint, OWN_FROM, WANTED_CHANCE, withBook } from '@zero-pour/core';
import { sparesOf } from '@zero-pour/contracts';
import { valueOf, yieldsOf } from '@zero-pour/plan';
import { computed, onMounted } from 'vue';
import { useRecords } from '../../state/recordStore';
import { usePour } from '../../state/usePour';
import PourField from '../PourField.vue';

/** How many to print so that enough come out, by what this resin did here; a full plate takes no longer than one part. */
const { pour, plan, set } = usePour();
const records = useRecords();
onMounted(() => records.load().catch(() => {}));

const context = computed(() => plan.value.context);
const castClass = computed(() => context.value.profile?.castClass ?? context.value.doc.brief.castClass);
const known = computed(() => {
  const { resin } = context.value;
  return resin && yieldsOf(resin.id, castClass.value, records.lists, records.yields);
});
const places = computed(() => valueOf(plan.value.print)?.places ?? 0);
/** For each pattern; never more than one plate takes: what is beyond it is another print. */
const lines = computed(() => {
  const yields = known.value;
  if (!yields) return [];
  const book = BOOK_YIELDS[castClass.value];
  return context.value.parts
    .filter(({ count }) => count > 0)
    .map((part) => {
      const found = howManyToPrint(
        part.count,
        withBook(yields.prints, book.prints),
        withBook(yields.casts, book.casts),
        WANTED_CHANCE,
        Math.max(part.count, places.value),
      );
      return {
        key: part.key,
        name: part.pattern.name,
        wanted: part.count,
        found,
        spares: found.print - part.count,
      };
    });
});
const several = computed(() => lines.value.length > 1);
const differs = computed(() =>
  lines.value.some(({ key, spares }) => sparesOf(pour.value.doc, key) !== spares),
);
/** One number for all where there is one pattern; else each line its own. */
function take(): void {
  const [only] = lines.value;
  if (several.value)
    set(['print', 'sparesOf'], Object.fromEntries(lines.value.map(({ key, spares }) => [key, spares])));
  else if (only) {
    set(['print', 'sparesOf'], undefined);
    set(['print', 'spares'], only.spares);
  }
}
const takeWords = computed(() => {
  const all = lines.value.reduce((sum, { spares }) => sum + spares, 0);
  return all === 0 ? 'No spares' : `Take ${all} ${all === 1 ? 'spare' : 'spares'}`;
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
const chance = (share: number): string => `${Math.round(100 * share)} in 100`;
</script>

<template>
  <div v-if="lines.length > 0 && !castsWax(pour.doc.brief.route)" class="many">
    <span>
      <template v-for="{ key, name, wanted, found } in lines" :key="key">
        <template v-if="found.enough">
          To have {{ wanted }} good<template v-if="several"> of {{ name }}</template> with
          {{ chance(WANTED_CHANCE) }}, print <b class="num">{{ found.print }}</b>{{ several ? '. ' : ': ' }}
        </template>
        <template v-else>
          A full plate of <b class="num">{{ found.print }}</b><template v-if="several"> {{ name }}</template>
          gives {{ wanted }} good with {{ chance(found.chance) }}; for {{ chance(WANTED_CHANCE) }} print
          another{{ several ? '. ' : ': ' }}
        </template>
      </template>
      {{ several ? `${source[0]!.toUpperCase()}${source.slice(1)}` : source }} The plate has at least
      {{ places }} {{ places === 1 ? 'place' : 'places' }}; a full one takes no longer.
    </span>
    <v-btn v-if="differs" size="small" @click="take">{{ takeWords }}</v-btn>
  </div>
  <div v-if="several || pour.doc.print.sparesOf" class="form-grid">
    <PourField
      v-for="{ key, name } in lines"
      :key="key"
      :at="['print', 'sparesOf', key]"
      :label="`Spares of ${name}`"
      :standard="pour.doc.print.spares"
      standard-from="as of each pattern"
    />
  </div>
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
