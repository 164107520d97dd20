import { quantity, say } from '../numeric';
import {
  rankCauses,
  sign,
  startingCounts,
  type Cause,
  type CauseTest,
  type Evidence,
  type Fault,
  type RankedCause,
} from '../why';

const test = (name: string, pBad: number, pElse: number): CauseTest => ({ sign: name, pBad, pElse });
const cause = (key: string, name: string, prior: number, ...tests: CauseTest[]): Cause => ({
  key,
  name,
  prior,
  tests,
});

const COLD = test('wax cold', 0.7, 0.2);
const HOT = test('wax hot', 0.7, 0.2);
const PRESSED = test('pressure high', 0.7, 0.2);
const WEAK = test('pressure low', 0.7, 0.2);
const MANY = test('many shots', 0.7, 0.25);

/** Flaws of waxes with their usual causes; how well each sign tells is a *shop default*, ours. */
export const WAX_FAULTS = [
  {
    key: 'flash',
    name: 'Flash at the joint',
    causes: [
      cause('pressure', 'injected too hard', 0.3, PRESSED),
      cause('clamp', 'clamped too lightly, or a warped half', 0.3, test('mold warped', 0.8, 0.15)),
      cause('hot', 'wax too hot', 0.2, HOT),
      cause('worn', 'the mold is worn', 0.1, MANY),
    ],
  },
  {
    key: 'short',
    name: 'Short: not filled',
    causes: [
      cause('cold', 'wax or mold too cold', 0.35, COLD),
      cause('weak', 'injected too softly', 0.25, WEAK),
      cause('air', 'air shut in: no vent there', 0.3, test('blind ends', 0.8, 0.25)),
    ],
  },
  {
    key: 'bubble',
    name: 'Bubble',
    causes: [
      cause('air', 'air drawn in: too fast, or wax low in the pot', 0.4, PRESSED),
      cause('vent', 'air shut in: no vent there', 0.25, test('blind ends', 0.8, 0.25)),
      cause('hot', 'wax too hot: it boils off', 0.2, HOT),
    ],
  },
  {
    key: 'line',
    name: 'Line or fold',
    causes: [
      cause('cold', 'wax or mold too cold', 0.5, COLD),
      cause('powder', 'too much powder or spray', 0.25),
      cause('weak', 'injected too softly', 0.15, WEAK),
    ],
  },
  {
    key: 'distorted',
    name: 'Distorted',
    causes: [
      cause('early', 'taken out too warm', 0.4, test('rest short', 0.8, 0.2)),
      cause('undercut', 'sprung off an undercut', 0.25, test('undercut deep', 0.8, 0.2)),
      cause('mold', 'the mold had not come back yet', 0.2, test('rest short', 0.6, 0.3)),
    ],
  },
] as const satisfies readonly Fault[];
export type WaxFaultKey = (typeof WAX_FAULTS)[number]['key'];
export const WAX_FAULT_KEYS = WAX_FAULTS.map(({ key }) => key) as [WaxFaultKey, ...WaxFaultKey[]];

/** A shot against what the wax’s maker says, and the mold as it is; what is undefined is not known. */
export interface ShotSigns {
  waxC?: number | undefined;
  usualWaxC?: number | undefined;
  pressureKpa?: number | undefined;
  usualPressureKpa?: number | undefined;
  restMin?: number | undefined;
  usualRestMin?: number | undefined;
  /** Shots of the mold so far, against what such a mold gives. */
  shots?: number | undefined;
  life?: number | undefined;
  warpMm?: number | undefined;
  blindEnds?: number | undefined;
  strainPercent?: number | undefined;
  bearsPercent?: number | undefined;
}

const FAR_C = 2;
const FAR_SHARE = 0.15;
const WORN_SHARE = 0.8;
const WARP_MM = 0.2;

/** What is known of a shot as signs; what is not known is left out. */
export function shotEvidence(s: ShotSigns): Evidence {
  const out: Record<string, Evidence[string]> = {};
  if (s.waxC !== undefined && s.usualWaxC !== undefined) {
    const says = say`Wax at ${quantity(s.waxC, 'degC')}; its usual is ${quantity(s.usualWaxC, 'degC')}.`;
    out['wax cold'] = sign(s.waxC < s.usualWaxC - FAR_C, says);
    out['wax hot'] = sign(s.waxC > s.usualWaxC + FAR_C, says);
  }
  if (s.pressureKpa !== undefined && s.usualPressureKpa !== undefined) {
    const says = say`Injected at ${quantity(s.pressureKpa, 'kPa')}; usually at ${quantity(s.usualPressureKpa, 'kPa')}.`;
    out['pressure low'] = sign(s.pressureKpa < (1 - FAR_SHARE) * s.usualPressureKpa, says);
    out['pressure high'] = sign(s.pressureKpa > (1 + FAR_SHARE) * s.usualPressureKpa, says);
  }
  if (s.restMin !== undefined && s.usualRestMin !== undefined)
    out['rest short'] = sign(
      s.restMin < s.usualRestMin,
      say`${quantity(s.restMin, 'min', 1)} in the mold; ${quantity(s.usualRestMin, 'min', 1)} are usual.`,
    );
  if (s.shots !== undefined && s.life !== undefined)
    out['many shots'] = sign(
      s.shots > WORN_SHARE * s.life,
      say`Shot ${String(s.shots)} of about ${String(s.life)} that such a mold gives.`,
    );
  if (s.warpMm !== undefined)
    out['mold warped'] = sign(
      s.warpMm > WARP_MM,
      say`The halves warp by ${quantity(s.warpMm, 'mm', 2)} on a flat plate.`,
    );
  if (s.blindEnds !== undefined)
    out['blind ends'] = sign(s.blindEnds > 0, say`${String(s.blindEnds)} ends of the cavity have no vent.`);
  if (s.strainPercent !== undefined && s.bearsPercent !== undefined)
    out['undercut deep'] = sign(
      s.strainPercent > 0.7 * s.bearsPercent,
      say`It springs off by ${quantity(s.strainPercent, 'percent', 1)}, and bears ${quantity(s.bearsPercent, 'percent')}.`,
    );
  return out;
}

/** Causes of a wax's flaw, likeliest first. */
export function whyWax(key: WaxFaultKey, shot: ShotSigns): RankedCause[] {
  const fault = WAX_FAULTS.find((one) => one.key === key)!;
  return rankCauses(fault, startingCounts(fault), shotEvidence(shot));
}
