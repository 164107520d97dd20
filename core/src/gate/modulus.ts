import { quantity, requireNumber, requirePositive, say } from '../numeric';
import type { Judgement } from '../judge';

/** A gate must stay liquid longer than what it feeds: its modulus at least 1.1 × (handbook 05, "Feed"). */
export const GATE_MODULUS_FACTOR = 1.1;
/** Thinner gates freeze or break (handbook 05). */
export const GATE_MIN_MM = 1.5;
/** Thicker single gates leave a scar and a hot spot: offer two (handbook 05). */
export const GATE_MAX_MM = 5;

/** Casting modulus V/A, mm: freezing time goes with its square (Chvorinov 1940). */
export function castingModulusMm(volumeMm3: number, areaMm2: number): number {
  return requirePositive('volumeMm3', volumeMm3) / requirePositive('areaMm2', areaMm2);
}

/** Round gate diameter whose modulus D/4 is 1.1 × the fed mass's, never under 1.5 mm. */
export function gateDiameterForModulusMm(modulusMm: number): number {
  return Math.max(GATE_MIN_MM, 4 * GATE_MODULUS_FACTOR * requirePositive('modulusMm', modulusMm));
}

export interface Gates {
  count: number;
  diameterMm: number;
  lengthMm: number;
}

/** Metal in round gates, mm³. */
export function gatesVolumeMm3({ count, diameterMm, lengthMm }: Gates): number {
  requireNumber('count', count, 0);
  return (
    ((count * Math.PI) / 4) *
    requireNumber('diameterMm', diameterMm, 0) ** 2 *
    requireNumber('lengthMm', lengthMm, 0)
  );
}

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
