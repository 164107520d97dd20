<script setup lang="ts">
import type { Pattern } from '@zero-pour/contracts';
import {
  classifyPart,
  findPattern,
  FLAT_ON_PLATE,
  judgeWall,
  PATTERN_LIMITS,
  scaleAnalysis,
  wallAfter,
  type Finding,
  type Judgement,
} from '@zero-pour/core';
import { findingContext, sizePathOf, type ScalePlan } from '@zero-pour/plan';
import { computed, watch } from 'vue';
import JudgementList from '../../components/JudgementList.vue';
import { AnalysisProgress, FindingList, useAnalyses } from '../../pattern';
import { usePour } from '../../state/usePour';

/** The part at print size: its thinnest wall after shrinkage and finishing, its class, and what is found against it. */
const props = defineProps<{ pattern: Pattern; scale: ScalePlan }>();
const { plan } = usePour();
const analyses = useAnalyses();
watch(
  () => props.pattern.id,
  () => void analyses.ensure(props.pattern),
  { immediate: true },
);
const state = computed(() => analyses.of(props.pattern));
const analysis = computed(() => (state.value.status === 'analysed' ? state.value.analysis : undefined));
const factor = computed(() => props.scale.percent.value / 100);
const scaled = computed(() => analysis.value && scaleAnalysis(analysis.value, factor.value));

const walls = computed<Judgement[]>(() => {
  const { chain } = props.scale;
  const thinnestMm = analysis.value?.thickness.thinnestMm ?? analysis.value?.thickness.p1Mm;
  if (!chain || thinnestMm === undefined || !analysis.value) return [];
  const { resin, sizes } = plan.value.context;
  const path = sizePathOf(chain.things, { surface: 'outer', zShare: FLAT_ON_PLATE[2] }, 'finished');
  const band = analysis.value.bore !== null;
  return judgeWall(wallAfter(thinnestMm, factor.value, path, sizes.learnt.shifts), {
    finestMm: resin?.finestMm ?? PATTERN_LIMITS.finestMm,
    resinName: resin?.name ?? 'a usual resin',
    wearMm: band ? PATTERN_LIMITS.wearBandMm : PATTERN_LIMITS.wearWireMm,
    wearName: band ? 'band' : 'wire',
  });
});
const classes = computed(() => {
  if (!analysis.value || !scaled.value) return '';
  const [before, after] = [analysis.value, scaled.value].map(
    (a) => classifyPart(a.thickness.histogramMm3).partClass,
  );
  return before === after ? `Class ${after}, as drawn.` : `Class ${after}: drawn it was ${before}.`;
});

/**
 * Findings at print size. The bore is judged as drawn, since it is wanted of the finished piece; walls are judged above,
 * by what becomes of them.
 */
const WALL_RULES = new Set(['thin', 'thin for wear']);
const findings = computed<{ list: Finding[]; changed: string }>(() => {
  if (!analysis.value || !scaled.value) return { list: [], changed: '' };
  const { wantedBore: _, ...context } = findingContext(plan.value.context);
  const rules = (list: readonly Finding[]): Set<string> => new Set(list.map((f) => f.rule));
  const drawn = rules(
    findPattern(props.pattern.measure, analysis.value, context).filter((f) => !WALL_RULES.has(f.rule)),
  );
  const list = findPattern(props.pattern.measure, scaled.value, context).filter(
    (f) => !WALL_RULES.has(f.rule),
  );
  const now = rules(list);
  const gone = [...drawn].filter((rule) => !now.has(rule));
  const come = [...now].filter((rule) => !drawn.has(rule));
  const words = [
    ...(come.length > 0 ? [`New at this size: ${come.join(', ')}.`] : []),
    ...(gone.length > 0 ? [`No longer: ${gone.join(', ')}.`] : []),
  ];
  return { list, changed: words.join(' ') || 'The same as drawn.' };
});
</script>

<template>
  <AnalysisProgress
    v-if="!analysis"
    :state="state"
    @stop="analyses.cancel(pattern)"
    @start="analyses.ensure(pattern)"
  />
  <template v-else>
    <JudgementList :judgements="walls" />
    <p class="mute mt-3">{{ classes }} {{ findings.changed }}</p>
    <FindingList :findings="findings.list" status="analysed" :chosen="undefined" />
  </template>
</template>
