import type { Judgement } from '../judge';
import { quantity, say } from '../numeric';
import type { HeatRow } from './heatFlask';

/** How a flask is cast: minutes out of the kiln before the metal is in, and the coldest that its metal takes. °C */
interface CastOut {
  outMin: number;
  lowC: number;
}

/** The plaster that the metal meets, after the flask's way from the kiln: rim and patterns cool long before the core does (handbook 07). */
export function judgeOut(
  { patternsC, coreC }: Pick<HeatRow, 'patternsC' | 'coreC'>,
  { outMin, lowC }: CastOut,
): Judgement {
  const met = say`After ${quantity(outMin, 'min', Number.isInteger(outMin) ? 0 : 1)} out of the kiln the patterns hang in plaster of ${quantity(patternsC, 'degC')}, the core is at ${quantity(coreC, 'degC')}`;
  return patternsC < lowC
    ? {
        rule: 'out of the kiln',
        weight: 'watch',
        lead: 'Cold at the patterns.',
        why: [
          ...met,
          ...say`; this metal’s range begins at ${quantity(lowC, 'degC')}. Be quicker, or cast from a hotter kiln.`,
        ],
      }
    : {
        rule: 'out of the kiln',
        weight: 'ok',
        lead: 'Hot enough at the patterns.',
        why: [...met, ...say`; this metal’s range begins at ${quantity(lowC, 'degC')}.`],
      };
}
