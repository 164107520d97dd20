import { quantity, say } from '../numeric';
import { formula } from '../working';
import type { Judgement } from '../judge';
import type { BookAlloy, CastClass, ClassRange } from '../metal';

export interface PourTemperatures {
  flask: ClassRange;
  metal: ClassRange;
  /** Middle of each range, rounded to 5 °C. */
  flaskC: number;
  metalC: number;
}

/** The middle of a range, to 5 °C. */
export const MIDDLE_TO_5 = formula`5 × round((${'L'} + ${'H'}) / 10)`;
/** A temperature, set off on purpose. */
export const ON_PURPOSE = formula`${'T'} + ${'w'}`;
const middle = ({ lowC, highC }: ClassRange): number => MIDDLE_TO_5.of({ L: lowC, H: highC });

/** Flask and metal temperature by alloy and class (handbook 08): thin, hotter flask; heavy, cooler. */
export function pourTemperatures(
  alloy: Pick<BookAlloy, 'flask' | 'metal'>,
  castClass: CastClass,
): PourTemperatures {
  const row = castClass === 'mixed' ? 'standard' : castClass;
  const [flask, metal] = [alloy.flask[row], alloy.metal[row]];
  return { flask, metal, flaskC: middle(flask), metalC: middle(metal) };
}

const TEXTS = {
  flask: {
    low: 'Flask too cool.',
    lowWhy: 'Thin ends may not fill.',
    high: 'Flask too hot.',
    highWhy: 'Rough skin and shrink holes.',
  },
  metal: {
    low: 'Metal too cool.',
    lowWhy: 'It may freeze on the way.',
    high: 'Metal too hot.',
    highWhy: 'Gas and rough skin; zinc-bearing alloys fume.',
  },
} as const;

/** A read or chosen temperature against its range. */
export function judgeTemperature(what: 'flask' | 'metal', tempC: number, range: ClassRange): Judgement {
  const texts = TEXTS[what];
  const [read, low, high] = [
    quantity(tempC, 'degC'),
    quantity(range.lowC, 'degC'),
    quantity(range.highC, 'degC'),
  ];
  if (tempC < range.lowC)
    return {
      rule: `${what} cool`,
      weight: 'watch',
      lead: texts.low,
      why: say`${read}; this alloy and class take ${low} to ${high}. ${texts.lowWhy}`,
    };
  if (tempC > range.highC)
    return {
      rule: `${what} hot`,
      weight: 'watch',
      lead: texts.high,
      why: say`${read}; this alloy and class take ${low} to ${high}. ${texts.highWhy}`,
    };
  return {
    rule: `${what} ok`,
    weight: 'ok',
    lead: what === 'flask' ? 'Flask in range.' : 'Metal in range.',
    why: say`${read}, within ${low} to ${high}.`,
  };
}
