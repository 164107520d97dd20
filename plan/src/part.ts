import type { Pattern, PourDoc } from '@zero-pour/contracts';
import { castsWax, type Rotation, type Stance } from '@zero-pour/core';

export type Named = Pick<Pattern, 'id' | 'name'>;

/** One line of the brief with what is cast by it. */
export interface CastLine<P extends Named = Named> {
  /** Key of the line. */
  key: string;
  pattern: P;
  count: number;
  /** How many are printed, spares apart: a master is printed once. */
  prints: number;
}

/** One line of the brief with its pattern, as it stands on the plate. */
export interface Part extends CastLine<Pattern> {
  rotation: Rotation;
  stance: Stance;
}

/** Lines of a brief whose pattern is among those given; one whose pattern is gone is left out. */
export function castLines<P extends Named>(
  { brief }: PourDoc,
  patternOf: (id: string) => P | undefined,
): CastLine<P>[] {
  return brief.lines.flatMap(({ key, patternId, count }) => {
    const pattern = patternOf(patternId);
    return pattern ? [{ key, pattern, count, prints: castsWax(brief.route) ? 1 : count }] : [];
  });
}
