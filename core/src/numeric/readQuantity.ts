import {
  fahrenheitToCelsius,
  WRITTEN_LENGTHS_MM,
  WRITTEN_PRESSURES_KPA,
  WRITTEN_WEIGHTS_G,
  type Unit,
  type UnitChoice,
} from './units';

/** What a typed text was understood as; `value` is in the core unit. */
export type ReadQuantity =
  | { status: 'empty' }
  | {
      status: 'read';
      value: number;
      unitWritten: boolean;
      /** How long, h, where a temperature was written with its hold: "1350 F for 4 h". */
      holdH?: number;
    }
  | { status: 'unreadable'; reason: string };

const NUMBER = String.raw`[-−+]?\d*[.,]?\d+(?:e[-+]?\d+)?`;
const MIXED_FRACTION = /^(?:(\d+)\s+)?(\d+)\/(\d+)\s*(.*)$/;
const CLOCK = /^(\d+):([0-5]\d)(?::([0-5]\d))?$/;
const PLAIN = new RegExp(`^(${NUMBER})\\s*(.*)$`, 'i');
const GROUPED_BY_SPACE = /^[1-9]\d{0,2}(?: \d{3})+(?:\.\d+)?(?=\s|[a-z°"%]|$)/i;
/** "1,350 F": a comma before three digits groups only in temperatures; elsewhere it is a decimal comma. */
const GROUPED_BY_COMMA = /^([1-9]),(\d{3})(?=\s|[a-z°]|$)/i;

interface Split {
  value: number;
  suffix: string;
}

/** Splits "1 1/16 in", "12,5 mm", "1 350 °F" or "1,350" into number and suffix. */
function splitNumber(text: string): Split | null {
  const fraction = MIXED_FRACTION.exec(text);
  if (fraction) {
    const [, whole = '0', numerator = '', denominator = '', suffix = ''] = fraction;
    if (Number(denominator) === 0) return null;
    return { value: Number(whole) + Number(numerator) / Number(denominator), suffix };
  }
  const grouped = GROUPED_BY_SPACE.exec(text);
  if (grouped) {
    return { value: Number(grouped[0].replaceAll(' ', '')), suffix: text.slice(grouped[0].length).trim() };
  }
  const match = PLAIN.exec(text);
  if (!match) return null;
  const [, digits = '', suffix = ''] = match;
  const value = Number(digits.replace('−', '-').replace(',', '.'));
  return Number.isFinite(value) ? { value, suffix } : null;
}

function readTemperature(value: number, suffix: string, choice: UnitChoice): number | null {
  const letter = suffix.replace('°', '').trim().toLowerCase();
  if (letter === 'c') return value;
  if (letter === 'f') return fahrenheitToCelsius(value);
  if (letter !== '') return null;
  return choice.temperature === 'F' ? fahrenheitToCelsius(value) : value;
}

function fromTable(value: number, suffix: string, table: Readonly<Record<string, number>>, bare: number) {
  if (suffix === '') return value * bare;
  const factor = table[suffix.toLowerCase()];
  return factor === undefined ? null : value * factor;
}

/** Suffixes that may follow a number of a unit without changing it. */
const IDLE_SUFFIXES: Partial<Record<Unit, readonly string[]>> = {
  percent: ['%'],
  cm3: ['cm3', 'cm³', 'ml'],
  ml: ['ml', 'cm3', 'cm³'],
  cm2: ['cm2', 'cm²'],
  mm2: ['mm2', 'mm²'],
  gPerCm3: ['g/cm3', 'g/cm³', 'g/ml'],
  jPerG: ['j/g', 'kj/kg'],
  jPerGK: ['j/g k', 'j/gk'],
  nPerM: ['n/m'],
  deg: ['°', 'deg'],
  degCSpan: ['°', 'c', '°c'],
  count: ['×', 'x'],
  ratio: ['of powder'],
};

const HOURS: Readonly<Record<string, number>> = { h: 1, min: 1 / 60, m: 1 / 60, s: 1 / 3600, d: 24 };

/** "3:20" on a scale of hours is 3 h 20; of minutes, 3 min 20 s; of seconds, 3 min 20 s. */
function readClock(text: string, unit: 'h' | 'min' | 's'): number | null {
  const match = CLOCK.exec(text);
  if (!match) return null;
  const [, a = '0', b = '0', c] = match;
  const [first, second, third] = [Number(a), Number(b), Number(c ?? 0)];
  const seconds = c === undefined && unit !== 'h' ? first * 60 + second : first * 3600 + second * 60 + third;
  return unit === 'h' ? seconds / 3600 : unit === 'min' ? seconds / 60 : seconds;
}

function readDuration(text: string, unit: 'h' | 'min' | 's'): number | null {
  const clock = readClock(text, unit);
  if (clock !== null) return clock;
  const compound = /^(\d+)\s*h\s*(\d{1,2})(?:\s*min)?$/i.exec(text);
  const perHour = unit === 'h' ? 1 : unit === 'min' ? 60 : 3600;
  if (compound) return (Number(compound[1]) + Number(compound[2]) / 60) * perHour;
  const split = splitNumber(text);
  if (!split) return null;
  const factor = HOURS[split.suffix.toLowerCase()];
  if (split.suffix === '') return split.value;
  return factor === undefined ? null : split.value * factor * perHour;
}

/** "38:100" is 38 to 100: a share of it. */
const SHARE = new RegExp(`^(${NUMBER})\\s*(?::|to)\\s*(${NUMBER})$`, 'i');
function readShare(text: string, unit: 'ratio' | 'percent'): number | null {
  const match = SHARE.exec(text);
  if (match) {
    const [a, b] = [match[1]!, match[2]!].map((n) => Number(n.replace(',', '.')));
    return a! >= 0 && b! > 0 ? (a! / b!) * (unit === 'percent' ? 100 : 1) : null;
  }
  const percent = unit === 'ratio' ? /^(.*\d)\s*%$/.exec(text) : null;
  const split = percent && splitNumber(percent[1]!);
  return split && split.suffix === '' ? split.value / 100 : null;
}

function convert(text: string, unit: Unit, choice: UnitChoice): number | null {
  if (unit === 'ratio' || unit === 'percent') {
    const share = readShare(text, unit);
    if (share !== null) return share;
  }
  if (unit === 'h' || unit === 'min' || unit === 's') return readDuration(text, unit);
  const split = splitNumber(unit === 'degC' ? text.replace(GROUPED_BY_COMMA, '$1$2') : text);
  if (!split) return null;
  const { value, suffix } = split;
  switch (unit) {
    case 'mm':
      return fromTable(value, suffix, WRITTEN_LENGTHS_MM, choice.length === 'in' ? 25.4 : 1);
    case 'g':
      return fromTable(value, suffix, WRITTEN_WEIGHTS_G, WRITTEN_WEIGHTS_G[choice.weight] ?? 1);
    case 'kPa':
      return fromTable(value, suffix, WRITTEN_PRESSURES_KPA, 1);
    case 'degC':
      return readTemperature(value, suffix, choice);
    case 'degCPerH': {
      const span = suffix.toLowerCase().replace('/h', '').replace('°', '').trim();
      if (span === 'f' || (span === '' && choice.temperature === 'F')) return value / 1.8;
      return span === 'c' || span === '' ? value : null;
    }
    default: {
      const idle = IDLE_SUFFIXES[unit] ?? [];
      return suffix === '' || idle.includes(suffix.toLowerCase()) ? value : null;
    }
  }
}

const EXAMPLES: Partial<Record<Unit, string>> = {
  mm: '12.5, 1/16 in or 2 cm',
  g: '47.6, 30 dwt or 1.5 ozt',
  degC: '730, 730 C or 1350 F',
  degCPerH: '120 or 215 °F/h',
  h: '2:30, 2.5 or 150 min',
  min: '3:20, 3.5 or 40 s',
  s: '2.6 or 1:20',
  percent: '1.5',
  ratio: '0.38, 38:100 or 38 %',
  kPa: '75 or 22 inHg',
};

const HELD = /^(.+?)\s+for\s+(.+)$/i;
function readHeld(temperature: string, hold: string, choice: UnitChoice): ReadQuantity {
  const [read, h] = [readQuantity(temperature, 'degC', choice), readQuantity(hold, 'h', choice)];
  if (read.status !== 'read') return read;
  return h.status === 'read' ? { ...read, unitWritten: true, holdH: h.value } : h;
}

/**
 * Reads what a person typed for a quantity: "1/16 in", "12,5", "1350 F", "1350 F for 4 h", "3:20", "2 h 30", "38:100".
 * A number without a unit is taken in the reader's unit. Returns the value in the core unit.
 */
export function readQuantity(text: string, unit: Unit, choice: UnitChoice): ReadQuantity {
  const trimmed = text.trim();
  if (trimmed === '') return { status: 'empty' };
  const held = unit === 'degC' ? HELD.exec(trimmed) : null;
  if (held) return readHeld(held[1]!, held[2]!, choice);
  const value = convert(trimmed, unit, choice);
  if (value === null || !Number.isFinite(value)) {
    return {
      status: 'unreadable',
      reason: `“${trimmed}” is not understood here. Write it like ${EXAMPLES[unit] ?? '12.5'}.`,
    };
  }
  return { status: 'read', value, unitWritten: !/^[-−+\d.,\s/:]*$/.test(trimmed) };
}
