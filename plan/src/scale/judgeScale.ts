import {
  formatNumber,
  plusMinus,
  quantity,
  say,
  sortJudgements,
  type AlongAxes,
  type BestScale,
  type Judgement,
  type Phrase,
} from '@zero-pour/core';
import { isAssumed, judgeAssumed, judgeDrawn } from './judgeDrawn';
import type { PlannedSize } from './plannedSize';

interface Judged {
  sizes: readonly PlannedSize[];
  best: BestScale;
  /** What the steps ask for, where the percent stands already: printed, or typed. */
  proposed: AlongAxes | undefined;
  /** X, Y and Z are taken apart. */
  apart: boolean;
}

const mm = (value: number) => quantity(Math.abs(value), 'mm', 2);
const percent = (value: number) => quantity(value, 'percent', 2);
const halfWidth = ({ finished }: PlannedSize): number => plusMinus(finished);
const nameOf = ({ target }: PlannedSize): string => target.name || 'Size';
const listed = (phrases: readonly Phrase[]): Phrase =>
  phrases.flatMap((p, i) => (i === 0 ? p : [', ', ...p]));

/** What scaling can and cannot do for the wanted sizes, and how sure it is (handbook 03, "Output"). */
export function judgeScale({ sizes, best, proposed, apart }: Judged): Judgement[] {
  const held = sizes.filter((size) => size.target.holds);
  if (held.length === 0) return [];
  const missed = held.filter((size) => !size.within);
  const assumed = held.filter(isAssumed);
  return sortJudgements([
    ...judgeDrawn(held),
    ...judgeAssumed(assumed),
    ...missed.filter((size) => size.foreseen).map(judgeForeseen),
    ...(missed.some((size) => !size.foreseen)
      ? proposed
        ? [judgeStanding(missed, proposed)]
        : judgeMissed(missed, best, apart)
      : []),
    ...(missed.length + assumed.length === 0 ? [judgeHeld(held, best)] : []),
    ...judgeSpread(held),
  ]);
}

/** Farther off than this, share of the size, no print goes by itself: it was another file, or another percent. */
const PRINT_GOES = 0.03;

function judgeForeseen(size: PlannedSize): Judgement {
  const { finished, missMm, printMm, wantedMm, drawnMm } = size;
  const again = wantedMm / finished.value;
  const next =
    Math.abs(again - 1) > PRINT_GOES
      ? say`That is farther than a print goes by itself: was it this file, and printed at this percent? Clear that up, then print again.`
      : say`Print again at ${percent((100 * printMm * again) / drawnMm)}, or open or size the piece at the bench.`;
  return {
    rule: `foreseen off ${size.target.key}`,
    weight: 'fix',
    lead: `${nameOf(size)} will be off: print again before you cast.`,
    why: [
      ...say`By what was measured on the way it finishes ${mm(finished.value)} ± ${mm(halfWidth(size))}, ${mm(missMm)} ${missMm > 0 ? 'over' : 'under'}. `,
      ...next,
    ],
  };
}

const missWords = (missed: readonly PlannedSize[]): Phrase =>
  listed(missed.map((size) => say`${nameOf(size)} ${mm(size.missMm)} ${size.missMm > 0 ? 'over' : 'under'}`));

/** A percent that stands and does not bring the sizes. */
const judgeStanding = (missed: readonly PlannedSize[], [x, y, z]: AlongAxes): Judgement => ({
  rule: 'percent misses',
  weight: 'fix',
  lead: 'This percent misses.',
  why: [
    ...missWords(missed),
    ...(x === z
      ? say`. The steps ask for ${percent(x)}.`
      : say`. The steps ask for X ${percent(x)}, Y ${percent(y)}, Z ${percent(z)}.`),
  ],
});

function judgeHeld(held: readonly PlannedSize[], best: BestScale): Judgement {
  const room: Phrase = best.allHold
    ? say` Anything from ${percent(best.allHold.lowest)} to ${percent(best.allHold.highest)} holds.`
    : say``;
  return {
    rule: 'sizes hold',
    weight: 'ok',
    lead: held.length === 1 ? 'The size holds.' : 'All sizes hold.',
    why: [
      ...listed(held.map((size) => say`${nameOf(size)} ${mm(size.finished.value)} ± ${mm(halfWidth(size))}`)),
      '.',
      ...room,
    ],
  };
}

/** Walls and bores move opposite ways: what no scale puts right, and what does. */
function judgeMissed(missed: readonly PlannedSize[], best: BestScale, apart: boolean): Judgement[] {
  const redraw = listed(missed.map((size) => {
    const target = best.one.targets.find((t) => t.key === size.target.key)!;
    return say`${nameOf(size).toLowerCase()} at ${mm((target.wantedPrintMm * size.drawnMm) / size.printMm)}`;
  })); // prettier-ignore
  const out: Judgement[] = [
    {
      rule: 'cannot all hold',
      weight: 'fix',
      lead: 'Scaling cannot hold all.',
      why: [
        ...missWords(missed),
        '. ',
        ...(best.offset && best.offset.worst <= 1 ? offsetWords(best.offset) : []),
        'Or draw ',
        ...redraw,
        ...say` in the file.`,
      ],
    },
  ];
  if (best.axes && !apart) {
    const [x, y, z] = best.axes.percents;
    out.push({
      rule: 'axes apart',
      weight: 'watch',
      lead: 'Own percents would help.',
      why: say`X ${percent(x)}, Y ${percent(y)}, Z ${percent(z)} bring the worst from ${formatNumber(best.one.worst, 1)} to ${formatNumber(best.axes.worst, 1)} tolerances.`,
    });
  }
  return out;
}

const offsetWords = ({ surfaceMm, percent: scale }: NonNullable<BestScale['offset']>): Phrase =>
  say`Move every surface of the file ${mm(surfaceMm)} ${surfaceMm > 0 ? 'outwards' : 'inwards'} and scale to ${percent(scale)}: then all hold. Or tune the exposure so that printing adds ${mm(2 * surfaceMm)} ${surfaceMm > 0 ? 'more' : 'less'}. `;

/** A tolerance that is tighter than what is known. */
function judgeSpread(held: readonly PlannedSize[]): Judgement[] {
  const worst = [...held].sort(
    (a, b) => halfWidth(b) / b.scale.toleranceMm - halfWidth(a) / a.scale.toleranceMm,
  )[0];
  if (!worst || halfWidth(worst) <= worst.scale.toleranceMm) return [];
  return [
    {
      rule: 'not that sure',
      weight: 'watch',
      lead: 'Not as sure as asked.',
      why: say`${nameOf(worst)} is wanted to ± ${mm(worst.scale.toleranceMm)} and known to ± ${mm(halfWidth(worst))}. Measure castings of this resin and metal: each narrows it.`,
    },
  ];
}
