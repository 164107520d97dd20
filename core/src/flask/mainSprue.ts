import type { Judgement } from '../judge';
import { quantity, say } from '../numeric';

/** A main sprue freezes after the largest gate by this (handbook 05). */
export const SPRUE_OVER_GATE = 1.1;

/** A branch against the gates on it: the modulus of the largest. mm. */
export function judgeBranch(diameterMm: number, gatesMm: readonly number[]): Judgement[] {
  const wanted = SPRUE_OVER_GATE * Math.max(0, ...gatesMm);
  if (diameterMm >= wanted - 1e-9) return [];
  return [
    {
      rule: 'branch thin',
      weight: 'fix',
      lead: 'A branch freezes first.',
      why: say`${quantity(diameterMm, 'mm', 1)}; its gates want ${quantity(wanted, 'mm', 1)}, or it is frozen while they still feed.`,
    },
  ];
}

/** Main sprue against the gates and branches that it feeds: modulus of the largest, and area of all gates. mm. */
export function judgeMainSprue(diameterMm: number, gatesMm: readonly number[], branchMm = 0): Judgement[] {
  if (gatesMm.length === 0) return [];
  const largest = Math.max(branchMm, ...gatesMm);
  const them = largest === branchMm ? 'branches' : 'gates';
  const mm = (value: number) => quantity(value, 'mm', 1);
  const wanted = SPRUE_OVER_GATE * largest;
  const out: Judgement[] = [];
  if (diameterMm < wanted - 1e-9)
    out.push({
      rule: 'main sprue thin',
      weight: 'fix',
      lead: 'Main sprue freezes first.',
      why: say`${mm(diameterMm)}; ${them} of ${mm(largest)} want ${mm(wanted)}, or it is frozen while they still feed.`,
    });
  const share = gatesMm.reduce((sum, d) => sum + d * d, 0) / diameterMm ** 2;
  if (share > 1)
    out.push({
      rule: 'main sprue area',
      weight: 'watch',
      lead: 'More gate than sprue.',
      why: say`The gates together have ${quantity(share, 'ratio', 1)} times the main sprue's area: they fill one after the other. A sprue of ${mm(diameterMm * Math.sqrt(share))} would not hold them up.`,
    });
  if (out.length === 0)
    out.push({
      rule: 'main sprue',
      weight: 'ok',
      lead: 'Main sprue feeds them.',
      why: say`${mm(diameterMm)} against ${mm(wanted)} that the largest of the ${them} wants, and not less area than all gates.`,
    });
  return out;
}
