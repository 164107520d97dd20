import type { Judgement } from '../judge';
import { quantity, say } from '../numeric';

/** The two ways of knowing the patterns differ by more than this: one of them is wrong. */
const WAYS_DIFFER_PERCENT = 5;
/** Half new metal is usual; so near to it counts as half. */
const USUAL_NEW_PERCENT = 49.99;

/** A charge reckoned by weight against one by volume, g; nothing to say while only one way is known. */
export function judgeWays(totalG: number, otherG: number | undefined, byWeight: boolean): Judgement[] {
  if (otherG === undefined) return [];
  const differ = (100 * (totalG - otherG)) / otherG;
  const [here, there] = byWeight ? ['by weight', 'by volume'] : ['by volume', 'by weight'];
  const why = say`${quantity(totalG, 'g')} ${here} against ${quantity(otherG, 'g')} ${there}: ${quantity(differ, 'percent', 1)}.`;
  if (Math.abs(differ) <= WAYS_DIFFER_PERCENT)
    return [{ rule: 'ways agree', weight: 'ok', lead: 'Both ways agree.', why }];
  return [
    {
      rule: 'ways differ',
      weight: 'watch',
      lead: 'The two ways differ.',
      why: [...why, ' Look for overlapping bodies in the file, a hollow print, or supports still on.'],
    },
  ];
}

/** How much of the charge is new. */
export function judgeReuse(newPercent: number): Judgement[] {
  if (newPercent >= USUAL_NEW_PERCENT) return [];
  return [
    {
      rule: 'reused',
      weight: 'watch',
      lead: newPercent === 0 ? 'All reused metal.' : 'Mostly reused metal.',
      why: say`${Math.round(newPercent)} % new; half is usual. What helps new metal flow is used up with each melt.`,
    },
  ];
}
