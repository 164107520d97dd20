import { InputError } from '../numeric';
import type { Phrase } from '../numeric';

/** A sign that speaks for or against a cause. */
export interface CauseTest {
  /** Name of the sign, as evidence is given by. */
  sign: string;
  /** P(bad | this cause), P(bad | not this cause). */
  pBad: number;
  pElse: number;
  /** Signs of one group depend on each other: only the one that says most counts. */
  group?: string;
}

export interface Cause {
  key: string;
  name: string;
  /** Share of the prior, before this shop has confirmed any. */
  prior: number;
  tests: readonly CauseTest[];
}

/** What can go wrong, with its causes; what their priors leave to 1 is "other". */
export interface Fault {
  key: string;
  name: string;
  causes: readonly Cause[];
}

/** A sign as it was found here, with its sentence; a sign that is not given is missing, and said to be. */
export interface Sign {
  state: 'bad' | 'good';
  says: Phrase;
}
export type Evidence = Readonly<Record<string, Sign | undefined>>;

/** Key of what none of the causes explains. */
export const OTHER = 'other';
/** Sum of the counts that a fault starts with (handbook 08, "Why"). */
const COUNTS = 8;

/** Counts of a fault's causes and of "other" at the start. */
export function startingCounts({ causes }: Fault): Record<string, number> {
  const known = causes.reduce((sum, cause) => sum + cause.prior, 0);
  if (known >= 1) throw new InputError('causes', 'priors that leave something to others', known);
  return Object.fromEntries([
    ...causes.map((cause) => [cause.key, COUNTS * cause.prior] as const),
    [OTHER, COUNTS * (1 - known)],
  ]);
}

export interface RankedCause {
  key: string;
  name: string;
  chance: number;
  prior: number;
  /** Signs that were found, those that weigh most first; z above 0 speaks for the cause. */
  signs: { says: Phrase; z: number; counts: boolean }[];
  /** Signs that would tell, and were not looked at. */
  missing: string[];
}

const logOdds = ({ pBad, pElse }: CauseTest, state: Sign['state']): number =>
  state === 'bad' ? Math.log(pBad / pElse) : Math.log((1 - pBad) / (1 - pElse));

function weigh(cause: Cause, evidence: Evidence) {
  const signs: (RankedCause['signs'][number] & { group: string })[] = [];
  const missing: string[] = [];
  for (const test of cause.tests) {
    const sign = evidence[test.sign];
    if (!sign) missing.push(test.sign);
    else
      signs.push({
        says: sign.says,
        z: logOdds(test, sign.state),
        counts: true,
        group: test.group ?? test.sign,
      });
  }
  // Of two that weigh alike the one that speaks for it counts, then the one told first.
  signs.sort((a, b) => Math.abs(b.z) - Math.abs(a.z) || b.z - a.z);
  const seen = new Set<string>();
  let sum = 0;
  for (const sign of signs) {
    sign.counts = !seen.has(sign.group);
    seen.add(sign.group);
    if (sign.counts) sum += sign.z;
  }
  return { signs: signs.map(({ group: _, ...sign }) => sign), missing, sum };
}

/**
 * Causes of a fault by what was found: softmax(ln π + Σz), "other" with Σz = 0; in a group only the largest |z| counts
 * (handbook 08, "Why"). Causes that were ruled out have no chance, and the others share it as they stand to each other.
 * Without any counts all causes begin alike. Likeliest first.
 */
export function rankCauses(
  fault: Fault,
  counts: Readonly<Record<string, number>>,
  evidence: Evidence,
  ruledOut: readonly string[] = [],
): RankedCause[] {
  const total = Object.values(counts).reduce((a, b) => a + b, 0);
  const weighed = [
    ...fault.causes.map((cause) => ({ key: cause.key, name: cause.name, ...weigh(cause, evidence) })),
    { key: OTHER, name: 'something else', signs: [], missing: [], sum: 0 },
  ].map((cause, _, { length }) => ({
    ...cause,
    prior: total > 0 ? (counts[cause.key] ?? 0) / total : 1 / length,
  }));
  const most = Math.max(...weighed.map(({ sum }) => sum));
  const stands = (key: string): boolean => key === OTHER || !ruledOut.includes(key);
  const odds = weighed.map(({ key, prior, sum }) => (stands(key) ? prior * Math.exp(sum - most) : 0));
  // All that is named ruled out, and "other" never seen: it is something else all the same.
  if (!odds.some((odd) => odd > 0)) odds[odds.length - 1] = 1;
  const all = odds.reduce((a, b) => a + b, 0);
  return weighed
    .map(({ sum: _, ...cause }, i) => ({ ...cause, chance: odds[i]! / all }))
    .sort((a, b) => b.chance - a.chance);
}

/** Counts after the cause was confirmed. */
export const confirmCause = (
  counts: Readonly<Record<string, number>>,
  key: string,
): Record<string, number> => ({
  ...counts,
  [key]: (counts[key] ?? 0) + 1,
});

/**
 * Counts after causes were ruled out, all at once: one print is one count, which the others share by how likely each was
 * when they were ruled out.
 */
export function ruleOutCauses(
  counts: Readonly<Record<string, number>>,
  chances: Readonly<Record<string, number>>,
  ruledOut: readonly string[],
): Record<string, number> {
  const stands = (key: string): boolean => !ruledOut.includes(key);
  const rest = Object.entries(chances).reduce((sum, [key, chance]) => sum + (stands(key) ? chance : 0), 0);
  return Object.fromEntries(
    Object.entries(counts).map(([key, count]) => [
      key,
      stands(key) && rest > 0 ? count + (chances[key] ?? 0) / rest : count,
    ]),
  );
}

/** One thing that can be done differently, and how likely the fault comes again by each cause when it is. */
export interface Change {
  key: string;
  words: string;
  /** Hours or trouble it costs, against others. */
  cost: number;
  /** P(recurs | cause, change); causes that are not named recur as before. */
  recurs: Readonly<Record<string, number>>;
}

/** A fault recurs this often when nothing is done about its cause (shop default). */
const RECURS = 0.85;

export interface ChosenChange {
  change: Change;
  /** What a recurrence would say of the two likeliest causes. */
  between: [string, string];
  recursIf: [number, number];
}

/** Something that was found speaks for it. */
const isSupported = ({ signs }: RankedCause): boolean => signs.some(({ counts, z }) => counts && z > 0);

/** A change tells two causes apart when what recurs under them differs by so much (shop default). */
const TELLS = 0.2;

/**
 * The one change to try: of those that mend the likeliest cause that something speaks for (the likeliest of all where nothing
 * does), the one that is expected to prevent most for its cost, and that also tells this cause and the next apart; where none
 * tells them apart, the one that prevents most. Undefined when none touches it.
 */
export function chooseChange(
  ranked: readonly RankedCause[],
  changes: readonly Change[],
): ChosenChange | undefined {
  const open = ranked.filter(({ key, chance }) => key !== OTHER && chance > 0);
  const first = open.find(isSupported) ?? open[0];
  const second = open.find((cause) => cause !== first) ?? ranked.find(({ key }) => key === OTHER);
  if (!first || !second) return undefined;
  const recursIf = ({ recurs }: Change): [number, number] => [
    recurs[first.key] ?? RECURS,
    recurs[second.key] ?? RECURS,
  ];
  const worth = ({ recurs, cost }: Change): number =>
    ranked.reduce((sum, { key, chance }) => sum + chance * (RECURS - (recurs[key] ?? RECURS)), 0) / cost;
  const mends = changes.filter((change) => recursIf(change)[0] < RECURS);
  const telling = mends.filter((change) => {
    const [a, b] = recursIf(change);
    return Math.abs(a - b) >= TELLS;
  });
  const best = (telling.length > 0 ? telling : [...mends]).sort((a, b) => worth(b) - worth(a))[0];
  if (!best) return undefined;
  return { change: best, between: [first.key, second.key], recursIf: recursIf(best) };
}
