import type { Programme, ShopItem } from '@zero-pour/contracts';

let programmes: readonly ShopItem<'programme'>[] = [];

/** Tells which programmes the shop has; hands-on moments of entries of an older version are named by them. */
export const knowProgrammes = (known: readonly ShopItem<'programme'>[]): void => void (programmes = known);

/** Segments of a programme of the shop. */
export const segmentsOf = (id: string | undefined): Programme['segments'] | undefined =>
  programmes.find((programme) => programme.id === id)?.segments;
