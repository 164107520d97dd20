import { pieceMeasure, readingValue } from '@zero-pour/contracts';
import { judgeCastWeight, type Judgement } from '@zero-pour/core';
import type { PlannedPiece } from '../pieces';
import { valueOf } from '../planned';
import type { Sight } from '../stage';

/** What a casting is to weigh, by its file, its scale and its metal, and what stubs may add; undefined while any is not known. */
export function expectedWeight(
  { context, of }: Sight,
  { line, pattern }: PlannedPiece,
): { castingG: number; stubsG: number; volumeGuessed: boolean } | undefined {
  const scale = valueOf(of('scale'));
  const { alloy } = context;
  const measure = pieceMeasure(pattern);
  if (!scale || !alloy || !(measure.volumeMm3 > 0)) return undefined;
  const linear = (scale.inFlask.value / 100) * (1 + alloy.shrinkPercent / 100);
  const castingG = (alloy.densityGPerCm3 * measure.volumeMm3 * linear ** 3) / 1000;
  const gates = of('wayUp').find(({ part }) => part.key === line)?.gates;
  const stubsMm3 = gates ? gates.count * (Math.PI / 4) * gates.diameterMm ** 2 * gates.lengthMm : 0;
  return { castingG, stubsG: (alloy.densityGPerCm3 * stubsMm3) / 1000, volumeGuessed: !measure.closed };
}

/** The weight of a casting against what its volume says: after cutting where that was weighed, else as cast with its stubs. */
export function judgePieceWeight(sight: Sight, piece: PlannedPiece): Judgement[] {
  const casting = sight.context.doc.result.castings[piece.key];
  const expected = expectedWeight(sight, piece);
  if (!casting || !expected) return [];
  const cut = readingValue(casting.cutWeightG);
  return cut === undefined
    ? judgeCastWeight(readingValue(casting.weightG), expected)
    : judgeCastWeight(cut, { ...expected, stubsG: 0 });
}
