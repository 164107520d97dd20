import { InputError, requireNumber, requirePositive } from '../numeric';

/** Whether the size is measured over metal (a band's outside) or across a hole (a bore). */
export type Surface = 'outer' | 'inner';

export interface ChainInput {
  finishedMm: number;
  surface: Surface;
  /** Relative change of each later step in percent, negative = shrinks, in the order of the work. */
  stepPercents: readonly number[];
  /** Skin that finishing takes off each surface, mm, at least 0. */
  skinMm: number;
  /** What printing adds to an outer size (bleed), mm; the same takes from a bore. May be negative. */
  printAddsMm: number;
}

export interface ChainResult {
  printMm: number;
  /** Π(1 + eᵢ). */
  product: number;
  /** What the program that prepares the print needs: size to print ÷ size in the file, as percent. */
  scalePercent: number;
}

/**
 * Size to print for a wanted finished size: P = (F + 2a)/Π(1 + eᵢ) − b (handbook 03, "Chain"), where the
 * skin a adds to outer sizes and takes from inner ones, and b (what printing adds) turns sign for a bore.
 */
export function sizeToPrint(input: ChainInput): ChainResult {
  requirePositive('finishedMm', input.finishedMm);
  requireNumber('skinMm', input.skinMm, 0, input.finishedMm / 2);
  const sign = input.surface === 'outer' ? 1 : -1;
  const product = input.stepPercents.reduce(
    (p, e) => p * (1 + requireNumber('stepPercents', e, -50, 50) / 100),
    1,
  );
  const printMm = (input.finishedMm + sign * 2 * input.skinMm) / product - sign * input.printAddsMm;
  if (printMm <= 0)
    throw new InputError('finishedMm', 'larger than what finishing and printing take', input.finishedMm);
  return { printMm, product, scalePercent: (100 * printMm) / input.finishedMm };
}

/** Percent that makes up for the steps alone, without skin and bleed: 100/Π(1 + eᵢ). */
export function scaleOfSteps(stepPercents: readonly number[]): number {
  return 100 / stepPercents.reduce((p, e) => p * (1 + requireNumber('stepPercents', e, -50, 50) / 100), 1);
}
