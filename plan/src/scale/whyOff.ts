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
  SIZE_STAGES,
  productOf,
  sizeAfter,
  sizeToPrint,
  whichStep,
  type AlongAxes,
  type LearntSizes,
  type Mistake,
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
  stage: SizeStage;
  measuredMm: number;
  /** Name of the casting; '' when it is none of the record. */
  casting: string;
}

/**
 * *mistake*: it looks like a plain one; *percent*: printed so, it had to; *usual*: within what such pieces do; *beyond*:
 * farther off than these steps go; *step*: one of them.
 */
export type OffVerdict =
  { kind: 'mistake'; mistake: Mistake } | { kind: 'percent' | 'usual' | 'beyond' | 'step' };

/** A mistake is named from this chance on; it is none of the steps when that is more likely than not. */
const MISTAKE_FROM = 0.2;
const BEYOND_FROM = 0.5;

function verdictOf(found: WhichStep, wantedThere: number): OffVerdict {
  const [mistake] = found.mistakes
    .filter(({ chance }) => chance >= MISTAKE_FROM)
    .sort((a, b) => b.chance - a.chance);
  if (mistake) return { kind: 'mistake', mistake };
  // Printed so, it could not have come out as wanted: more than half of what is off was to be expected.
  const expectedOff = Math.abs(found.expectedMm - wantedThere);
  const off = Math.abs(found.offMm);
  if (expectedOff > off && expectedOff > found.sdMm) return { kind: 'percent' };
  if (off < found.sdMm) return { kind: 'usual' };
  return { kind: found.beyond > BEYOND_FROM ? 'beyond' : 'step' };
}

export interface WhyOff {
  found: WhichStep;
  /** Readings of the same print that were taken on the way. */
  onTheWay: { stage: SizeStage; mm: number }[];
  wantedMm: number;
  /** What it should measure at that stage, to finish as wanted. */
  wantedThereMm: number;
  printedPercents: AlongAxes;
  verdict: OffVerdict;
  /** What the next print should be, with this piece counted in; null while what it was is not cleared up. */
  nextPercents: AlongAxes | null;
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
  const before = SIZE_STAGES.indexOf(stage);
  const onTheWay = ON_THE_WAY.filter((at) => SIZE_STAGES.indexOf(at) < before).flatMap((at) => {
    const mm = readingValue(pour.scale.measured?.[target.key]?.[at]);
    return mm === undefined || mm <= 0 ? [] : [{ stage: at, mm }];
  });
  const reading = (at: SizeStage, mm: number): PieceReading => ({ path: sizePathOf(things, lies, at), measuredMm: mm, group: at }); // prettier-ignore
  const readings = [...onTheWay.map((r) => reading(r.stage, r.mm)), reading(stage, measuredMm)];
  const others = evidenceOf(sizes, piece);
  const learnt = learnSizes(others);
  const found = whichStep(readings, printMm, drawnMm, learnt);
  const rightPrint = sizeToPrint(sizePathOf(things, lies, 'finished'), wantedMm(target), learnt.shifts);
  const wantedThereMm = sizeAfter(sizePathOf(things, lies, stage), rightPrint, learnt.shifts);
  const verdict = verdictOf(found, wantedThereMm);
  const after = learnSizes([...others, ...readings.map((r) => ({ ...r, printMm }))]);
  return {
    found,
    onTheWay,
    wantedMm: wantedMm(target),
    wantedThereMm,
    printedPercents: pour.scale.printedAs.percents,
    verdict,
    nextPercents:
      verdict.kind === 'mistake' || verdict.kind === 'beyond' ? null : askedPercents(piece, things, after),
  };
}
