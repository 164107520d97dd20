import { quantity, say, type Sign } from '@zero-pour/core';
import type { PourContext } from '../context';
import { sign } from '../why/sign';

/** A figure this far from what others report is low, or high. */
const FAR = 0.15;
/** Layers from here on are thick; rafts from so many times the resin's. */
const THICK_LAYER_MM = 0.06;
const THICK_RAFT = 1.5;

/** Exposure and base against what is reported for this printer at this layer height. */
export function exposureSigns({ resin, printer, profile }: PourContext): Record<string, Sign> {
  if (!resin || !printer || !profile) return {};
  const signs: Record<string, Sign> = {
    'profile untested': sign(
      !profile.tested,
      profile.tested ? say`The profile was tuned here.` : say`The profile was never tested here.`,
    ),
    'layer thick': sign(
      profile.layerMm >= THICK_LAYER_MM,
      say`Layers of ${quantity(profile.layerMm, 'mm', 3)}.`,
    ),
    'raft thick': sign(
      profile.raftMm > THICK_RAFT * resin.raftMm,
      say`Raft of ${quantity(profile.raftMm, 'mm', 1)}; the resin’s usual is ${quantity(resin.raftMm, 'mm', 1)}.`,
    ),
  };
  const reported = resin.reported.find(
    (r) => r.printerId === printer.id && Math.abs(r.layerMm - profile.layerMm) < 0.006,
  );
  if (!reported) return signs;
  const against = (own: number, theirs: number) =>
    say`${quantity(own, 's', 1)}; reported for this printer ${quantity(theirs, 's', 1)}.`;
  const { exposureS, baseExposureS } = reported;
  const compare = (name: string, own: number, theirs: number): void => {
    signs[`${name} low`] = sign(own < theirs * (1 - FAR), against(own, theirs));
    signs[`${name} high`] = sign(own > theirs * (1 + FAR), against(own, theirs));
  };
  compare('exposure', profile.exposureS, exposureS);
  if (baseExposureS !== null) compare('base', profile.baseExposureS, baseExposureS);
  return signs;
}
