import { figureSigns, layerSign, raftSign, say, sign, type Evidence } from '@zero-pour/core';
import type { PourContext } from '../context';

/** Layer heights nearer than this are one. */
const SAME_LAYER_MM = 0.006;

/** Exposure and base against what is reported for this printer at this layer height. */
export function exposureSigns({ resin, printer, profile }: PourContext): Evidence {
  if (!resin || !printer || !profile) return {};
  const { tested, layerMm, raftMm } = profile;
  const reported = resin.reported.find(
    (r) => r.printerId === printer.id && Math.abs(r.layerMm - layerMm) < SAME_LAYER_MM,
  );
  const base = reported?.baseExposureS;
  return {
    'profile untested': sign(
      !tested,
      tested ? say`The profile was tuned here.` : say`The profile was never tested here.`,
    ),
    'layer thick': layerSign(layerMm),
    'raft thick': raftSign(raftMm, resin.raftMm),
    ...(reported ? figureSigns('exposure', profile.exposureS, reported.exposureS) : {}),
    ...(base != null ? figureSigns('base', profile.baseExposureS, base) : {}),
  };
}
