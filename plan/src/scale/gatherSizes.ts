import {
  AT_THE_END,
  ON_THE_WAY,
  readingValue,
  surfaceOf,
  wantedMm,
  type PouredSizes,
  type Reading,
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

/** The lists that decide how sizes change. */
export type SizeLists = Pick<ShopLists, 'resin' | 'alloy' | 'profile'>;

/** What the shop knows of sizes: all that was measured, and what it says. */
export interface ShopSizes {
  measured: MeasuredSize[];
  learnt: LearntSizes;
}

/** Shares of a wanted size along the print's axes. */
export function sharesOf(
  target: Pick<SizeTarget, 'of'> & { along?: SizeTarget['along'] | undefined },
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

function meanOf(readingsMm: readonly number[]): Pick<SizeEvidence, 'measuredMm' | 'repeats'> {
  const measuredMm = readingsMm.reduce((a, b) => a + b) / readingsMm.length;
  const sse = readingsMm.reduce((total, mm) => total + (mm - measuredMm) ** 2, 0);
  return { measuredMm, repeats: { sse, dof: readingsMm.length - 1 } };
}

function fromSeries(series: SizeSeries, lists: SizeLists): MeasuredSize[] {
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
      // Readings of one piece are one size; how they scatter tells the hand.
      ...meanOf(pair.readingsMm),
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

/** What decided the way of a printed pour's sizes; undefined when its resin is gone or its print's scale is not known. */
export function pouredThings(pour: PouredSizes, lists: SizeLists): SizeThings | undefined {
  const resin = byId(lists.resin, pour.resinId);
  const { printedAs, moldMaterial, skinMm, masterAddsMm } = pour.scale;
  if (!resin || !printedAs) return undefined;
  return {
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
}

/** A wanted size of a printed pour: how it lay on the plate, as drawn and as printed. */
export function pouredSize(pour: PouredSizes, target: SizeTarget) {
  const line = target.lineKey ?? pour.lines[0]?.key ?? '';
  const drawn = pour.scale.printedAs?.drawn?.[target.key];
  const drawnMm = target.drawnMm ?? drawn?.mm ?? wantedMm(target);
  const along = sharesOf({ of: target.of, along: target.along ?? drawn?.along }, pour.rotations[line]);
  const percents = pour.scale.printedAs?.percents ?? [100, 100, 100];
  const printMm = along.reduce((total, share, k) => total + (share * percents[k]! * drawnMm) / 100, 0);
  return { along, drawnMm, printMm, lies: { surface: surfaceOf(target), zShare: along[2] } };
}

/** Sizes of a pour: its own print and wax on the way, and each casting at the end. */
function fromPour(pour: PouredSizes, lists: SizeLists): MeasuredSize[] {
  const things = pouredThings(pour, lists);
  if (!things) return [];
  return pour.sizes.flatMap((target) => {
    const { printMm, lies } = pouredSize(pour, target);
    const sizeAt = (stage: SizeStage, measuredMm: number, casting: string): MeasuredSize => ({
      path: sizePathOf(things, lies, stage),
      printMm,
      measuredMm,
      group: stage,
      at: new Date(pour.at),
      lot: '',
      stage,
      axis: lies.surface === 'inner' ? 'bore' : lies.zShare > 0.5 ? 'Z' : 'XY',
      resinId: things.resin.id,
      profileId: pour.profileId,
      alloyId: pour.alloyId,
      from: { kind: 'pour', id: pour.pourId, number: pour.number, casting },
      leftOut: false,
    });
    const read = <S extends SizeStage>(
      stages: readonly S[],
      readings: Partial<Record<S, Reading>> | undefined,
      casting: string,
    ): MeasuredSize[] =>
      stages.flatMap((stage) => {
        const mm = readingValue(readings?.[stage]);
        return mm === undefined || mm <= 0 ? [] : [sizeAt(stage, mm, casting)];
      });
    return [
      ...read(ON_THE_WAY, pour.scale.measured?.[target.key], ''),
      ...Object.entries(pour.castings).flatMap(([casting, sizes]) =>
        read(AT_THE_END, sizes[target.key], casting),
      ),
    ];
  });
}

/** Everything that the shop measured, oldest first, and what it says of the steps. */
export function knowSizes(
  lists: SizeLists,
  series: readonly SizeSeries[],
  poured: readonly PouredSizes[],
): ShopSizes {
  const measured = [
    ...series.flatMap((one) => fromSeries(one, lists)),
    ...poured.flatMap((one) => fromPour(one, lists)),
  ].sort((a, b) => a.at.getTime() - b.at.getTime());
  return { measured, learnt: learnSizes(measured.filter((size) => !size.leftOut)) };
}
