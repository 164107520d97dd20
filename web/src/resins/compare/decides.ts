import type { Deciding, Decision } from '@zero-pour/core';

/** The number that decides between two plates, in words. */
const DECIDES: Record<Deciding, string> = {
  resin: 'the price of its resin',
  printer: 'the printer’s hours',
  light: 'the wear of its screen',
  kiln: 'the hours in the kiln',
  'good castings': 'how many come out good',
};

/** Costs nearer than this share are alike: what is counted is not known better. */
const ALIKE = 0.03;

/** The one sentence of a comparison: which is cheapest by what, or that none is. */
export function decisionWords(
  { best, next, by, amount }: Decision,
  bestCost: number,
  nextCost: number,
): string {
  if (nextCost - bestCost < ALIKE * bestCost)
    return `${best} and ${next} cost alike, ${bestCost.toFixed(2)} and ${nextCost.toFixed(2)} a good casting: take what prints and casts more surely.`;
  const how = amount > 0 ? `, ${amount.toFixed(2)} a casting by itself` : '';
  return `${best} is cheapest, ${bestCost.toFixed(2)} a good casting against ${nextCost.toFixed(2)} for ${next}. What decides is ${DECIDES[by]}${how}.`;
}
