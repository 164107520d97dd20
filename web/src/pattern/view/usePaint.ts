import { OVERHANG_LIMIT_DEG, PATTERN_LIMITS, rotationMatrix, type Rotation } from '@zero-pour/core';
import { computed, type Ref } from 'vue';
import type { ViewShape } from '../jobs/shapes';
import {
  coloursOf,
  downwardness,
  feedRamp,
  overhangRamp,
  paintFeed,
  paintGap,
  paintThickness,
  thicknessRamp,
  type PaintName,
} from './paint';

/** Gaps wider than this are drawn alike. */
const GAP_TOP_MM = 3.2;

/** Colours of the shape by the chosen paint; null where it has none yet. */
export function usePaint(
  shape: Ref<ViewShape | undefined>,
  chosen: Ref<PaintName>,
  finestMm: () => number,
  rotation: () => Rotation,
) {
  const ramp = computed(() => {
    if (chosen.value === 'thickness') return thicknessRamp(finestMm());
    if (chosen.value === 'gap') return thicknessRamp(PATTERN_LIMITS.fragileGapMm, GAP_TOP_MM);
    if (chosen.value === 'feed') return feedRamp(PATTERN_LIMITS.feedFix, PATTERN_LIMITS.feedWatch);
    return overhangRamp(OVERHANG_LIMIT_DEG);
  });
  const colours = computed<Uint8Array | null>(() => {
    const { value } = shape;
    if (!value) return null;
    if (chosen.value === 'overhang') {
      return coloursOf(downwardness(value, rotationMatrix(rotation())), 1, ramp.value, () => false);
    }
    if (!value.paint) return null;
    const paint = { thickness: paintThickness, gap: paintGap, feed: paintFeed }[chosen.value];
    return paint(value.paint, ramp.value);
  });
  return { ramp, colours };
}
