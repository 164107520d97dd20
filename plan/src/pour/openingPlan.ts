import type { OpeningTold } from '@zero-pour/contracts';
import {
  adviseOpening,
  narrowestWay,
  PATTERN_LIMITS,
  scaleAnalysis,
  type DivestTool,
  type OpeningAdvice,
} from '@zero-pour/core';
import { patternJob, pieceOf } from '@zero-pour/jobs';
import type { PourContext } from '../context';
import { valueOf } from '../planned';
import type { Sight } from '../stage';

/** Something that holds on to the metal is in the mix. */
export const isHardened = ({ doc }: PourContext): boolean => doc.invest.boric.school !== 'none';

/** The narrowest way into what hangs in a flask; undefined while one of its parts is not read. */
function narrowestOf({ context, of }: Sight, at: number) {
  const percent = valueOf(of('scale'))?.percent.value ?? 100;
  const ways = context.flasks[at]!.parts.map(({ pattern }) => {
    const reading = context.readings.of(patternJob, pieceOf(pattern));
    if (reading.status !== 'known' || reading.value.result.status !== 'analysed') return undefined;
    return narrowestWay(scaleAnalysis(reading.value.result.analysis, percent / 100), PATTERN_LIMITS.divestMm);
  });
  if (ways.length === 0 || ways.includes(undefined)) return undefined;
  return ways.reduce((a, b) => (!a || (b && b.widthMm < a.widthMm) ? (b ?? a) : a), null) ?? null;
}

/** How a flask will be cleared, worked out beforehand; undefined while the metal is not chosen. */
export function planOpening(sight: Sight, at: number): OpeningAdvice | undefined {
  const { alloy } = sight.context;
  if (!alloy) return undefined;
  return adviseOpening({
    divest: alloy.divest,
    hardened: isHardened(sight.context),
    narrowest: narrowestOf(sight, at),
  });
}

/** What the record says of clearing: by the same metal and the same kind of mix. */
export interface LearntOpening {
  of: number;
  /** The tool that most were cleared by. */
  tool: DivestTool | undefined;
  /** The middle of the minutes that it took. */
  minutes: number | undefined;
  /** How many burst in the water, of those told of. */
  burst: number;
  burstOf: number;
}

/** Taken together from what pours told; nothing told is nothing known. */
export function learnOpening(told: readonly OpeningTold[], hardened: boolean): LearntOpening {
  const alike = told.filter((one) => one.hardened === hardened);
  const counts = new Map<DivestTool, number>();
  for (const { opened } of alike)
    if (opened.tool) counts.set(opened.tool, (counts.get(opened.tool) ?? 0) + 1);
  const minutes = alike.flatMap(({ opened }) => opened.minutes ?? []).sort((a, b) => a - b);
  const quenched = alike.flatMap(({ opened }) => opened.quench ?? []);
  return {
    of: alike.length,
    tool: [...counts].sort((a, b) => b[1] - a[1])[0]?.[0],
    minutes: minutes[Math.floor(minutes.length / 2)],
    burst: quenched.filter((one) => one === 'burst').length,
    burstOf: quenched.length,
  };
}
