import { quantity, requireNumber, requirePositive, say } from '../numeric';
import type { Evidence, Sign } from './rankCauses';

/** A figure this far from what others report is low, or high (shop defaults, all of these). */
const FAR = 0.15;
/** Layers from here on are thick; rafts from so many times the resin's. */
const THICK_LAYER_MM = 0.06;
const THICK_RAFT = 1.5;
/** Overhang from this share of the surface on is much. */
const MUCH_OVERHANG = 0.12;
/** Heights of flaws closer than this are one height. */
const SAME_HEIGHT_MM = 0.3;

export const sign = (bad: boolean, says: Sign['says']): Sign => ({ state: bad ? 'bad' : 'good', says });

/** A figure of seconds against what is reported for this printer: "exposure low", "exposure high". */
export function figureSigns(name: string, ownS: number, reportedS: number): Evidence {
  const far = FAR * requirePositive('reportedS', reportedS);
  const says = say`${quantity(ownS, 's', 1)}; reported for this printer ${quantity(reportedS, 's', 1)}.`;
  return {
    [`${name} low`]: sign(ownS < reportedS - far, says),
    [`${name} high`]: sign(ownS > reportedS + far, says),
  };
}

export const layerSign = (layerMm: number): Sign =>
  sign(layerMm >= THICK_LAYER_MM, say`Layers of ${quantity(layerMm, 'mm', 3)}.`);

/** A raft against the resin's usual one. */
export const raftSign = (raftMm: number, usualMm: number): Sign =>
  sign(
    raftMm > THICK_RAFT * requirePositive('usualMm', usualMm),
    say`Raft of ${quantity(raftMm, 'mm', 1)}; the resin’s usual is ${quantity(usualMm, 'mm', 1)}.`,
  );

/** What begins in mid-air, what makes cups, and how much of the surface hangs over, of parts that were cut. */
export function cutEvidence(cut: {
  islands: number;
  cups: number;
  overhangMm2: number;
  /** Of it, what lies on the plate itself and hangs over nothing. */
  onPlateMm2: number;
  areaMm2: number;
}): Evidence {
  const share =
    cut.areaMm2 > 0
      ? Math.max(0, requireNumber('overhangMm2', cut.overhangMm2, 0) - cut.onPlateMm2) / cut.areaMm2
      : 0;
  const begins = cut.islands === 1 ? 'place begins' : 'places begin';
  return {
    islands: sign(cut.islands > 0, say`${cut.islands} ${begins} in mid-air.`),
    cups: sign(cut.cups > 0, say`${cut.cups} suction ${cut.cups === 1 ? 'cup' : 'cups'}.`),
    'overhang much': sign(
      share > MUCH_OVERHANG,
      say`Overhang is ${quantity(100 * share, 'percent', 0)} of the surface.`,
    ),
  };
}

/** The one height of all these, mm from the plate; undefined when they differ, or are fewer than two. */
export function oneHeight(heightsMm: readonly number[]): number | undefined {
  if (heightsMm.length < 2) return undefined;
  const [low, high] = [Math.min(...heightsMm), Math.max(...heightsMm)];
  return high - low <= SAME_HEIGHT_MM ? (low + high) / 2 : undefined;
}

/** Where flaws stand, and whether a pause is noted there. With fewer than two heights, or no pauses noted, nothing is known. */
export function heightEvidence(
  heightsMm: readonly number[],
  pausesMm: readonly number[] | undefined,
): Evidence {
  if (heightsMm.length < 2) return {};
  const at = oneHeight(heightsMm);
  if (at === undefined)
    return { 'same height on all': sign(false, say`The flaws stand at different heights.`) };
  const same = sign(true, say`All flaws stand ${quantity(at, 'mm', 1)} from the plate.`);
  if (!pausesMm) return { 'same height on all': same };
  const near = pausesMm.find((pause) => Math.abs(pause - at) <= SAME_HEIGHT_MM);
  const says =
    near === undefined
      ? say`No pause is noted at that height.`
      : say`A pause is noted at ${quantity(near, 'mm', 1)}.`;
  return { 'same height on all': same, paused: sign(near !== undefined, says) };
}
