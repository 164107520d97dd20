import type { Judgement } from '../judge';
import { quantity, say } from '../numeric';

/** The two ways of knowing the patterns differ by more than this: one of them is wrong. */
const WAYS_DIFFER_PERCENT = 5;
/** Half new metal is usual; so near to it counts as half. */
const USUAL_NEW_PERCENT = 49.99;

/** What may make the two ways differ. */
export interface WayClues {
  /** A file is open by more than a little: its volume is an estimate. */
  open: boolean;
  /** Bodies of a file lie in each other. */
  overlaps: boolean;
  /** Nobody measured the density of the cured resin. */
  densityGuessed: boolean;
}
/** A guessed density is off by no more than this (handbook 05: cured is 5 to 8 % denser than the liquid). */
const DENSITY_OFF_PERCENT = 8;

/** The likeliest reason why prints weigh more or less than their files have volume. */
function reasonOf(weighsMorePercent: number, { open, overlaps, densityGuessed }: WayClues): string {
  if (open)
    return 'A file is not closed, so its volume is only an estimate: go by the weight, or mend the file.';
  if (weighsMorePercent < 0 && overlaps)
    return 'Bodies in a file lie in each other: volume counts twice what is printed once.';
  if (densityGuessed && Math.abs(weighsMorePercent) <= DENSITY_OFF_PERCENT)
    return 'Nobody measured the density of the cured resin: weigh a printed block of known size.';
  return weighsMorePercent > 0
    ? 'The prints are heavier than their files: resin or solvent left inside, or supports still on.'
    : 'The prints are lighter than their files: one is hollow, broken, or not on the balance.';
}

/** A charge reckoned by weight against one by volume, g; nothing to say while only one way is known. */
export function judgeWays(
  totalG: number,
  otherG: number | undefined,
  byWeight: boolean,
  clues: WayClues,
): Judgement[] {
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
      why: [...why, ` ${reasonOf(byWeight ? differ : -differ, clues)}`],
    },
  ];
}

/** A tree that weighs less than what is on it. g. */
export function judgeTreeWeight(treeG: number, baseG: number, printsG: number): Judgement[] {
  if (treeG - baseG - printsG > 0) return [];
  return [
    {
      rule: 'tree weight',
      weight: 'fix',
      lead: 'The tree weighs less than what is on it.',
      why: say`${quantity(treeG, 'g', 2)} on its base, of which ${quantity(baseG, 'g', 2)} base and ${quantity(printsG, 'g', 2)} prints: no wax is left. One of the three was read wrong; the wax is taken by volume until then.`,
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
