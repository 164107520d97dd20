import type { Judgement } from '../judge';
import { quantity, say } from '../numeric';
import { judgeTop, judgeWall } from './clearance';
import type { HangGaps } from './hangTree';
import type { HungClearance } from './hungClearance';

const mm = (value: number) => quantity(value, 'mm', 1);
/** A gap that is short by less is told as kept: what hangs is set to a tenth at best. */
const SHORT_MM = 0.05;

/** Gaps of what hangs, by its real shapes, against what is wanted. `nameOf`: what a piece is called. */
export function judgeHung(
  found: HungClearance,
  gaps: HangGaps,
  nameOf: (piece: number) => string,
): Judgement[] {
  const out = [judgeWall(found.wallMm, gaps.wallMm), judgeTop(found.topMm, gaps.topMm)];
  if (found.baseMm < -SHORT_MM)
    out.push({
      rule: 'base',
      weight: 'fix',
      lead: 'Into the sprue base.',
      why: say`The lowest part or branch reaches ${mm(-found.baseMm)} under the top of the base's cone. Hang it higher.`,
    });
  if (found.sprueMm !== null && found.sprueMm < gaps.sprueMm - SHORT_MM)
    out.push({
      rule: 'to sprue',
      weight: 'fix',
      lead: 'Too near a sprue.',
      why: say`${mm(found.sprueMm)} of investment between a part and the main sprue or a branch; ${mm(gaps.sprueMm)} wanted. Longer gates, or turn the part about its gate.`,
    });
  const close = found.pairs.filter(({ gapMm }) => gapMm < gaps.betweenMm - SHORT_MM);
  const [narrowest] = found.pairs;
  if (close.length > 0) {
    const { a, b, gapMm } = close[0]!;
    out.push({
      rule: 'gap',
      weight: gapMm === 0 ? 'stop' : 'fix',
      lead: gapMm === 0 ? 'Parts touch.' : 'Parts too close.',
      why: [
        ...say`${nameOf(a)} and ${nameOf(b)} are ${mm(gapMm)} apart; ${mm(gaps.betweenMm)} wanted, or the wall between them breaks.`,
        ...(close.length > 1 ? [` So are ${close.length - 1} more pairs.`] : []),
      ],
    });
  } else if (narrowest)
    out.push({
      rule: 'gap',
      weight: 'ok',
      lead: 'Parts apart.',
      why: say`${mm(narrowest.gapMm)} at the narrowest, of their real shapes; ${mm(gaps.betweenMm)} wanted.`,
    });
  return out;
}
