import type { Judgement } from '../judge';
import { quantity, say, type Phrase } from '../numeric';

/** Rubber or silicone round a master: under the first it tears, under the second it bends (*shop defaults*, ours). mm. */
const TEARS_MM = 3;
const BENDS_MM = 6;

/** Whether a master goes into its frame, opened along its height, and what stands round it at the thinnest. */
export function judgeFrame(
  sizeMm: readonly [number, number, number],
  frame: { lengthMm: number; widthMm: number; heightMm: number },
): Judgement[] {
  const [x, y, z] = sizeMm;
  const [long, wide] = [Math.max(x, y), Math.min(x, y)];
  const [length, width] = [Math.max(frame.lengthMm, frame.widthMm), Math.min(frame.lengthMm, frame.widthMm)];
  const round = Math.min(length - long, width - wide, frame.heightMm - z) / 2;
  const mm = (value: number) => quantity(value, 'mm', 1);
  const judged = (weight: Judgement['weight'], lead: string, why: Phrase): Judgement[] => [
    { rule: 'mold frame', weight, lead, why },
  ];
  if (round <= 0)
    return judged(
      'fix',
      'Larger than its frame.',
      say`The master is ${mm(long)} by ${mm(wide)} and ${mm(z)} high along the pull: a larger frame, or another pull.`,
    );
  const around = (then: Phrase): Phrase => [
    ...say`${mm(round)} stand round the master at the thinnest`,
    ...then,
  ];
  if (round < TEARS_MM)
    return judged(
      'fix',
      'Its wall tears.',
      around(say`: take a larger frame, at least ${mm(BENDS_MM)} all round.`),
    );
  if (round < BENDS_MM)
    return judged(
      'watch',
      'A thin wall.',
      around(say`: it bends under the injector; ${mm(BENDS_MM)} and more hold.`),
    );
  return judged('ok', 'It goes into its frame.', around(say`.`));
}
