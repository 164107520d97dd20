import type { AlongAxes, SizeStep } from '@zero-pour/core';
import type { Given } from '../figure';
import type { SizeThings } from './sizePathOf';

/** One step of a size's way, and what is known of it. */
export interface ChainStep {
  step: SizeStep;
  given: Given;
  /** What the book says, and one standard deviation of what is taken. */
  bookPercent: number;
  sdPercent: number;
  /** Sizes of the shop that went through it. */
  count: number;
  typed: boolean;
}

/** The inputs of a size's working. */
export interface ChainGivens {
  steps: Given[];
  skin: Given;
  adds: Given;
}

/** The way of one size from the file to the finished piece. */
export interface ScaleChain {
  steps: ChainStep[];
  givens: ChainGivens;
  things: SizeThings;
  /** Percents that make up for the steps alone, along each axis of the print. */
  base: AlongAxes;
}
