import { requireNumber, requirePositive } from '../numeric';
import { formula } from '../working';

/** A rubber frame and what goes into it: mm, mm, mm, cm³ of the master; cm³. */
export const FRAME_FILL_CM3 = formula`${'L'} × ${'W'} × ${'H'} / 1000 − ${'V'}`;
/** Its weight: cm³, g/cm³, and what is packed over; g. */
export const RUBBER_G = formula`${'V'} × ${'ρ'} × (1 + ${'o'})`;
/** Time under the press: mm of rubber, minutes for each step of 3.2 mm (handbook 06); min. */
export const PRESS_MIN = formula`${'k'} × ${'H'} / 3.2`;
/** Wax of a shot: cm³; g (handbook 06). */
export const SHOT_G = formula`0.95 × ${'V'}`;
/** A part of a two-part mix: g of all, its parts of all parts. */
export const MIX_PART_G = formula`${'M'} × ${'a'} / (${'a'} + ${'b'})`;

/** *Shop defaults* of handbook 06: middle of 1.05 to 1.15; 7.5 min; a mix rises to three times its volume. */
export const RUBBER = {
  densityGPerMl: 1.1,
  packOver: 0.05,
  pressMinPerStep: 7.5,
  sheetMm: 3.2,
  hotC: 152,
  lowC: 143,
};
export const SILICONE = { densityGPerMl: 1.15, over: 0.05, riseTimes: 3 };

export interface FrameInside {
  lengthMm: number;
  widthMm: number;
  heightMm: number;
  masterCm3: number;
}

/** What a frame holds round its master, cm³; never less than nothing. */
export const frameFillCm3 = ({ lengthMm, widthMm, heightMm, masterCm3 }: FrameInside): number =>
  Math.max(
    0,
    FRAME_FILL_CM3.of({
      L: requirePositive('lengthMm', lengthMm),
      W: requirePositive('widthMm', widthMm),
      H: requirePositive('heightMm', heightMm),
      V: requireNumber('masterCm3', masterCm3, 0),
    }),
  );

/** Rubber to pack, g, and sheets of it that fill the frame's height. */
export function rubberFor(
  frame: FrameInside,
  { densityGPerMl = RUBBER.densityGPerMl } = {},
): {
  massG: number;
  sheets: number;
} {
  return {
    massG: RUBBER_G.of({ V: frameFillCm3(frame), ρ: densityGPerMl, o: RUBBER.packOver }),
    sheets: Math.ceil(frame.heightMm / RUBBER.sheetMm - 1e-9),
  };
}

/** Minutes under the press for so much rubber. */
export const pressMinutes = (heightMm: number, minPerStep = RUBBER.pressMinPerStep): number =>
  PRESS_MIN.of({ k: requirePositive('minPerStep', minPerStep), H: requirePositive('heightMm', heightMm) });

/** Silicone to mix by weight, each part of it, and the cup that it rises in under vacuum. g, ml. */
export function siliconeFor(
  frame: FrameInside,
  parts: readonly [number, number],
  { densityGPerMl = SILICONE.densityGPerMl } = {},
): { massG: number; partsG: [number, number]; cupMl: number } {
  const [a, b] = parts.map((v, n) => requirePositive(`parts.${n}`, v)) as [number, number];
  const fill = frameFillCm3(frame) * (1 + SILICONE.over);
  const massG = fill * densityGPerMl;
  return {
    massG,
    partsG: [MIX_PART_G.of({ M: massG, a, b }), MIX_PART_G.of({ M: massG, a: b, b: a })],
    cupMl: SILICONE.riseTimes * fill,
  };
}

/** Wax of one shot, g. */
export const shotG = (waxCm3: number): number => SHOT_G.of({ V: requireNumber('waxCm3', waxCm3, 0) });

/** So sure it is to be enough. */
export const SURE = 0.9;
const SHOTS_MOST = 20_000;

/**
 * Fewest shots that give so many good waxes with that chance: P(Binomial(n, p) ≥ k) ≥ sure. Undefined where p is 0, or nobody waits for it.
 */
export function shotsFor(good: number, chance: number, sure = SURE): number | undefined {
  if (good <= 0) return 0;
  if (!(chance > 0)) return undefined;
  if (chance >= 1) return good;
  for (let n = good; n <= SHOTS_MOST; n++) if (atLeast(good, n, chance) >= sure) return n;
  return undefined;
}

/** P(Binomial(n, p) ≥ k), by its terms from below. */
function atLeast(k: number, n: number, p: number): number {
  let term = n * Math.log1p(-p);
  let below = 0;
  for (let x = 0; x < k; x++) {
    below += Math.exp(term);
    term += Math.log((n - x) / (x + 1)) + Math.log(p) - Math.log1p(-p);
  }
  return 1 - below;
}
