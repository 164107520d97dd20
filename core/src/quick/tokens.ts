import { fahrenheitToCelsius, GRAMS_PER_DWT, GRAMS_PER_OZT, MM_PER_INCH } from '../numeric';

/** What a number with a unit measures, in core units: g, mm, ml, °C, kPa, s, h. */
export type Measured = 'g' | 'mm' | 'ml' | 'degC' | 'kPa' | 's' | 'h';

/** One piece of a typed line. `text` is what was typed. */
export type Token = { text: string } & (
  | { type: 'measure'; unit: Measured; value: number }
  /** "10 oz": a troy or a kitchen ounce. */
  | { type: 'ounces'; value: number }
  | { type: 'karat'; value: number }
  | { type: 'percent'; value: number }
  | { type: 'number'; value: number }
  /** "38:100" where the second is no minute, or a clock time, told apart by what stands round them. */
  | { type: 'colon'; first: number; second: number }
  | { type: 'size'; firstMm: number; secondMm: number }
  | { type: 'word'; word: string }
  | { type: 'sign'; sign: '+' | '-' | '→' }
  /** What no line may have: a number under zero, a range. */
  | { type: 'bad'; why: string }
);

/** A token before its text is known. */
type Untold = Token extends infer T ? (T extends Token ? Omit<T, 'text'> : never) : never;

const UNITS: Readonly<Record<string, readonly [Measured, number]>> = {
  g: ['g', 1], gr: ['g', 1], gram: ['g', 1], grams: ['g', 1], gramme: ['g', 1], grammes: ['g', 1],
  kg: ['g', 1000], mg: ['g', 0.001], dwt: ['g', GRAMS_PER_DWT], ozt: ['g', GRAMS_PER_OZT],
  mm: ['mm', 1], cm: ['mm', 10], in: ['mm', MM_PER_INCH], inch: ['mm', MM_PER_INCH], inches: ['mm', MM_PER_INCH], '"': ['mm', MM_PER_INCH],
  'µm': ['mm', 0.001], 'μm': ['mm', 0.001], um: ['mm', 0.001], micron: ['mm', 0.001], microns: ['mm', 0.001],
  ml: ['ml', 1], cc: ['ml', 1], cm3: ['ml', 1], 'cm³': ['ml', 1], l: ['ml', 1000],
  c: ['degC', 1], '°c': ['degC', 1], f: ['degC', Number.NaN], '°f': ['degC', Number.NaN],
  kpa: ['kPa', 1], mbar: ['kPa', 0.1], bar: ['kPa', 100], inhg: ['kPa', 3.386389],
  s: ['s', 1], sec: ['s', 1], secs: ['s', 1], second: ['s', 1], seconds: ['s', 1],
  h: ['h', 1], hr: ['h', 1], hrs: ['h', 1], hour: ['h', 1], hours: ['h', 1], min: ['h', 1 / 60], mins: ['h', 1 / 60], minutes: ['h', 1 / 60],
}; // prettier-ignore
const KARATS = new Set(['k', 'kt', 'ct', 'karat', 'karats', 'carat', 'carats']);

const GLYPHS: Readonly<Record<string, number>> = { '½': 0.5, '¼': 0.25, '¾': 0.75 };
const NUMBER = String.raw`(?:[1-9]\d{0,2}(?:,\d{3})+(?![\d.,])|\d+(?:[.,]\d+)?(?:e[+-]?\d+)?|[.,]\d+)`;
const AMOUNT = new RegExp(
  String.raw`(?:(?<whole>\d+)[ -])?(?<over>\d+)\/(?<under>\d+)|(?<before>\d*)\s?(?<glyph>[½¼¾])|(?<plain>${NUMBER})`,
  'iy',
);
const SUFFIX = /\s*([a-zµμ°³"%]+3?)(?![a-z\d])/iy;
const WORD = /[\p{L}][\p{L}\d'’&.]*/uy;
const BETWEEN = /\s*(?:x|×|by)\s*(?=[\d.,½¼¾])/iy;

const plainNumber = (text: string): number =>
  Number(/^[1-9]\d{0,2}(?:,\d{3})+$/.test(text) ? text.replaceAll(',', '') : text.replace(',', '.'));

/** Walks a line; what it cannot name comes back as a word of its own, so that nothing is passed over. */
class Scanner {
  private at = 0;
  constructor(private readonly line: string) {}

  private take(pattern: RegExp): RegExpExecArray | null {
    pattern.lastIndex = this.at;
    const found = pattern.exec(this.line);
    if (found) this.at = pattern.lastIndex;
    return found;
  }

  private amount(): number | null {
    const groups = this.take(AMOUNT)?.groups;
    if (!groups) return null;
    if (groups['over'] !== undefined)
      return Number(groups['whole'] ?? 0) + Number(groups['over']) / Number(groups['under']);
    if (groups['glyph'] !== undefined) return Number(groups['before'] || 0) + GLYPHS[groups['glyph']]!;
    return plainNumber(groups['plain']!);
  }

  private suffix(): string {
    const before = this.at;
    const found = this.take(SUFFIX)?.[1]?.toLowerCase() ?? '';
    if (found in UNITS || KARATS.has(found) || found === '%' || found === 'oz') return found;
    this.at = before;
    return '';
  }

  next(): Token | null {
    this.take(/(?:[\s;?!()]|[.,](?!\d))*/y);
    if (this.at >= this.line.length) return null;
    const from = this.at;
    const token = this.read();
    return { ...token, text: this.line.slice(from, this.at).trim() } as Token;
  }

  private read(): Untold {
    const sign = this.take(/\s*(\+|-|–|−|→|->|=)\s*/y)?.[1];
    if (sign !== undefined) return this.afterSign(sign);
    const first = this.amount();
    if (first === null) {
      const word = this.take(WORD)?.[0] ?? this.line[this.at++]!;
      return { type: 'word', word: word.toLowerCase().replace(/[.'’-]+$/, '') };
    }
    return this.afterAmount(first);
  }

  /** A minus before a number at the beginning of a thing is a number under zero; between things it joins them. */
  private afterSign(sign: string): Untold {
    const minus = sign === '-' || sign === '–' || sign === '−';
    const before = this.line.slice(0, this.at);
    // "-5" stands alone at the beginning, or after a word with no space behind its minus.
    const starts = before.trim().length <= sign.length || /\p{L}\s+[-–−]$/u.test(before);
    if (!minus || !starts) return { type: 'sign', sign: minus ? '-' : sign === '+' ? '+' : '→' };
    const value = this.amount();
    const unit = this.suffix();
    if (value !== null && UNITS[unit]?.[0] === 'degC') return measure(-value, unit);
    return { type: 'bad', why: 'It cannot be less than nothing.' };
  }

  private afterAmount(first: number): Untold {
    const colon = this.take(/:(\d{1,3})(?!\d)/y);
    if (colon) return { type: 'colon', first, second: Number(colon[1]) };
    const unit = this.suffix();
    if (this.take(BETWEEN)) return this.size(first, unit);
    const range = this.take(/\s*[-–]\s*(?=[\d.,])/y);
    if (range) {
      this.amount();
      if (!KARATS.has(this.suffix())) return { type: 'bad', why: 'That is a range: give one number.' };
      this.at = range.index;
    }
    if (KARATS.has(unit)) return { type: 'karat', value: first };
    if (unit === '%') return { type: 'percent', value: first };
    if (unit === 'oz') return { type: 'ounces', value: first };
    if (unit === 'h') {
      const minutes = this.take(/\s*(\d{1,2})(?:\s*(?:min|m)\b)?(?![\d:.,/]|\s*[a-z%°])/iy);
      return { type: 'measure', unit: 'h', value: first + Number(minutes?.[1] ?? 0) / 60 };
    }
    return unit === '' ? { type: 'number', value: first } : measure(first, unit);
  }

  private size(first: number, unit: string): Untold {
    const second = this.amount() ?? Number.NaN;
    const after = this.suffix();
    const lengths = [unit || after, after || unit].map((u) => (u === '' ? 1 : UNITS[u]?.[0] === 'mm' ? UNITS[u][1] : Number.NaN)); // prettier-ignore
    const [firstMm, secondMm] = [first * lengths[0]!, second * lengths[1]!];
    return firstMm > 0 && secondMm > 0
      ? { type: 'size', firstMm, secondMm }
      : { type: 'bad', why: 'A flask has two sides in mm or inches.' };
  }
}

function measure(value: number, unit: string): Untold {
  const [of, factor] = UNITS[unit]!;
  return {
    type: 'measure',
    unit: of,
    value: Number.isNaN(factor) ? fahrenheitToCelsius(value) : value * factor,
  };
}

/** The pieces of a typed line, in order. */
export function tokensOf(line: string): Token[] {
  const scanner = new Scanner(line);
  const out: Token[] = [];
  for (let token = scanner.next(); token; token = scanner.next()) out.push(token);
  return out;
}
