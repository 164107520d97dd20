import { seededRandom } from '../numeric';
import { OTHER, rankCauses, say, startingCounts, type Evidence, type Fault } from '../index';

/** One made-up pour with a flaw: what really was behind it, and what was found. */
export interface MadeUpFlaw {
  fault: Fault;
  cause: string;
  evidence: Evidence;
}

/** Picks by weight. */
function pick(weights: readonly number[], u: number): number {
  let rest = u * weights.reduce((a, b) => a + b, 0);
  for (const [n, weight] of weights.entries()) if ((rest -= weight) < 0) return n;
  return weights.length - 1;
}

/**
 * Flaws drawn from the model that the causes are ranked by: a fault, a cause by `rateOf`, each sign bad by that cause; a share
 * of the signs was never looked at. Of a group one sign is drawn, since they hang together.
 */
export function madeUpFlaws(
  faults: readonly Fault[],
  count: number,
  seed: number,
  {
    looked = 0.7,
    rateOf = (fault: Fault): number[] => Object.values(startingCounts(fault)),
  }: { looked?: number; rateOf?: (fault: Fault) => number[] } = {},
): MadeUpFlaw[] {
  const { uniform } = seededRandom(seed);
  return Array.from({ length: count }, () => {
    const fault = faults[Math.floor(uniform() * faults.length)]!;
    const keys = [...fault.causes.map(({ key }) => key), OTHER];
    const cause = keys[pick(rateOf(fault), uniform())]!;
    const signs = new Map<string, { pBad: number; group: string }>();
    for (const { key, tests } of fault.causes)
      for (const { sign, pBad, pElse, group = sign } of tests)
        if (key === cause || !signs.has(sign)) signs.set(sign, { pBad: key === cause ? pBad : pElse, group });
    const groups = new Set<string>();
    const evidence: Record<string, Evidence[string]> = {};
    for (const [sign, { pBad, group }] of signs) {
      const bad = uniform() < pBad;
      if (uniform() >= looked || groups.has(group)) continue;
      groups.add(group);
      evidence[sign] = { state: bad ? 'bad' : 'good', says: say`${sign}` };
    }
    return { fault, cause, evidence };
  });
}

/** How far told chances are off: in ten bins of chance, the mean distance of what was told from what was so, weighed by how many. */
export function calibrationError(told: readonly { chance: number; was: boolean }[]): number {
  const bins = Array.from({ length: 10 }, () => ({ n: 0, chance: 0, was: 0 }));
  for (const { chance, was } of told) {
    const bin = bins[Math.min(9, Math.floor(chance * 10))]!;
    bin.n++;
    bin.chance += chance;
    bin.was += Number(was);
  }
  return bins.reduce((sum, { chance, was }) => sum + Math.abs(chance - was), 0) / told.length;
}

/** Chances told for every cause of every flaw, with whether it was that one. `countsOf`: what is believed at the start. */
export const tellChances = (
  flaws: readonly MadeUpFlaw[],
  countsOf: (fault: Fault) => Record<string, number> = startingCounts,
): { chance: number; was: boolean; first: boolean }[] =>
  flaws.flatMap(({ fault, cause, evidence }) =>
    rankCauses(fault, countsOf(fault), evidence).map(({ key, chance }, n) => ({
      chance,
      was: key === cause,
      first: n === 0,
    })),
  );
