import { slowSwell, swellsSlowly, type Segment } from '../burnout';
import type { Judgement } from '../judge';
import { quantity, say, type Phrase } from '../numeric';
import type { BoricSchool } from './mix';

/** Under ordinary powder the climb to 400 °C is at most this (*ours*: half the shop default of resin grade). °C/h */
const ORDINARY_RAMP_C_PER_H = 60;
/** Of the powder (handbook 07). */
const ORDINARY_BORIC_PERCENT = 1;

/** How a resin print stands in ordinary powder: water ÷ powder, boric acid, and the burnout where one is chosen. */
export interface OrdinaryMix {
  ratio: number;
  ratioLeast: number;
  ratioUsual: number;
  school: BoricSchool;
  segments: readonly Segment[] | undefined;
}
/** What helps ordinary powder to bear the swelling, of what is not there yet. */
export interface OrdinaryHelp {
  ratio?: number;
  boric?: { school: BoricSchool; percent: number };
  segments?: Segment[];
}

/** What is still to be changed so that ordinary powder bears a resin print; nothing where all of it is done. */
export function helpForOrdinary({
  ratio,
  ratioLeast,
  ratioUsual,
  school,
  segments,
}: OrdinaryMix): OrdinaryHelp {
  const thick = ratioLeast < ratioUsual ? ratio < ratioUsual : ratio <= ratioLeast;
  return {
    ...(thick ? {} : { ratio: ratioLeast }),
    ...(school === 'none' ? { boric: { school: 'powder', percent: ORDINARY_BORIC_PERCENT } } : {}),
    ...(segments && !swellsSlowly(segments, ORDINARY_RAMP_C_PER_H)
      ? { segments: slowSwell(segments, ORDINARY_RAMP_C_PER_H) }
      : {}),
  };
}

const listed = (parts: readonly Phrase[]): Phrase =>
  parts.flatMap((part, n) => [...(n === 0 ? [] : [n === parts.length - 1 ? ' and ' : ', ']), ...part]);

/** The powder's grade under a resin print (handbook 07): what ordinary powder still wants, or that it has it. */
export function judgeGrade(grade: string, mix: OrdinaryMix): Judgement[] {
  if (grade !== 'standard') return [];
  const help = helpForOrdinary(mix);
  const slow = say`a climb of at most ${quantity(ORDINARY_RAMP_C_PER_H, 'degCPerH')} to ${quantity(400, 'degC')}`;
  const wants = [
    ...(help.boric ? [say`boric acid`] : []),
    ...(help.ratio === undefined ? [] : [say`a thicker mix (${quantity(help.ratio, 'ratio')})`]),
    ...(help.segments || !mix.segments ? [slow] : []),
  ];
  const base = { rule: 'grade', weight: 'watch' } as const;
  if (wants.length > 0)
    return [
      {
        ...base,
        lead: 'Ordinary powder under resin.',
        why: [...say`Resin swells before it burns. Take resin-grade powder, or `, ...listed(wants), '.'],
      },
    ];
  return [
    {
      ...base,
      lead: 'Ordinary powder, helped.',
      why: say`Boric acid, a thicker mix and a slow climb are planned. Resin-grade powder bears the swelling better.`,
    },
  ];
}
