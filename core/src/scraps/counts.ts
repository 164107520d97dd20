/** How many of how many came out. */
export interface ScrapCount {
  good: number;
  /** Null: only the good ones were counted. */
  of: number | null;
}

const WORDS: Readonly<Record<string, number>> = {
  none: 0,
  nothing: 0,
  zero: 0,
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
};
const ALL = /^(?:all|all good|all ok|ok|good|yes|every one|alle)$/i;
const OF = /^(\d{1,3})\s*(?:of|out of|\/|from|von)\s*(\d{1,3})$/i;
const PERCENT = /^(\d{1,3}(?:[.,]\d+)?)\s*%$/;
/** More of one kind than any flask holds is no count. */
const MOST = 500;

/** A whole number as it is written or said: "7", "7 pcs", "×7", "seven", "7.0". Undefined for none. */
export function readCount(text: string): number | undefined {
  const plain = text.trim().toLowerCase();
  const word = WORDS[plain];
  if (word !== undefined) return word;
  const found = /^[x×]?\s*(\d{1,3})(?:[.,]0+)?\s*(?:x|×|pcs?\.?|pieces?|castings?|prints?|stk\.?)?$/.exec(
    plain,
  );
  return found && Number(found[1]) <= MOST ? Number(found[1]) : undefined;
}

/** "2 of 3", "2/3", "all", "none", "80 %" of those that were made, or a number of good ones. Undefined for none of these. */
export function readOutcome(text: string, made: number | undefined): ScrapCount | undefined {
  const plain = text.trim();
  const of = OF.exec(plain);
  if (of) {
    const [good, all] = [Number(of[1]), Number(of[2])];
    return good <= all && all > 0 && all <= MOST ? { good, of: all } : undefined;
  }
  if (ALL.test(plain)) return made === undefined ? undefined : { good: made, of: made };
  const percent = PERCENT.exec(plain);
  if (percent) {
    const share = Number(percent[1]!.replace(',', '.')) / 100;
    return made === undefined || share > 1 ? undefined : { good: Math.round(share * made), of: made };
  }
  const good = readCount(plain);
  if (good === undefined || (made !== undefined && good > made)) return undefined;
  return { good, of: made ?? null };
}
