import type { Deciding } from '@zero-pour/core';

/** The number that decides between two plates, in words. */
export const DECIDES: Record<Deciding, string> = {
  resin: 'the price of its resin',
  printer: 'the printer’s hours',
  light: 'the wear of its screen',
  kiln: 'the hours in the kiln',
  'good castings': 'how many come out good',
};
