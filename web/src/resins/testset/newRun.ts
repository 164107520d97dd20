import type { Pattern, Profile, RecordLists, Settings, ShopLists, TestSetRun } from '@zero-pour/contracts';
import { startingFigures, type CastClass } from '@zero-pour/core';
import { curveOf, reportsOf, standingProfile, wantedSetting, type TuningThings } from '@zero-pour/plan';
import { COMMON } from '../tune/newTrial';
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

/** What a run is printed by: its profile, or else the figure to begin with. */
export interface RunFigure {
  profile: Profile | undefined;
  exposureS: number;
}

/** The profile that stands for a class, else the first figure that makers, others or a curve give for these settings. */
export function figureToPrint(
  lists: ShopLists,
  records: RecordLists,
  things: TuningThings,
  castClass: CastClass,
): RunFigure {
  const profile = standingProfile(lists.profile, things, castClass);
  if (profile) return { profile, exposureS: profile.exposureS };
  const { figures } = startingFigures(
    wantedSetting(things, null),
    reportsOf(lists, things),
    curveOf(records, things.resin.id, things.printer.wavelengthNm),
  );
  return { profile, exposureS: figures[0]?.exposureS ?? COMMON.exposureS };
}

/** A run of the shop's test set: every part of it, `copies` times. */
export function newRun(
  things: TuningThings,
  { profile, exposureS }: RunFigure,
  testSet: Settings['testSet'],
  patterns: readonly Pattern[],
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
