import { shownUnit, type Unit, type UnitChoice } from './units';

/** A number with its unit, as it travels in sentences and workings. */
export interface Quantity {
  value: number;
  unit: Unit;
  /** Decimals in the core unit; the shown unit may take more or fewer. */
  digits?: number;
}

const DEFAULT_DIGITS: Record<Unit, number> = {
  mm: 2,
  mm2: 1,
  cm2: 2,
  cm3: 3,
  ml: 0,
  g: 1,
  degC: 0,
  degCSpan: 0,
  degCPerH: 0,
  s: 1,
  min: 0,
  h: 1,
  percent: 2,
  gPerCm3: 3,
  kPa: 0,
  kW: 1,
  kWh: 1,
  jPerG: 0,
  jPerGK: 3,
  nPerM: 2,
  days: 0,
  nm: 0,
  um: 1,
  mWPerCm2: 2,
  mJPerCm2: 1,
  deg: 0,
  count: 0,
  ratio: 2,
  money: 2,
};

/** Extra decimals that keep the resolution when the shown unit is larger than the core unit. */
const extraDigits = (factor: number): number => (factor >= 1 ? 0 : Math.round(-Math.log10(factor)));

/** Rounds half away from zero at the given decimals and uses the true minus sign. */
export function formatNumber(value: number, digits: number): string {
  // The nudge keeps decimal halves (47.595 at two digits) from falling to their binary neighbour.
  const text = (Math.abs(value) + Math.abs(value) * 1e-12).toFixed(digits);
  return value < 0 && Number(text) !== 0 ? `−${text}` : text;
}

/** Hours as "2 h 30"; whole hours as "2 h"; under one hour as minutes. */
export function formatHours(hours: number): string {
  const minutes = Math.round(Math.abs(hours) * 60);
  const h = Math.floor(minutes / 60);
  const m = minutes % 60;
  const sign = hours < 0 && minutes > 0 ? '−' : '';
  if (h === 0) return `${sign}${m} min`;
  return m === 0 ? `${sign}${h} h` : `${sign}${h} h ${String(m).padStart(2, '0')}`;
}

/** The number alone, in the reader's unit. */
export function formatValue(quantity: Quantity, choice: UnitChoice): string {
  const { factor, offset } = shownUnit(quantity.unit, choice);
  const digits = (quantity.digits ?? DEFAULT_DIGITS[quantity.unit]) + extraDigits(factor);
  return formatNumber(quantity.value * factor + offset, digits);
}

/** Number and unit, as it stands in a sentence. */
export function formatQuantity(quantity: Quantity, choice: UnitChoice): string {
  if (quantity.unit === 'h') return formatHours(quantity.value);
  const { suffix } = shownUnit(quantity.unit, choice);
  const text = formatValue(quantity, choice);
  if (suffix === '') return text;
  return suffix === '°' ? `${text}°` : `${text} ${suffix}`;
}
