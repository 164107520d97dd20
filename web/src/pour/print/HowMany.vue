<script setup lang="ts">
import { castsWax, howManyToPrint, WANTED_CHANCE } from '@zero-pour/core';
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
const known = computed(() => {
  const { resin, profile, doc } = context.value;
  if (!resin) return undefined;
  return yieldsOf(resin.id, profile?.castClass ?? doc.brief.castClass, records.lists, records.yields);
});
const found = computed(() =>
  known.value && wanted.value > 0
    ? howManyToPrint(wanted.value, known.value.prints, known.value.casts)
    : undefined,
);
const spares = computed(() => (found.value ? found.value.print - wanted.value : 0));
const places = computed(() => valueOf(plan.value.print)?.places ?? 0);
const chance = (share: number): string => `${Math.round(100 * share)} in 100`;
</script>

<template>
  <p v-if="found && !castsWax(pour.doc.brief.route)" class="many">
    <span>
      To have {{ wanted }} good with {{ chance(WANTED_CHANCE) }}, print <b class="num">{{ found.print }}</b>:
      this resin printed {{ known!.prints.good }} of {{ known!.prints.of }} and cast
      {{ known!.casts.good }} of {{ known!.casts.of }} here.
      <template v-if="known!.prints.of + known!.casts.of < 10">So few that it may be fewer.</template>
      The plate has at least {{ places }} places; a full one takes no longer.
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
