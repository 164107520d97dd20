import {
  ON_THE_WAY,
  readingValue,
  surfaceOf,
  wantedMm,
  type PouredSizes,
  type ShopLists,
  type SizeTarget,
} from '@zero-pour/contracts';
import {
  bestScale,
  learnSizes,
  productOf,
  whichStep,
  type AlongAxes,
  type LearntSizes,
  type PieceReading,
  type ScaleTarget,
  type SizeStage,
  type WhichStep,
} from '@zero-pour/core';
import { pouredSize, pouredThings, type ShopSizes } from './gatherSizes';
import { toleranceOf } from './planScale';
import { sizePathOf, type SizeThings } from './sizePathOf';

/** A measured piece that is to be explained. */
export interface OffPiece {
  pour: PouredSizes;
  target: SizeTarget;
  stage: Extract<SizeStage, 'cast' | 'finished'>;
  measuredMm: number;
  /** Name of the casting; '' when it is none of the record. */
  casting: string;
}

export interface WhyOff {
  found: WhichStep;
  /** Readings of the same print that were taken on the way. */
  onTheWay: { stage: SizeStage; mm: number }[];
  wantedMm: number;
  printedPercents: AlongAxes;
  /** What the next print should be, with this piece counted in. */
  nextPercents: AlongAxes;
}

const evidenceOf = (sizes: ShopSizes, { pour, casting }: OffPiece) =>
  sizes.measured.filter(
    ({ from, leftOut }) =>
      !leftOut &&
      !(from.kind === 'pour' && from.id === pour.pourId && (from.casting === casting || from.casting === '')),
  );

/** Percent that the pour's own wanted sizes and the one that is off ask for, by what is known. */
function askedPercents(
  { pour, target: asked }: OffPiece,
  things: SizeThings,
  learnt: LearntSizes,
): AlongAxes {
  const targets = pour.sizes.map((target): ScaleTarget => {
    const { along, drawnMm, lies } = pouredSize(pour, target);
    return {
      key: target.key,
      surface: surfaceOf(target),
      drawnMm,
      wantedMm: wantedMm(target),
      toleranceMm: toleranceOf(target),
      holds: target.holds || target.key === asked.key,
      along,
      path: sizePathOf(things, lies, 'finished'),
    };
  });
  const base = (zShare: number): number =>
    100 / productOf(sizePathOf(things, { surface: 'outer', zShare }, 'finished'), learnt.shifts);
  return bestScale(targets, [base(0), base(0), base(1)], learnt.shifts).one.percents;
}

/**
 * Which step most likely made a piece come out as it did, by the shop's knowledge without that piece, and what to print
 * next with it counted in. Undefined when the pour's resin is gone or its scale is not known.
 */
export function whyOff(piece: OffPiece, sizes: ShopSizes, lists: ShopLists): WhyOff | undefined {
  const { pour, target, stage, measuredMm } = piece;
  const things = pouredThings(pour, lists);
  if (!things || !pour.scale.printedAs) return undefined;
  const { drawnMm, printMm, lies } = pouredSize(pour, target);
  const onTheWay = ON_THE_WAY.flatMap((at) => {
    const mm = readingValue(pour.scale.measured?.[target.key]?.[at]);
    return mm === undefined || mm <= 0 ? [] : [{ stage: at, mm }];
  });
  const reading = (at: SizeStage, mm: number): PieceReading => ({ path: sizePathOf(things, lies, at), measuredMm: mm, group: at }); // prettier-ignore
  const readings = [...onTheWay.map((r) => reading(r.stage, r.mm)), reading(stage, measuredMm)];
  const before = evidenceOf(sizes, piece);
  const found = whichStep(readings, printMm, drawnMm, learnSizes(before));
  const after = learnSizes([...before, ...readings.map((r) => ({ ...r, printMm }))]);
  return {
    found,
    onTheWay,
    wantedMm: wantedMm(target),
    printedPercents: pour.scale.printedAs.percents,
    nextPercents: askedPercents(piece, things, after),
  };
}
