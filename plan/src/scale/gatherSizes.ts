import {
  AT_THE_END,
  ON_THE_WAY,
  readingValue,
  surfaceOf,
  wantedMm,
  type PouredSizes,
  type ShopLists,
  type SizeSeries,
  type SizeTarget,
} from '@zero-pour/contracts';
import {
  acrossAxisShares,
  alongLine,
  FLAT_ON_PLATE,
  learnSizes,
  NO_ROTATION,
  rotationMatrix,
  type AlongAxes,
  type LearntSizes,
  type Rotation,
  type SizeEvidence,
  type SizeStage,
} from '@zero-pour/core';
import { sizePathOf, type SizeThings } from './sizePathOf';

/** How a size lies on the print, as the trade tells it. */
export type SizeAxis = SizeSeries['pairs'][number]['axis'];

/** One measured size, with where it comes from. */
export interface MeasuredSize extends SizeEvidence {
  at: Date;
  lot: string;
  stage: SizeStage;
  axis: SizeAxis;
  resinId: string;
  profileId: string | null;
  alloyId: string | null;
  from:
    | { kind: 'series'; id: string; pair: string }
    | { kind: 'pour'; id: string; number: number; casting: string };
  /** Kept in sight but not counted. */
  leftOut: boolean;
}

/** What the shop knows of sizes: all that was measured, and what it says. */
export interface ShopSizes {
  measured: MeasuredSize[];
  learnt: LearntSizes;
}

/** Shares of a wanted size along the print's axes. */
export function sharesOf(
  target: Pick<SizeTarget, 'of' | 'along'>,
  rotation: Rotation | undefined,
): AlongAxes {
  if (!target.along) return FLAT_ON_PLATE;
  const turn = rotationMatrix(rotation ?? NO_ROTATION);
  return target.of === 'bore' || target.of === 'hole'
    ? acrossAxisShares(target.along, turn)
    : alongLine(target.along, turn);
}

const byId = <T extends { id: string }>(list: readonly T[], id: string | null): T | undefined =>
  list.find((item) => item.id === id);

const LIES = {
  XY: { surface: 'outer', zShare: 0 },
  Z: { surface: 'outer', zShare: 1 },
  bore: { surface: 'inner', zShare: 0 },
} as const;

function fromSeries(series: SizeSeries, lists: ShopLists): MeasuredSize[] {
  const resin = byId(lists.resin, series.resinId);
  if (!resin) return [];
  const things: SizeThings = {
    route: series.route,
    resin,
    profile: byId(lists.profile, series.profileId),
    alloy: byId(lists.alloy, series.alloyId),
    powderId: series.powderId ?? undefined,
    flaskC: series.flaskC ?? undefined,
    finish: 'full',
    typed: series.moldMaterial ? { moldMaterial: series.moldMaterial } : {},
  };
  return series.pairs
    .filter((pair) => pair.readingsMm.length > 0)
    .map((pair) => ({
      path: sizePathOf(things, LIES[pair.axis], series.stage),
      printMm: pair.printMm,
      // Readings of one piece are one size: they only steady the hand.
      measuredMm: pair.readingsMm.reduce((a, b) => a + b) / pair.readingsMm.length,
      group: series.stage,
      at: new Date(series.measuredAt),
      lot: series.lot,
      stage: series.stage,
      axis: pair.axis,
      resinId: series.resinId,
      profileId: series.profileId,
      alloyId: series.alloyId,
      from: { kind: 'series', id: series.id, pair: pair.key },
      leftOut: pair.leftOut,
    }));
}

/** Sizes of a pour: its own print and wax on the way, and each casting at the end. */
function fromPour(pour: PouredSizes, lists: ShopLists): MeasuredSize[] {
  const resin = byId(lists.resin, pour.resinId);
  const { printedAs } = pour.scale;
  if (!resin || !printedAs) return [];
  const { moldMaterial, skinMm, masterAddsMm } = pour.scale;
  const things: SizeThings = {
    route: pour.route,
    resin,
    profile: byId(lists.profile, pour.profileId),
    alloy: byId(lists.alloy, pour.alloyId),
    powderId: pour.powderId ?? undefined,
    flaskC: printedAs.flaskC,
    finish: pour.finish,
    // What was typed for the steps was a guess at what is now measured; what was done to the piece is not.
    typed: {
      ...(moldMaterial === undefined ? {} : { moldMaterial }),
      ...(skinMm === undefined ? {} : { skinMm }),
      ...(masterAddsMm === undefined ? {} : { masterAddsMm }),
    },
  };
  return pour.sizes.flatMap((target) => {
    const patternId = target.patternId ?? pour.patterns[0]?.patternId ?? '';
    const along = sharesOf(target, pour.rotations[patternId]);
    const printMm =
      (target.drawnMm ?? wantedMm(target)) *
      along.reduce((total, share, k) => total + (share * printedAs.percents[k]!) / 100, 0);
    const surface = surfaceOf(target);
    const sizeAt = (stage: SizeStage, measuredMm: number, casting: string): MeasuredSize => ({
      path: sizePathOf(things, { surface, zShare: along[2] }, stage),
      printMm,
      measuredMm,
      group: stage,
      at: new Date(pour.at),
      lot: '',
      stage,
      axis: surface === 'inner' ? 'bore' : along[2] > 0.5 ? 'Z' : 'XY',
      resinId: resin.id,
      profileId: pour.profileId,
      alloyId: pour.alloyId,
      from: { kind: 'pour', id: pour.pourId, number: pour.number, casting },
      leftOut: false,
    });
    const onTheWay = ON_THE_WAY.flatMap((stage) => {
      const mm = readingValue(pour.scale.measured?.[target.key]?.[stage]);
      return mm === undefined || mm <= 0 ? [] : [sizeAt(stage, mm, '')];
    });
    const castings = Object.entries(pour.castings).flatMap(([casting, sizes]) =>
      AT_THE_END.flatMap((stage) => {
        const mm = readingValue(sizes[target.key]?.[stage]);
        return mm === undefined || mm <= 0 ? [] : [sizeAt(stage, mm, casting)];
      }),
    );
    return [...onTheWay, ...castings];
  });
}

/** Everything that the shop measured, oldest first, and what it says of the steps. */
export function knowSizes(
  lists: ShopLists,
  series: readonly SizeSeries[],
  poured: readonly PouredSizes[],
): ShopSizes {
  const measured = [
    ...series.flatMap((one) => fromSeries(one, lists)),
    ...poured.flatMap((one) => fromPour(one, lists)),
  ].sort((a, b) => a.at.getTime() - b.at.getTime());
  return { measured, learnt: learnSizes(measured.filter((size) => !size.leftOut)) };
}
