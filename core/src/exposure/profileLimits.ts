import { quantity, say } from '../numeric';
import type { Judgement } from '../judge';

/** The part of an exposure profile that slipped decimals show up in. */
export interface ProfileFigures {
  layerMm: number;
  exposureS: number;
  baseExposureS: number;
  baseLayers: number;
}

/** Bounds beyond which a figure is more likely a slipped decimal than a setting (handbook 02, "Profile"). */
const PLAUSIBLE = {
  layerMm: [0.01, 0.15],
  exposureS: [0.5, 30],
  baseFactor: [1, 40],
  baseLayers: [1, 20],
} as const;

/** Catches slipped decimals; empty when nothing is odd. */
export function judgeProfile(profile: ProfileFigures): Judgement[] {
  const out: Judgement[] = [];
  const watch = (rule: string, lead: string, why: Judgement['why']) =>
    out.push({ rule, weight: 'watch', lead, why });
  const layer = quantity(profile.layerMm, 'mm', 3);
  if (profile.layerMm < PLAUSIBLE.layerMm[0] || profile.layerMm > PLAUSIBLE.layerMm[1]) {
    watch(
      'layer odd',
      'Layer height looks slipped.',
      say`${layer}; resin printers work from ${quantity(0.01, 'mm', 3)} to ${quantity(0.15, 'mm', 3)}.`,
    );
  }
  if (profile.exposureS < PLAUSIBLE.exposureS[0] || profile.exposureS > PLAUSIBLE.exposureS[1]) {
    watch(
      'exposure odd',
      'Exposure looks slipped.',
      say`${quantity(profile.exposureS, 's')} a layer; usual are 0.5 to 30 s.`,
    );
  }
  if (profile.baseExposureS < profile.exposureS) {
    watch(
      'base short',
      'Base is exposed less than the rest.',
      say`${quantity(profile.baseExposureS, 's')} against ${quantity(profile.exposureS, 's')}: prints fall off the plate.`,
    );
  }
  if (profile.baseLayers < PLAUSIBLE.baseLayers[0] || profile.baseLayers > PLAUSIBLE.baseLayers[1]) {
    watch('base layers odd', 'Base layers look odd.', say`${profile.baseLayers}; usual are 1 to 20.`);
  }
  return out;
}
