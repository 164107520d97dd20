import { requireNumber } from '../numeric';

/** What fills a flask, by volume of the set investment. SI units; temperatures in °C. */
export interface Plaster {
  /** Dry solid, kg/m³. */
  solid: number;
  /** Free water before it boils, kg/m³. */
  water: number;
  /** Heat that the dihydrate takes up while it loses its water, J/m³. */
  dihydrateJ: number;
  /** Heat of the dry solid at 20 °C and from 700 °C on, J/(kg K). */
  c20: number;
  c700: number;
  /** Conductivity with all and with none of the free water, W/(m K). */
  kWet: number;
  kDry: number;
}

/** Properties of handbook 07, "The flask is not the kiln". */
export const PLASTER = {
  powderDensity: 2650,
  waterDensity: 1000,
  binderShare: 0.28,
  /** Water that a kilogram of hemihydrate binds: 1.5 × 18.01 of 145.15. */
  boundPerHemihydrate: 27.02 / 145.15,
  dihydrateJPerKg: 620_000,
  c20: 850,
  c700: 1100,
  kWet: 0.85,
  kDry: 0.4,
};
export const WATER = { boilC: 100, latentJPerKg: 2_257_000, c: 4180 };
/** From where to where the dihydrate takes up how much of its heat, °C. */
const DIHYDRATE = [
  { fromC: 110, toC: 170, share: 0.75 },
  { fromC: 170, toC: 200, share: 0.25 },
] as const;
const ZERO_C = 20;
const FLAT_C = 700;

/** Investment mixed at a ratio of water to powder by weight. */
export function plasterOf(ratio: number): Plaster {
  const r = requireNumber('ratio', ratio, 0.1, 2);
  const solid = 1 / (1 / PLASTER.powderDensity + r / PLASTER.waterDensity);
  const hemihydrate = PLASTER.binderShare * solid;
  const bound = hemihydrate * PLASTER.boundPerHemihydrate;
  return {
    solid,
    water: Math.max(0, r * solid - bound),
    dihydrateJ: (hemihydrate + bound) * PLASTER.dihydrateJPerKg,
    c20: PLASTER.c20,
    c700: PLASTER.c700,
    kWet: PLASTER.kWet,
    kDry: PLASTER.kDry,
  };
}

/** Heat of a kilogram of dry solid from 20 °C to a temperature, J; below 20 °C negative. */
export function solidHeat({ c20, c700 }: Plaster, tempC: number): number {
  const slope = (c700 - c20) / (FLAT_C - ZERO_C);
  const upTo = Math.min(tempC, FLAT_C) - ZERO_C;
  return c20 * upTo + (slope * upTo * upTo) / 2 + c700 * Math.max(0, tempC - FLAT_C);
}

/** Share of the dihydrate that has lost its water at a temperature reached for the first time. */
export const calcined = (tempC: number): number =>
  DIHYDRATE.reduce(
    (sum, { fromC, toC, share }) => sum + share * Math.min(1, Math.max(0, (tempC - fromC) / (toC - fromC))),
    0,
  );

/** Heat of a cubic metre from 20 °C that never was warmer, J/m³; at 100 °C with this share of its water left. */
export function firstHeat(plaster: Plaster, tempC: number, waterLeft = tempC < WATER.boilC ? 1 : 0): number {
  const { solid, water, dihydrateJ } = plaster;
  return (
    solid * solidHeat(plaster, tempC) +
    water * WATER.c * (Math.min(tempC, WATER.boilC) - ZERO_C) +
    water * WATER.latentJPerKg * (1 - waterLeft) +
    dihydrateJ * calcined(tempC)
  );
}

/** Temperature and water left by the heat of a cubic metre that never held more; a table, read in between. */
export interface FirstWarming {
  /** °C at n steps of heat. */
  temps: Float64Array;
  lowJ: number;
  stepJ: number;
  /** Heat at which boiling begins and ends, J/m³. */
  boilFromJ: number;
  boilToJ: number;
}

const STEPS = 16_384;
const LOW_C = -60;
const HIGH_C = 1150;
/** How finely the heat is sampled over the temperature, °C; its kinks lie on this. */
const SAMPLE_C = 0.25;

/** The table of an investment: T(H), between −60 and 1150 °C. O(steps). */
export function firstWarming(plaster: Plaster): FirstWarming {
  const lowJ = firstHeat(plaster, LOW_C);
  const stepJ = (firstHeat(plaster, HIGH_C) - lowJ) / (STEPS - 1);
  const [boilFromJ, boilToJ] = [firstHeat(plaster, WATER.boilC, 1), firstHeat(plaster, WATER.boilC, 0)];
  const temps = new Float64Array(STEPS);
  let [belowC, belowJ] = [LOW_C, lowJ];
  let aboveJ = firstHeat(plaster, LOW_C + SAMPLE_C);
  for (let n = 0; n < STEPS; n++) {
    const heat = lowJ + n * stepJ;
    while (aboveJ < heat && belowC + SAMPLE_C < HIGH_C) {
      belowC += SAMPLE_C;
      // From 100 °C on the water is gone: the plateau lies between the two.
      belowJ = belowC === WATER.boilC ? boilToJ : aboveJ;
      aboveJ = belowC + SAMPLE_C === WATER.boilC ? boilFromJ : firstHeat(plaster, belowC + SAMPLE_C);
    }
    const boils = heat >= boilFromJ && heat <= boilToJ;
    const between = aboveJ > belowJ ? Math.max(0, (heat - belowJ) / (aboveJ - belowJ)) : 0;
    temps[n] = boils ? WATER.boilC : belowC + SAMPLE_C * Math.min(1, between);
  }
  return { temps, lowJ, stepJ, boilFromJ, boilToJ };
}
