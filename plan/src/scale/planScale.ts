import { surfaceOf, wantedMm, readingValue, ON_THE_WAY, type SizeTarget } from '@zero-pour/contracts';
import {
  bestScale,
  BORE_TOLERANCE_MM,
  foreseePiece,
  InputError,
  ringSizesNear,
  type AlongAxes,
  type BestScale,
  type Judgement,
  type PieceReading,
  type RingSizeName,
  type ScaleChoice,
  type ScaleTarget,
} from '@zero-pour/core';
import type { PourContext } from '../context';
import type { Figure } from '../figure';
import { impossible, known, lacking, missing, type Planned } from '../planned';
import type { TemperaturePlan } from '../pour/temperaturePlan';
import { drawnSize, partOfSize, type DrawnSize } from './drawnSize';
import { sharesOf } from './gatherSizes';
import { isAssumed } from './judgeDrawn';
import { judgeScale } from './judgeScale';
import type { ScaleChain } from './chain';
import { chainOf, inFlaskFigure, thingsOf } from './scaleChain';
import { fixedFigure, percentFigure, printFigure, stepsFigure } from './scaleFigures';
import type { PlannedSize } from './plannedSize';
import { sizePathOf, type SizeThings } from './sizePathOf';

export interface ScalePlan {
  /** Percent to print at; with X, Y and Z apart the one that gives the same volume. */
  percent: Figure;
  percents: AlongAxes;
  /** Scale of what stands in the flask: of the print, or of the wax. */
  inFlask: Figure;
  /** The first size that must hold, as it is printed. */
  printMm?: Figure;
  /** What the plan would take now, where the print is fixed or one percent is typed. */
  proposed: AlongAxes | undefined;
  chain: ScaleChain | undefined;
  sizes: PlannedSize[];
  best: BestScale | undefined;
  judgements: Judgement[];
  /** The first bore in every ring-size system. */
  ringSizes: RingSizeName[];
}

/** A bore's or a size's tolerance while none is given (shop default). */
export const toleranceOf = (target: SizeTarget): number => target.toleranceMm ?? BORE_TOLERANCE_MM;

/** The size that the plan is told by: the first that must hold. */
export const firstHeld = (sizes: readonly SizeTarget[]): SizeTarget | undefined =>
  sizes.find((size) => size.holds);

/** A wanted size, ready for reckoning. */
function scaleTarget(
  context: PourContext,
  things: SizeThings,
  [target, drawn]: [SizeTarget, DrawnSize],
): ScaleTarget {
  const along = sharesOf({ of: target.of, along: drawn.along }, partOfSize(context, target)?.rotation);
  const surface = surfaceOf(target);
  return {
    key: target.key,
    surface,
    drawnMm: drawn.mm,
    wantedMm: wantedMm(target),
    toleranceMm: toleranceOf(target),
    holds: target.holds,
    along,
    path: sizePathOf(things, { surface, zShare: along[2] }, 'finished'),
  };
}

/** What was read of this pour's own print and wax. */
function ownReadings(
  context: PourContext,
  things: SizeThings,
  target: SizeTarget,
  lies: ScaleTarget,
): PieceReading[] {
  return ON_THE_WAY.flatMap((stage) => {
    const measuredMm = readingValue(context.doc.scale.measured?.[target.key]?.[stage]);
    if (measuredMm === undefined || measuredMm <= 0) return [];
    const path = sizePathOf(things, { surface: lies.surface, zShare: lies.along[2] }, stage);
    return [{ path, measuredMm, group: stage }];
  });
}

function plannedSize(
  context: PourContext,
  things: SizeThings,
  [target, drawn, scale]: [SizeTarget, DrawnSize, ScaleTarget],
  percents: AlongAxes,
): PlannedSize {
  const { learnt } = context.sizes;
  const printMm = scale.along.reduce(
    (sum, share, k) => sum + (share * percents[k]! * scale.drawnMm) / 100,
    0,
  );
  const readings = ownReadings(context, things, target, scale);
  const finished =
    readings.length > 0
      ? foreseePiece(readings, { path: scale.path, group: 'finished' }, printMm, learnt)
      : learnt.sizeAfter(scale.path, printMm, 'finished');
  const missMm = finished.value - scale.wantedMm;
  return {
    target,
    scale,
    wantedMm: scale.wantedMm,
    drawnMm: scale.drawnMm,
    drawnFrom: drawn.from,
    along: drawn.along,
    printMm,
    finished,
    foreseen: readings.length > 0,
    missMm,
    within: Math.abs(missMm) <= scale.toleranceMm * (1 + 1e-9),
  };
}

const volumePercent = ([x, y, z]: AlongAxes): number => Math.cbrt(x * y * z);

function planWithChain(context: PourContext, things: SizeThings): ScalePlan {
  const { doc, sizes: known } = context;
  const { learnt } = known;
  const drawn = doc.brief.sizes.map((target) => drawnSize(context, target));
  const targets = doc.brief.sizes.map((target, i) => scaleTarget(context, things, [target, drawn[i]!]));
  const held = firstHeld(doc.brief.sizes);
  const first = targets.find((t) => t.key === held?.key);
  const chain = chainOf(things, first, learnt);
  const best = bestScale(targets, chain.base, learnt.shifts);
  const choice: ScaleChoice = (doc.scale.apart && best.axes) || best.one;
  const fixed = fixedPercents(context);
  const percents = fixed ?? choice.percents;
  const sizes = doc.brief.sizes.map((target, i) =>
    plannedSize(context, things, [target, drawn[i]!, targets[i]!], percents),
  );
  const figures = { chain, best, targets, sizes: doc.brief.sizes, drawn };
  const percent = fixed
    ? fixedFigure(context, volumePercent(fixed))
    : !held
      ? stepsFigure(chain)
      : percentFigure(figures, percents);
  const printed = held && sizes.find((size) => size.target.key === held.key);
  return {
    percent:
      (context.notRead.sizes || sizes.some(isAssumed)) && !fixed ? { ...percent, guessed: true } : percent,
    percents,
    inFlask: inFlaskFigure(percent, chain),
    ...(printed ? { printMm: printFigure(printed, percent, percents, figures, !fixed) } : {}),
    proposed: fixed ? choice.percents : undefined,
    chain,
    sizes,
    best,
    judgements: judgeRead(
      context,
      judgeScale({
        sizes,
        best,
        proposed: fixed ? choice.percents : undefined,
        apart: choice === best.axes,
      }),
    ),
    ringSizes: ringSizesOf(doc.brief.sizes),
  };
}

/** While what was measured is not read, the book stands in for it: that is said, and nothing is said to hold. */
function judgeRead({ notRead }: PourContext, judgements: Judgement[]): Judgement[] {
  const { sizes } = notRead;
  if (!sizes) return judgements;
  const why =
    sizes.status === 'failed'
      ? `What was measured here could not be read: ${sizes.sentence}`
      : 'What was measured here is still being read.';
  const alone: Judgement = { rule: 'book alone', weight: 'watch', lead: 'By the book alone.', why: [why] };
  return [alone, ...judgements.filter(({ weight }) => weight !== 'ok')];
}

function ringSizesOf(sizes: readonly SizeTarget[]): RingSizeName[] {
  const bore = sizes.find((size) => size.of === 'bore' && size.holds);
  return bore ? ringSizesNear(bore.finishedMm) : [];
}

/** Percents that stand whatever the plan says: what it was printed at, or the shop's one number. */
function fixedPercents({ doc }: PourContext): AlongAxes | undefined {
  if (doc.scale.printedAs) return doc.scale.printedAs.percents;
  const { percent } = doc.scale;
  return doc.scale.way === 'percent' && percent !== undefined ? [percent, percent, percent] : undefined;
}

/** Percent to print at, and every wanted size as printed and finished (handbook 03). */
export function planScale(
  context: PourContext,
  temperatures: TemperaturePlan | undefined,
): Planned<ScalePlan> {
  const { doc, resin, alloy } = context;
  const fixed = fixedPercents(context);
  if (doc.scale.way === 'percent' && !fixed)
    return missing(lacking([undefined, 'the percent to print at', 'scale']));
  const things = thingsOf(context, temperatures?.wantedFlaskC);
  try {
    if (things) return known(planWithChain(context, things));
  } catch (error) {
    if (error instanceof InputError)
      return impossible('A size is smaller than what finishing and printing take off it.', 'scale');
    throw error;
  }
  if (!fixed) return missing(lacking([resin, 'a resin', 'resin'], [alloy, 'the metal', 'brief']));
  const percent = fixedFigure(context, volumePercent(fixed));
  return known({
    percent,
    percents: fixed,
    inFlask: percent,
    proposed: undefined,
    chain: undefined,
    sizes: [],
    best: undefined,
    judgements: [],
    ringSizes: ringSizesOf(doc.brief.sizes),
  });
}
