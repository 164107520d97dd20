import { InputError } from '../numeric';
import type { FeatureCount } from './trials';

/** Counts in words, for eyes that do not count, with the share each stands for (handbook 02). */
export const COUNT_WORDS = { all: 1, most: 0.85, half: 0.5, few: 0.15, none: 0 } as const;
export type CountWord = keyof typeof COUNT_WORDS;

/** A word is entered as the count of this share of the features, so that it weighs less than counting. */
const WORD_SHARE = 0.25;

/** What was counted, or a word for it; nothing when nobody looked. */
export type Seen = { good: number } | { word: CountWord } | undefined;

/** The count that a coupon's entry stands for; 0 of 0 when nobody looked. Throws InputError beyond `of`. */
export function featureCount(seen: Seen, of: number): FeatureCount {
  if (!seen || of === 0) return { good: 0, of: 0 };
  if ('good' in seen) {
    if (seen.good < 0 || seen.good > of) throw new InputError('good', `0 to ${of}`, seen.good);
    return { good: seen.good, of };
  }
  const weighed = of * WORD_SHARE;
  return { good: weighed * COUNT_WORDS[seen.word], of: weighed };
}
