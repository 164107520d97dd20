import type { HandsOnEntry } from '@zero-pour/plan';

/** Where what hands must do is done: at the mold, or at the stage of its pour. */
export const handsOnLink = ({ mold, row, stage }: HandsOnEntry): string =>
  mold ? `/molds/${mold.id}` : `/pours/${row?.pour.id}/${stage}`;
