import type { Judgement } from '../judge';
import { quantity, say } from '../numeric';

/** A main sprue freezes after the largest gate by this (handbook 05). */
export const SPRUE_OVER_GATE = 1.1;

/** Main sprue against the gates that it feeds: modulus of the largest, and area of all of them. mm. */
export function judgeMainSprue(diameterMm: number, gatesMm: readonly number[]): Judgement[] {
  if (gatesMm.length === 0) return [];
  const largest = Math.max(...gatesMm);
  const mm = (value: number) => quantity(value, 'mm', 1);
  const wanted = SPRUE_OVER_GATE * largest;
  const out: Judgement[] = [];
  if (diameterMm < wanted - 1e-9)
    out.push({
      rule: 'main sprue thin',
      weight: 'fix',
      lead: 'Main sprue freezes first.',
      why: say`${mm(diameterMm)}; gates of ${mm(largest)} want ${mm(wanted)}, or it is frozen while they still feed.`,
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
      why: say`${mm(diameterMm)} against ${mm(wanted)} that the largest gate wants, and not less area than all gates.`,
    });
  return out;
}
