import { quantity, say } from '../../numeric';
import type { PatternAnalysis } from '../analysePattern';
import { GAP_BIN_MM } from '../readSurface';
import { groupSpots, type Region, type Spot } from '../spots';
import { counted, PLACES_MAX, type Finding, type Place } from '../../judge';
import type { PatternLimits } from './limits';

const mm = (value: number) => quantity(value, 'mm', 2);
/** Creases smaller than this say nothing. mm². */
const AREA_MIN_MM2 = 1;

/** Surface over which the gap is narrower than a limit, mm². */
export const areaInGaps = (gapAreaMm2: readonly number[], limitMm: number): number =>
  gapAreaMm2.reduce((sum, area, bin) => sum + ((bin + 1) * GAP_BIN_MM <= limitMm + 1e-9 ? area : 0), 0);

/** A slot's own depth: from its mouth, where it is first under the limit, to its floor. */
const depthOf = ({ deepestMm, shallowestMm, medianMm }: Region): number =>
  deepestMm - shallowestMm + medianMm / 2;

/** Thin walls of investment that break away and lie in the casting as pits. */
export function findFragile(analysis: PatternAnalysis, limits: PatternLimits): Finding[] {
  const isFragile = ({ sizeMm }: Spot): boolean => sizeMm < limits.fragileGapMm;
  const slots = groupSpots(analysis.gaps, analysis.resolution.midMm, isFragile).filter(
    (slot) => depthOf(slot) > limits.fragileDepths * slot.medianMm,
  );
  const worst = slots.sort((a, b) => depthOf(b) / b.medianMm - depthOf(a) / a.medianMm)[0];
  if (!worst) return [];
  return [
    {
      rule: 'fragile investment',
      weight: 'watch',
      lead: `Fragile investment in ${counted(slots.length, 'slot').toLowerCase()}.`,
      why: say`${mm(worst.medianMm)} wide and ${mm(depthOf(worst))} deep; under ${mm(limits.fragileGapMm)} a wall deeper than ${quantity(limits.fragileDepths, 'ratio', 1)} widths breaks away.`,
      remedy: say`Round or widen them, or add boric acid to the mix.`,
      places: slots.slice(0, PLACES_MAX).map(({ at, medianMm }) => ({ at, sizeMm: medianMm })),
    },
  ];
}

/** Recesses that neither wheel nor point reaches, and those where a support could not be cut off again. */
export function findUnreachable(analysis: PatternAnalysis, limits: PatternLimits): Finding[] {
  const found: Finding[] = [];
  const narrow = (limitMm: number): Place[] => {
    const slots = groupSpots(analysis.gaps, analysis.resolution.midMm, ({ sizeMm }) => sizeMm < limitMm);
    if (slots.length > 0)
      return slots.slice(0, PLACES_MAX).map(({ at, leastMm }) => ({ at, sizeMm: leastMm }));
    const recess = analysis.gapPlaces.find((place, bin) => place && (bin + 1) * GAP_BIN_MM <= limitMm + 1e-9);
    return recess ? [{ at: recess, sizeMm: limitMm }] : [];
  };
  const dull = areaInGaps(analysis.gapAreaMm2, limits.polishMm);
  if (dull >= AREA_MIN_MM2) {
    found.push({
      rule: 'polish will not reach',
      weight: 'note',
      lead: 'Polish will not reach.',
      why: say`${quantity(dull, 'mm2', 0)} sits in recesses narrower than a ${mm(limits.polishMm)} point.`,
      remedy: say`Fill or darken them, or open them for the tool.`,
      places: narrow(limits.polishMm),
    });
  }
  const uncut = areaInGaps(analysis.gapAreaMm2, limits.clipperMm);
  if (uncut - dull >= AREA_MIN_MM2 || analysis.chambers.length > 0) {
    found.push({
      rule: 'clipper will not reach',
      weight: 'note',
      lead: 'No supports in there.',
      why: say`${quantity(uncut, 'mm2', 0)} lies where a ${mm(limits.clipperMm)} clipper cannot cut a support off again.`,
      remedy: say`Choose a way up that needs none there.`,
      places: narrow(limits.clipperMm),
    });
  }
  return found;
}
