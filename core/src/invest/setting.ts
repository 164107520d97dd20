import type { Judgement } from '../judge';
import { quantity, requirePositive, say } from '../numeric';

/** Gloss-off follows the end of the working time by so much (handbook 07). min */
export const GLOSS_AFTER_MIN = [1, 4] as const;
/** A set flask that waits longer is kept damp (handbook 07). h */
export const DAMP_AFTER_H = 24;

/** When the gloss went off, after powder met water, against this powder at this water. min; nothing of one that was not seen. */
export function judgeGlossOff(
  glossMin: number | undefined,
  workingMin: number,
  waterKnown: boolean,
): Judgement[] {
  if (glossMin === undefined) return [];
  const [least, most] = GLOSS_AFTER_MIN.map((after) => requirePositive('workingMin', workingMin) + after) as [
    number,
    number,
  ];
  const seen = say`Seen after ${quantity(glossMin, 'min', 1)}; ${quantity(least, 'min', 0)} to ${quantity(most, 'min', 0)} is usual for it`;
  const at = waterKnown ? say` in this water.` : say` at 22 °C: the water was not read.`;
  const judged = (
    weight: Judgement['weight'],
    lead: string,
    more: string,
    rule = 'gloss-off',
  ): Judgement[] => [{ rule, weight, lead, why: [...seen, ...at, more] }];
  if (glossMin < least)
    return judged('watch', 'It set early.', ' Warm water or a warm room: the next mix has less time.');
  if (glossMin > most)
    return judged('watch', 'It set late.', ' Damp or old powder, or cold water: it may be weak.');
  return waterKnown
    ? judged('ok', 'Set as it should.', '')
    : judged('watch', 'Set as it would at 22 °C.', '', 'gloss-off, water not read');
}

/** How long a filled flask stood before the kiln, against what its powder asks. h */
export function judgeStood(stoodH: number | undefined, setH: number): Judgement[] {
  if (stoodH === undefined) return [];
  const stood = say`${quantity(stoodH, 'h', 1)} from filled to the kiln; `;
  if (stoodH < setH - 1 / 60)
    return [
      {
        rule: 'set time',
        weight: 'fix',
        lead: 'Not set yet.',
        why: [
          ...stood,
          ...say`this powder asks for ${quantity(setH, 'h', 1)} undisturbed. Sooner it cracks.`,
        ],
      },
    ];
  if (stoodH <= DAMP_AFTER_H) return [];
  return [
    {
      rule: 'set time',
      weight: 'watch',
      lead: 'It waits long.',
      why: [...stood, ...say`over ${quantity(DAMP_AFTER_H, 'h', 0)} it is to be kept damp.`],
    },
  ];
}
