import type { Judgement } from '../judge';
import { quantity, say } from '../numeric';
import { formula } from '../working';

type Place = readonly [number, number, number];

/** What a wax joint bears in bending (*shop default*, handbook 05: well joined wax 1 to 2 MPa, poor joints a fifth). */
export const JOINT_STRENGTH_MPA = 0.2;
/** Weight of a gram, N. */
const NEWTON_PER_G = 9.80665e-3;

/** Bending moment of a round joint, g·mm: σ in MPa, d in mm (handbook 05, "Carrying"). */
export const JOINT_MOMENT = formula`${'σ'} × π × ${'d'}³ / 32 / 0.00980665`;

export const jointMomentGMm = (diameterMm: number, strengthMPa = JOINT_STRENGTH_MPA): number =>
  JOINT_MOMENT.of({ σ: strengthMPa, d: diameterMm });

/** How joints bear a part while the tree is turned over. */
export interface Carrying {
  /** Weight × the way from the joints' middle to the centre of mass. g·mm. */
  askedGMm: number;
  /** What all joints bear together. g·mm. */
  bornGMm: number;
  /** From the joints' middle to the centre of mass. mm. */
  leverMm: number;
  /** The joint that alone would bear it. mm. */
  wantedMm: number;
}

/**
 * Joints against the weight of a print: strengths of several add up, and the lever is that from their middle (weighted by
 * strength) to the centre of mass. `massG`: the print, its core of wax included.
 */
export function carryPart(
  joints: readonly { at: Place; diameterMm: number }[],
  part: { massG: number; centreMm: Place },
  strengthMPa = JOINT_STRENGTH_MPA,
): Carrying {
  const each = joints.map(({ diameterMm }) => jointMomentGMm(diameterMm, strengthMPa));
  const bornGMm = each.reduce((sum, one) => sum + one, 0);
  const middle = [0, 1, 2].map((k) =>
    joints.reduce((sum, { at }, n) => sum + (each[n]! / (bornGMm || 1)) * at[k]!, 0),
  );
  const leverMm = Math.hypot(...middle.map((v, k) => v - part.centreMm[k]!));
  const askedGMm = part.massG * leverMm;
  const wantedMm = Math.cbrt((32 * askedGMm * NEWTON_PER_G) / (Math.PI * strengthMPa));
  return { askedGMm, bornGMm, leverMm, wantedMm };
}

/** Whether the joints bear the print; `takesWax` false: its resin lets go of wax. */
export function judgeCarrying({ askedGMm, bornGMm, leverMm, wantedMm }: Carrying): Judgement[] {
  const shown = (value: number): string => (value < 10 ? value.toFixed(1) : value.toFixed(0));
  const numbers = say`${shown(askedGMm)} g·mm (${quantity(leverMm, 'mm', 1)} from joint to centre of mass) against ${shown(bornGMm)} g·mm that the joints bear`;
  if (askedGMm <= bornGMm)
    return [{ rule: 'carry', weight: 'ok', lead: 'The joints carry it.', why: [...numbers, '.'] }];
  return [
    {
      rule: 'carry',
      weight: askedGMm > 2 * bornGMm ? 'fix' : 'watch',
      lead: 'The joints do not carry it.',
      why: [
        ...numbers,
        ...say`: it bends or falls while the slurry runs in. One joint more (it may be thin and only carry), one of ${quantity(wantedMm, 'mm', 1)}, or nearer to its middle.`,
      ],
    },
  ];
}
