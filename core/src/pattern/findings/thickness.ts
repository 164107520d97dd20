import { quantity, say } from '../../numeric';
import type { PatternAnalysis } from '../analysePattern';
import { groupSpots, type Region } from '../spots';
import { counted, PLACES_MAX, type Finding, type Place } from '../../judge';
import type { PatternLimits } from './limits';

const mm = (value: number) => quantity(value, 'mm', 2);
const placesOf = (regions: readonly Region[]): Place[] =>
  regions.slice(0, PLACES_MAX).map(({ at, leastMm }) => ({ at, sizeMm: leastMm }));

/** A wall as thick as the limit reads up to this much under it. */
const READING_SHARE = 0.01;

/** Under the resin's finest feature, and too thin for wear once finished. */
export function findThin(
  analysis: PatternAnalysis,
  limits: PatternLimits,
  resinName: string | undefined,
): Finding[] {
  const { fineMm } = analysis.resolution;
  const regions = (limitMm: number): Region[] =>
    groupSpots(analysis.thin, fineMm, ({ sizeMm }) => sizeMm < limitMm * (1 - READING_SHARE));
  const found: Finding[] = [];
  const under = regions(limits.finestMm);
  if (under.length > 0) {
    found.push({
      rule: 'under resin limit',
      weight: 'fix',
      lead: `${counted(under.length, 'place')} under the resin’s limit.`,
      why: say`${mm(under[0]!.leastMm)} at the thinnest where ${resinName ?? 'a usual resin'} holds ${mm(limits.finestMm)}: it may not print, or break.`,
      remedy: say`Thicken it, or choose a resin that holds finer.`,
      places: placesOf(under),
    });
  }
  const wearMm = analysis.bore ? limits.wearBandMm : limits.wearWireMm;
  const worn = regions(wearMm + 2 * limits.skinMm).filter(
    (r) => r.leastMm >= limits.finestMm || under.length === 0,
  );
  if (worn.length > 0) {
    const left = Math.max(0, worn[0]!.leastMm - 2 * limits.skinMm);
    found.push({
      rule: 'thin for wear',
      weight: 'watch',
      lead: `${counted(worn.length, 'wall')} thin for wear.`,
      why: say`${mm(left)} is left after finishing takes ${mm(limits.skinMm)} off each side; ${analysis.bore ? 'a band' : 'a wire'} wants ${mm(wearMm)}.`,
      remedy: say`Thicken it where it will be worn; leave it where nothing rubs.`,
      places: placesOf(worn),
    });
  }
  return found;
}

/** Masses thicker than the resin may be: it swells before it burns. */
export function findThick(
  analysis: PatternAnalysis,
  limits: PatternLimits,
  resinName: string | undefined,
): Finding[] {
  const over = analysis.thick.filter(({ sizeMm }) => sizeMm > limits.thickestMm);
  if (over.length === 0) return [];
  const thickest = over[0]!;
  return [
    {
      rule: 'thick resin',
      weight: 'fix',
      lead: 'Thick resin mass.',
      why: say`${mm(thickest.sizeMm)} thick where ${resinName ?? 'a usual resin'} takes ${mm(limits.thickestMm)}: it swells before it burns and cracks the mold.`,
      remedy: say`Hollow it with drain holes, climb slower in the burnout, or take a resin without wax.`,
      places: over.slice(0, 1),
    },
  ];
}
