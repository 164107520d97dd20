import type { ShopLists } from '@zero-pour/contracts';
import {
  amountsOf,
  bookPrior,
  calibrate,
  productOf,
  type Calibration,
  type DatedResidual,
  type LearntSizes,
  type SizePair,
} from '@zero-pour/core';
import type { MeasuredSize, ShopSizes } from './gatherSizes';
import { stepName } from './stepNames';

/** Sizes that went the same way: one resin, stage, metal and axis. */
export interface SizeGroup {
  key: string;
  name: string;
  sizes: MeasuredSize[];
}

const STAGE_WORDS = { printed: 'off the printer', cured: 'cured', wax: 'wax', cast: 'as cast', finished: 'finished' } as const; // prettier-ignore
const AXIS_WORDS = { XY: 'across the plate', Z: 'upwards', bore: 'bores' } as const;

/** Groups, those with the most sizes first; each in the order of time. */
export function sizeGroups(measured: readonly MeasuredSize[], lists: ShopLists): SizeGroup[] {
  const groups = new Map<string, SizeGroup>();
  for (const size of [...measured].reverse()) {
    const key = `${size.resinId} ${size.stage} ${size.alloyId ?? ''} ${size.axis}`;
    const known = groups.get(key);
    if (known) known.sizes.unshift(size);
    else {
      const resin = lists.resin.find((r) => r.id === size.resinId)?.name ?? '';
      const metal = size.stage === 'cast' || size.stage === 'finished' ? lists.alloy.find((a) => a.id === size.alloyId)?.name : undefined; // prettier-ignore
      const name = [resin, STAGE_WORDS[size.stage], ...(metal ? [metal] : []), AXIS_WORDS[size.axis]].join(
        ', ',
      );
      groups.set(key, { key, name, sizes: [size] });
    }
  }
  return [...groups.values()].sort((a, b) => b.sizes.length - a.sizes.length);
}

export interface GroupFit {
  fit: Calibration;
  /** Slope that the book expects. */
  bookSlope: number;
  counted: MeasuredSize[];
  /** What is left when the fit is taken off, in percent of the size. */
  residuals: DatedResidual[];
}

/**
 * The handbook's one rule for a group: slope and offset against the book, offsets beyond what printing and finishing
 * are taken to do. Sizes that are left out are not counted.
 */
export function fitGroup(group: SizeGroup): GroupFit {
  const counted = group.sizes.filter((size) => !size.leftOut);
  const { path } = group.sizes[group.sizes.length - 1]!;
  const bookSlope = productOf(path);
  const share = path.changes.reduce((sum, c) => sum + ((c.share * c.sdPercent) / (100 + c.percent)) ** 2, 0);
  const pairs = counted.map((size): SizePair => {
    const { addsMm, takesMm } = amountsOf(size.path);
    return { nominalMm: size.printMm, measuredMm: size.measuredMm + takesMm - addsMm * productOf(size.path) };
  });
  // Straight off the printer no step is behind it: only the ruler's own error.
  const slopeSd = Math.max(1e-4, bookSlope * Math.sqrt(share));
  const fit = calibrate(pairs, bookPrior(100 * (bookSlope - 1), 400 * slopeSd));
  return {
    fit,
    bookSlope,
    counted,
    residuals: counted.map((size, i) => ({
      at: size.at,
      percent: (100 * fit.residualsMm[i]!) / size.printMm,
      lot: size.lot,
    })),
  };
}

/** A step as the shop knows it: what the book says, what was learnt, how sure. */
export interface KnownStep {
  key: string;
  name: string;
  unit: 'percent' | 'mm';
  book: number;
  value: number;
  sd: number;
  count: number;
}

/** Every step that some measured size went through, most measured first. */
export function knownSteps({ measured, learnt }: ShopSizes, lists: ShopLists): KnownStep[] {
  const steps = new Map<string, KnownStep>();
  const take = (key: string, unit: KnownStep['unit'], book: number, sd: number, of: LearntSizes): void => {
    const count = of.countOf(key);
    if (count === 0) return;
    steps.set(key, { key, name: stepName(key, lists), unit, book, value: book + of.shifts(key), sd: of.sdOf(key, sd), count }); // prettier-ignore
  };
  for (const { path } of measured) {
    for (const { key, percent, sdPercent } of path.changes) take(key, 'percent', percent, sdPercent, learnt);
    for (const { key, mm, sdMm } of [...path.adds, ...path.takes]) take(key, 'mm', mm, sdMm, learnt);
  }
  return [...steps.values()].sort((a, b) => b.count - a.count);
}
