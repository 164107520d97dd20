import { quantity, requirePositive, say } from '../numeric';
import type { Judgement } from '../judge';
import { formula } from '../working';

/** A gate must stay liquid longer than what it feeds: its modulus at least 1.1 × (handbook 05, "Feed"). */
export const GATE_MODULUS_FACTOR = 1.1;
/** Thinner gates freeze or break (handbook 05). */
export const GATE_MIN_MM = 1.5;
/** Thicker single gates leave a scar and a hot spot: offer two (handbook 05). */
export const GATE_MAX_MM = 5;

/** Casting modulus, mm, of a volume in cm³ and a surface in cm²: freezing time goes with its square (Chvorinov 1940). */
export const CASTING_MODULUS = formula`10 × ${'V'} / ${'A'}`;
/** Round gate whose modulus D/4 is so many times that of what it feeds, never under the least. mm. */
export const GATE_DIAMETER = formula`the larger of ${'d'} and 4 × ${'k'} × ${'M'}`;
/** Gates are made to 0.2 mm, the steps that wax wire comes in: the next one up. */
export const GATE_STEP_MM = 0.2;

export const castingModulusMm = (volumeMm3: number, areaMm2: number): number =>
  CASTING_MODULUS.of({
    V: requirePositive('volumeMm3', volumeMm3) / 1000,
    A: requirePositive('areaMm2', areaMm2) / 100,
  });

export const gateDiameterForModulusMm = (modulusMm: number): number =>
  GATE_DIAMETER.of({ d: GATE_MIN_MM, k: GATE_MODULUS_FACTOR, M: requirePositive('modulusMm', modulusMm) });

/** The gate to make for a part that asks for this diameter: the next step up, one, short: 1.5 diameters (handbook 05). */
export function proposedGates(askedMm: number): Gates {
  const diameterMm = Math.ceil(requirePositive('askedMm', askedMm) / GATE_STEP_MM - 1e-9) * GATE_STEP_MM;
  const tidy = Math.round(diameterMm * 10) / 10;
  return { count: 1, diameterMm: tidy, lengthMm: Math.round(tidy * 1.5 * 2) / 2 };
}

export interface Gates {
  count: number;
  diameterMm: number;
  lengthMm: number;
}

/** Metal in round gates: how many, mm, mm; cm³. */
export const GATES_CM3 = formula`${'n'} × π/4 × ${'D'}² × ${'L'} / 1000`;

/** Whether these gates feed a part of this modulus, and what would. */
export function judgeGates(gates: Gates, modulusMm: number): Judgement[] {
  const wanted = gateDiameterForModulusMm(modulusMm);
  const have = quantity(gates.diameterMm, 'mm', 1);
  const need = quantity(wanted, 'mm', 1);
  const modulus = quantity(modulusMm, 'mm', 2);
  const judgements: Judgement[] = [];
  if (gates.count === 0) {
    judgements.push({
      rule: 'gate none',
      weight: 'stop',
      lead: 'No gate.',
      why: say`Metal has no way in. Give the part at least one gate of ${need}.`,
    });
  } else if (gates.diameterMm + 1e-9 < wanted) {
    judgements.push({
      rule: 'gate thin',
      weight: gates.diameterMm < 0.8 * wanted ? 'fix' : 'watch',
      lead: 'Gate freezes first.',
      why: say`A ${have} gate feeds less than the part asks (V/A ${modulus}): take ${need} on its thickest mass, or weigh up a shrink hole.`,
    });
  } else {
    judgements.push({
      rule: 'gate feeds',
      weight: 'ok',
      lead: 'Gate feeds.',
      why: say`${have} against ${need} that V/A ${modulus} asks, if it sits on the thickest mass.`,
    });
  }
  if (wanted > GATE_MAX_MM && gates.count < 2) {
    judgements.push({
      rule: 'gate two',
      weight: 'watch',
      lead: 'Offer it two gates.',
      why: say`One gate would need ${need}; over ${quantity(GATE_MAX_MM, 'mm', 0)} two lighter ones cut off cleaner.`,
    });
  }
  return judgements;
}
