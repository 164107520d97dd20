/**
 * Units. Core computes in mm, g, °C and s only; these functions convert at the edges.
 * Troy factors are exact by definition (1 ozt = 31.1034768 g, 20 dwt to the ozt; 1 in = 25.4 mm).
 */

export const GRAMS_PER_OZT = 31.1034768;
export const GRAMS_PER_DWT = GRAMS_PER_OZT / 20;
export const MM_PER_INCH = 25.4;
const KPA_PER_INHG = 3.386389;

/** What a number in core is counted in. `money` is in the shop's own currency. */
export type Unit =
  | 'mm'
  | 'mm2'
  | 'cm2'
  | 'cm3'
  | 'ml'
  | 'g'
  | 'degC'
  | 'degCSpan'
  | 'degCPerH'
  | 's'
  | 'min'
  | 'h'
  | 'percent'
  | 'gPerCm3'
  | 'kPa'
  | 'kW'
  | 'kWh'
  | 'jPerG'
  | 'jPerGK'
  | 'nPerM'
  | 'days'
  | 'nm'
  | 'um'
  | 'mWPerCm2'
  | 'mJPerCm2'
  | 'deg'
  | 'count'
  | 'ratio'
  | 'money';

/** The reader's choice; it changes what is shown and typed, never what is stored. */
export interface UnitChoice {
  temperature: 'C' | 'F';
  weight: 'g' | 'dwt' | 'ozt';
  length: 'mm' | 'in';
}

export const METRIC: UnitChoice = { temperature: 'C', weight: 'g', length: 'mm' };

export const celsiusToFahrenheit = (tempC: number): number => (tempC * 9) / 5 + 32;
export const fahrenheitToCelsius = (tempF: number): number => ((tempF - 32) * 5) / 9;

/** Affine map from a core value to the shown one: shown = value × factor + offset. */
interface Shown {
  factor: number;
  offset: number;
  suffix: string;
}

const plain = (suffix: string): Shown => ({ factor: 1, offset: 0, suffix });

/** How values of a unit are shown under the reader's choice. */
export function shownUnit(unit: Unit, choice: UnitChoice): Shown {
  switch (unit) {
    case 'mm':
      return choice.length === 'in' ? { factor: 1 / MM_PER_INCH, offset: 0, suffix: 'in' } : plain('mm');
    case 'g':
      if (choice.weight === 'dwt') return { factor: 1 / GRAMS_PER_DWT, offset: 0, suffix: 'dwt' };
      if (choice.weight === 'ozt') return { factor: 1 / GRAMS_PER_OZT, offset: 0, suffix: 'ozt' };
      return plain('g');
    case 'degC':
      return choice.temperature === 'F' ? { factor: 1.8, offset: 32, suffix: '°F' } : plain('°C');
    case 'degCSpan':
      return choice.temperature === 'F' ? { factor: 1.8, offset: 0, suffix: '°F' } : plain('°C');
    case 'degCPerH':
      return choice.temperature === 'F' ? { factor: 1.8, offset: 0, suffix: '°F/h' } : plain('°C/h');
    case 'mm2':
      return plain('mm²');
    case 'cm2':
      return plain('cm²');
    case 'cm3':
      return plain('cm³');
    case 'ml':
      return plain('ml');
    case 's':
      return plain('s');
    case 'min':
      return plain('min');
    case 'h':
      return plain('h');
    case 'percent':
      return plain('%');
    case 'gPerCm3':
      return plain('g/cm³');
    case 'kPa':
      return plain('kPa');
    case 'kW':
      return plain('kW');
    case 'kWh':
      return plain('kWh');
    case 'jPerG':
      return plain('J/g');
    case 'jPerGK':
      return plain('J/g K');
    case 'nPerM':
      return plain('N/m');
    case 'days':
      return plain('days');
    case 'nm':
      return plain('nm');
    case 'um':
      return plain('µm');
    case 'mWPerCm2':
      return plain('mW/cm²');
    case 'mJPerCm2':
      return plain('mJ/cm²');
    case 'deg':
      return plain('°');
    case 'count':
    case 'ratio':
    case 'money':
      return plain('');
  }
}

/** Factors from a written unit to the core unit, for typed input. */
export const WRITTEN_LENGTHS_MM: Readonly<Record<string, number>> = {
  mm: 1,
  cm: 10,
  m: 1000,
  in: MM_PER_INCH,
  inch: MM_PER_INCH,
  '"': MM_PER_INCH,
};
export const WRITTEN_WEIGHTS_G: Readonly<Record<string, number>> = {
  g: 1,
  kg: 1000,
  dwt: GRAMS_PER_DWT,
  ozt: GRAMS_PER_OZT,
};
export const WRITTEN_PRESSURES_KPA: Readonly<Record<string, number>> = {
  kpa: 1,
  mbar: 0.1,
  bar: 100,
  inhg: KPA_PER_INHG,
};
