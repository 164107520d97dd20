import { requirePositive, quantity, say, type Phrase } from '../numeric';

/** What an exposure was, or is to be, used at. `null`: not measured. */
export interface ExposureSetting {
  printerId: string;
  wavelengthNm: number;
  irradianceMwPerCm2: number | null;
  layerMm: number;
  vatC: number | null;
}

/** A setting carried over by stated laws, or why it cannot be. */
export type CarriedOver =
  | { status: 'carried'; factor: number; laws: Phrase[] }
  | { status: 'refused'; reason: 'wavelength' | 'light' | 'layer' | 'temperature'; why: Phrase };

/** Layer heights and temperatures closer than these are the same (*shop defaults*). */
export const SAME_LAYER_MM = 0.0005;
export const SAME_VAT_C = 3;

/**
 * The factor on an exposure between two settings: t₂ = t₁ · I₁/I₂ for another printer of the same wavelength,
 * t₂ = t₁ · exp((h₂ − h₁)/Dp) for another layer height (handbook 02, "Working curve"). No law carries over a
 * temperature or a wavelength.
 */
export function carryOver(from: ExposureSetting, to: ExposureSetting, dpMm: number | null): CarriedOver {
  const laws: Phrase[] = [];
  let factor = 1;
  if (from.wavelengthNm !== to.wavelengthNm) {
    return {
      status: 'refused',
      reason: 'wavelength',
      why: say`Made at ${from.wavelengthNm} nm, wanted at ${to.wavelengthNm} nm: how deep light cures belongs to its wavelength.`,
    };
  }
  if (from.printerId !== to.printerId) {
    if (from.irradianceMwPerCm2 === null || to.irradianceMwPerCm2 === null) {
      return {
        status: 'refused',
        reason: 'light',
        why: say`The light of both printers has to be measured first.`,
      };
    }
    factor *=
      requirePositive('from.irradiance', from.irradianceMwPerCm2) /
      requirePositive('to.irradiance', to.irradianceMwPerCm2);
    laws.push(
      say`light ${from.irradianceMwPerCm2} → ${to.irradianceMwPerCm2} mW/cm²: × ${factor.toFixed(3)}`,
    );
  }
  if (Math.abs(from.layerMm - to.layerMm) > SAME_LAYER_MM) {
    if (dpMm === null) {
      return {
        status: 'refused',
        reason: 'layer',
        why: say`Another layer height needs the resin’s working curve.`,
      };
    }
    const ratio = Math.exp((to.layerMm - from.layerMm) / requirePositive('dpMm', dpMm));
    factor *= ratio;
    laws.push(
      say`layers ${quantity(from.layerMm, 'mm', 3)} → ${quantity(to.layerMm, 'mm', 3)}, Dp ${quantity(dpMm, 'mm', 3)}: × ${ratio.toFixed(3)}`,
    );
  }
  if (from.vatC !== null && to.vatC !== null && Math.abs(from.vatC - to.vatC) > SAME_VAT_C) {
    return {
      status: 'refused',
      reason: 'temperature',
      why: say`The vat was at ${quantity(from.vatC, 'degC')}, not ${quantity(to.vatC, 'degC')}: no law carries that over.`,
    };
  }
  return { status: 'carried', factor, laws };
}
