<script setup lang="ts">
import { pieceMeasure, type Alloy, type Pattern } from '@zero-pour/contracts';
import { formatQuantity, type PatternAnalysis, type Unit } from '@zero-pour/core';
import { computed } from 'vue';
import NumberList from '../../components/NumberList.vue';
import { useUnits } from '../../state/unitStore';

const props = defineProps<{
  pattern: Pattern;
  analysis?: PatternAnalysis | undefined;
  alloy?: Alloy | undefined;
}>();
const units = useUnits();
const show = (value: number, unit: Unit, digits?: number): string =>
  formatQuantity(digits === undefined ? { value, unit } : { value, unit, digits }, units.choice);

/** Overlaps smaller than this share of the metal change nothing that anyone weighs. */
const OVERLAP_SHARE = 0.01;

const rows = computed<[string, string][]>(() => {
  const m = pieceMeasure(props.pattern);
  const cm3 = m.volumeMm3 / 1000;
  const size = m.sizeMm.map((side) => show(side, 'mm').replace(/ \D+$/, '')).join(' × ');
  const found: [string, string][] = [
    ['Size', `${size} ${units.choice.length}`],
    [
      'Metal volume',
      `${show(cm3, 'cm3')}${m.closed ? '' : ` ± ${show(m.volumePlusMinusMm3 / 1000, 'cm3')}`}`,
    ],
  ];
  const inFileMm3 = props.pattern.measure.volumeMm3 - m.volumeMm3;
  if (props.pattern.sprues) found.push(['Sprues in the file, besides', show(inFileMm3 / 1000, 'cm3')]);
  if (m.overlapMm3 > OVERLAP_SHARE * m.volumeMm3)
    found.push([`Sum of its ${m.shells} bodies`, show(m.bodySumMm3 / 1000, 'cm3')]);
  if (props.alloy) found.push([`In ${props.alloy.name}`, show(cm3 * props.alloy.densityGPerCm3, 'g', 2)]);
  found.push(
    ['Surface', show(m.areaMm2 / 100, 'cm2')],
    ['Volume ÷ surface', show(m.volumeMm3 / m.areaMm2, 'mm')],
  );
  if (props.analysis) {
    const { thinnestMm, p50Mm, thickestMm } = props.analysis.thickness;
    found.push([
      'Thinnest · half · thickest',
      [thinnestMm, p50Mm, thickestMm]
        .map((mm) => (mm === null ? '–' : show(mm, 'mm').replace(/ \D+$/, '')))
        .join(' · '),
    ]);
  }
  if (!m.closed) found.push(['Open edges', String(m.openEdges)]);
  if (m.degenerate > 0) found.push(['Empty triangles dropped', String(m.degenerate)]);
  return found;
});
</script>

<template>
  <NumberList :rows="rows" />
</template>
