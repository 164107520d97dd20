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
  signs.sort((a, b) => Math.abs(b.z) - Math.abs(a.z));
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
 * (handbook 08, "Why"). Likeliest first.
 */
export function rankCauses(
  fault: Fault,
  counts: Readonly<Record<string, number>>,
  evidence: Evidence,
): RankedCause[] {
  const total = Object.values(counts).reduce((a, b) => a + b, 0);
  const weighed = [
    ...fault.causes.map((cause) => ({ key: cause.key, name: cause.name, ...weigh(cause, evidence) })),
    { key: OTHER, name: 'something else', signs: [], missing: [], sum: 0 },
  ].map((cause) => ({ ...cause, prior: (counts[cause.key] ?? 0) / total }));
  const most = Math.max(...weighed.map(({ sum }) => sum));
  const odds = weighed.map(({ prior, sum }) => prior * Math.exp(sum - most));
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

/** Counts after a cause was ruled out: the others share the one by how likely they are without it. */
export function ruleOutCause(
  counts: Readonly<Record<string, number>>,
  ranked: readonly RankedCause[],
  key: string,
): Record<string, number> {
  const out = ranked.find((cause) => cause.key === key);
  const rest = 1 - (out?.chance ?? 0);
  return Object.fromEntries(
    ranked.map((cause) => {
      const count = counts[cause.key] ?? 0;
      return [cause.key, cause.key === key || rest <= 0 ? count : count + cause.chance / rest];
    }),
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

/** The one change that tells most between the two likeliest causes, for its cost; undefined when none touches them. */
export function chooseChange(
  ranked: readonly RankedCause[],
  changes: readonly Change[],
): ChosenChange | undefined {
  const [first, second] = ranked.filter((cause) => cause.key !== OTHER);
  if (!first || !second) return undefined;
  const recursIf = (change: Change): [number, number] => [
    change.recurs[first.key] ?? RECURS,
    change.recurs[second.key] ?? RECURS,
  ];
  const worth = (change: Change): number => {
    const [a, b] = recursIf(change);
    return Math.abs(a - b) / change.cost;
  };
  const best = [...changes].sort((a, b) => worth(b) - worth(a))[0];
  if (!best || worth(best) === 0) return undefined;
  return { change: best, between: [first.key, second.key], recursIf: recursIf(best) };
}
