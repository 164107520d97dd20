import { COUNT_WORDS, type CountWord } from '@zero-pour/core';
import type { Trial } from '@zero-pour/contracts';

/** What was counted, a word for it, or null when nobody looked. */
export type SeenCount = NonNullable<Trial['counts']['filigree']>['struts'];

export const WORDS = Object.keys(COUNT_WORDS) as CountWord[];

export type ReadSeen = { status: 'read'; seen: SeenCount } | { status: 'unreadable'; reason: string };

/** A count as it is typed: "22", "22/24", "all", or the first letter of a word. */
export function readSeen(text: string, of: number): ReadSeen {
  const typed = text.trim().toLowerCase();
  if (typed === '' || typed === '-') return { status: 'read', seen: null };
  const word = WORDS.find((w) => w === typed || (typed.length === 1 && w.startsWith(typed)));
  if (word) return { status: 'read', seen: { word } };
  const counted = /^(\d{1,3})(?:\s*(?:\/|of)\s*(\d{1,3}))?$/.exec(typed);
  if (!counted) return { status: 'unreadable', reason: `A number from 0 to ${of}, or ${WORDS.join(', ')}.` };
  const good = Number(counted[1]);
  if (good > of || (counted[2] !== undefined && Number(counted[2]) !== of)) {
    return { status: 'unreadable', reason: `There are ${of} on this coupon.` };
  }
  return { status: 'read', seen: { good } };
}

/** The count as it stands in a field or a table. */
export const seenText = (seen: SeenCount | undefined): string =>
  seen ? ('good' in seen ? String(seen.good) : seen.word) : '';
