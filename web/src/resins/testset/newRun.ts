import type { Pattern, Settings, TestSetRun } from '@zero-pour/contracts';
import type { Beginning, TuningThings } from '@zero-pour/plan';
import type { Piece } from './gradeSummary';

/** One piece of a part, not graded yet. */
export function newPiece(
  pattern: Pick<Pattern, 'id' | 'name'> | undefined,
  castClass: Piece['castClass'],
  thinnestMm: number | null,
): Piece {
  return {
    key: crypto.randomUUID().slice(0, 8),
    patternId: pattern?.id ?? null,
    name: pattern?.name ?? 'Part',
    castClass,
    thinnestMm,
    print: null,
    cast: null,
    faults: [],
    photos: [],
    note: '',
  };
}

/** A run of the shop's test set: every part of it, `copies` times. */
export function newRun(
  things: TuningThings,
  { profile, exposureS }: Pick<Beginning, 'profile' | 'exposureS'>,
  testSet: Settings['testSet'],
  patterns: readonly Pick<Pattern, 'id' | 'name'>[],
  copies: number,
  now: Date,
): TestSetRun {
  const pieces = testSet.flatMap(({ patternId, castClass }) => {
    const pattern = patterns.find((p) => p.id === patternId);
    return pattern ? Array.from({ length: copies }, () => newPiece(pattern, castClass, null)) : [];
  });
  return {
    id: crypto.randomUUID(),
    resinId: things.resin.id,
    printerId: things.printer.id,
    profileId: profile?.id ?? null,
    printedAt: now.toISOString(),
    layerMm: things.layerMm,
    exposureS,
    pieces,
    castAlloyId: null,
    castAt: null,
    handsH: null,
    resinG: null,
    spent: null,
    verdicts: {},
    note: '',
  };
}
