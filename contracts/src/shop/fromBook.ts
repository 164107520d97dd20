import { alloyDensity, BOOK_ALLOYS, BOOK_PROGRAMMES } from '@zero-pour/core';
import type { ShopFields } from './kinds';

/** The book's alloys as records of a shop: density as measured, else from the composition; no price yet. */
export const alloysFromBook = (): ShopFields<'alloy'>[] =>
  BOOK_ALLOYS.map((alloy) => ({
    ...alloy,
    densityGPerCm3: alloy.densityGPerCm3 ?? Math.round(alloyDensity(alloy.composition) * 1000) / 1000,
    pricePerG: 0,
    note: '',
  }));

/** The book's burnout programmes as records of a shop. */
export const programmesFromBook = (): ShopFields<'programme'>[] =>
  BOOK_PROGRAMMES.map((programme) => ({
    ...programme,
    segments: programme.segments.map((segment) => ({ ...segment, hands: [...segment.hands] })),
    note: '',
  }));
