<script setup lang="ts">
import { beforePrint, formatPhrase, formatQuantity, type Unit } from '@zero-pour/core';
import { cutLists, pourTitle, printedPieces, valueOf, type CutList } from '@zero-pour/plan';
import { computed } from 'vue';
import PaperPage from '../../components/PaperPage.vue';
import { providePour } from '../../state/usePour';
import { useUnits } from '../../state/unitStore';
import { formatMoment } from '../../time/formatMoment';
import PlateDrawing from '../print/PlateDrawing.vue';

/** One page for the wall beside the printer: the plate, its settings, what to do before, a box for every piece. */
const props = defineProps<{ id: string }>();
const { pour, plan } = providePour(() => props.id);
const units = useUnits();
const print = computed(() => valueOf(plan.value.print));
const context = computed(() => plan.value.context);
const show = (value: number, unit: Unit, digits?: number): string =>
  formatQuantity({ value, unit, ...(digits === undefined ? {} : { digits }) }, units.choice);

const settings = computed(() => {
  const { profile, resin, printer } = context.value;
  const p = print.value;
  if (!profile || !resin || !printer || !p) return [];
  return [
    ['Resin', resin.name],
    ['Printer', printer.name],
    ['Profile', profile.name],
    ['Layer', show(profile.layerMm, 'mm', 3)],
    ['Exposure', show(profile.exposureS, 's', 1)],
    ['Base', `${profile.baseLayers} × ${show(profile.baseExposureS, 's', 1)}`],
    ['Transition', `${profile.transitionLayers} layers`],
    ['Raft', show(profile.raftMm, 'mm', 1)],
    ['Layers', String(p.layers)],
    ['Hours', show(p.hours.value, 'h')],
    ['Resin for it', show(p.resinMl.value, 'ml', 1)],
    ['Scale', `${(valueOf(plan.value.scale)?.percent.value ?? 100).toFixed(2)} %`],
  ];
});
const before = computed(() => {
  const { resin, printer } = context.value;
  return resin && printer ? beforePrint({ resin, printer, roomC: null }).filter((step) => step.needed) : [];
});
const pieces = computed(() => printedPieces(context.value));
const zero = computed(() => valueOf(plan.value.times)?.zero);
/** Rows shrink where there are many pieces, so that it stays one page. */
const columns = computed(() => (pieces.value.length > 24 ? 3 : pieces.value.length > 8 ? 2 : 1));
/** "Band: keep 3 (Ø 1.2 mm, 4 dips make it 2.4 mm), cut the other 14." */
function cutWords({ name, kept, cut }: CutList): string {
  const each = kept.map(({ printedMm, dips, dippedMm }) => {
    const printed = `Ø ${show(printedMm, 'mm', 1)}`;
    return dips > 0
      ? `${printed}, ${dips} ${dips === 1 ? 'dip makes' : 'dips make'} it ${show(dippedMm, 'mm', 1)}`
      : printed;
  });
  const others = cut === undefined ? 'cut all others' : `cut the other ${cut}`;
  return `${name}: keep ${kept.length} (${each.join('; ')}), ${others}.`;
}
const cuts = computed(() => cutLists(context.value, plan.value.gates).map(cutWords));
</script>

<template>
  <PaperPage :back="`/pours/${id}/print`" back-words="Back to the pour">
    <header>
      <h1>Plate of pour {{ pour.number }}</h1>
      <span>{{ pourTitle(context) }}</span>
      <span v-if="zero !== undefined" class="num"
        >zero {{ formatMoment(zero, Date.parse(pour.createdAt)) }}</span
      >
    </header>
    <p v-if="settings.length === 0">Choose pattern, resin, printer and profile first.</p>
    <template v-else>
      <div class="top">
        <dl>
          <template v-for="[name, value] in settings" :key="name">
            <dt>{{ name }}</dt>
            <dd class="num">{{ value }}</dd>
          </template>
        </dl>
        <PlateDrawing />
      </div>
      <h2>Before</h2>
      <ul class="before">
        <li v-for="step in before" :key="step.key">
          <i class="box" />
          <span
            ><b>{{ step.lead }}</b> {{ formatPhrase(step.how, units.choice) }}</span
          >
        </li>
      </ul>
      <p class="times">
        <span>Started ____________</span><span>Looked at ____________</span><span>Done ____________</span
        ><span>Resin taken ________ ml</span>
      </p>
      <template v-if="cuts.length > 0">
        <h2>Supports that stay as sprues</h2>
        <ul class="cuts">
          <li v-for="line in cuts" :key="line"><i class="box" />{{ line }}</li>
        </ul>
      </template>
      <h2>Pieces</h2>
      <ol class="pieces" :style="{ columns: String(columns) }">
        <li v-for="piece in pieces" :key="piece.key">
          <b class="num">{{ piece.copy }}</b> <span class="what">{{ piece.name }}</span>
          <span class="boxes"><i class="box" />good <i class="box" />flawed <i class="box" />lost</span>
        </li>
      </ol>
      <p class="foot">
        Liquid resin: gloves, eye protection, ventilation. Nothing of it goes down the drain.
      </p>
    </template>
  </PaperPage>
</template>

<style scoped>
.top {
  display: grid;
  grid-template-columns: 250px minmax(0, 1fr);
  gap: 20px;
  margin-top: 10px;
}
.top dl {
  gap: 2px 12px;
  margin: 0;
}
.top dd {
  text-align: right;
}
.before,
.cuts,
.pieces {
  list-style: none;
  margin: 0;
  padding: 0;
}
.before {
  columns: 2;
  column-gap: 20px;
}
.before li,
.pieces li {
  display: flex;
  gap: 4px;
  align-items: flex-start;
  padding: 2px 0;
  break-inside: avoid;
}
.pieces li {
  border-bottom: 1px solid var(--line);
}
.what {
  flex: 1;
  overflow: hidden;
  white-space: nowrap;
  text-overflow: ellipsis;
}
.boxes {
  white-space: nowrap;
}
.times {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 22px;
  margin-top: 12px;
}
@media (max-width: 700px) {
  .top {
    grid-template-columns: minmax(0, 1fr);
  }
  .before {
    columns: 1;
  }
}
@media print {
  .top {
    grid-template-columns: 230px minmax(0, 1fr);
  }
  .top :deep(svg) {
    max-height: 260px;
  }
}
</style>
