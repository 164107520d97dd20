import type { Alloy, LotMoveRow, MetalLot } from '@zero-pour/contracts';
import { mixLots, stockG, type Alloying, type Composition, type LotShare } from '@zero-pour/core';

/** What metal in a drawer weighs by its moves, g. */
export const lotStockG = ({ moves }: Pick<MetalLot, 'moves'>): number => stockG(moves);

type Move = Pick<LotMoveRow, 'what' | 'massG' | 'pour'> & { key?: string };

/** The lot with one more move; a move of the same key takes its place, so that each is booked once. */
export function withMove(lot: MetalLot, { key = crypto.randomUUID(), ...move }: Move, at: Date): MetalLot {
  const massG = Math.round(100 * move.massG) / 100;
  const made: LotMoveRow = {
    key,
    at: at.toISOString(),
    what: move.what,
    massG,
    ...(move.pour ? { pour: move.pour } : {}),
  };
  return { ...lot, moves: [...lot.moves.filter((one) => one.key !== key), made] };
}
export const withoutMove = (lot: MetalLot, key: string): MetalLot => ({
  ...lot,
  moves: lot.moves.filter((one) => one.key !== key),
});

/** A lot of an alloy with nothing in it yet. */
export const newLot = (
  alloy: Pick<Alloy, 'id' | 'name' | 'composition'>,
  change: Partial<MetalLot> = {},
): MetalLot => ({
  id: crypto.randomUUID(),
  name: alloy.name,
  alloyId: alloy.id,
  origin: 'bought',
  melts: 0,
  composition: { ...alloy.composition },
  moves: [],
  note: '',
  ...change,
});

/** What was chosen out of lots, those that are still there. */
export function sharesOf(
  lots: readonly MetalLot[],
  chosen: readonly { key: string; massG: number }[],
): (LotShare & { lot: MetalLot })[] {
  return chosen.flatMap(({ key, massG }) => {
    const lot = lots.find(({ id }) => id === key);
    return lot && massG > 0 ? [{ lot, massG, composition: lot.composition, melts: lot.melts }] : [];
  });
}

/** A charge out of lots of one alloy by a share of new metal: as far as they go, new metal for what is missing of the old. */
export function fillFrom(
  lots: readonly MetalLot[],
  chargeG: number,
  newPercent: number,
): { key: string; massG: number }[] {
  const tidy = (g: number): number => Math.round(100 * g) / 100;
  const left = new Map(lots.map((lot) => [lot.id, Math.max(0, lotStockG(lot))]));
  const taken = new Map<string, number>();
  const take = (from: readonly MetalLot[], wantedG: number): number => {
    let missing = wantedG;
    for (const { id } of from) {
      const here = Math.min(missing, left.get(id)!);
      if (here <= 0) continue;
      taken.set(id, (taken.get(id) ?? 0) + here);
      left.set(id, left.get(id)! - here);
      missing -= here;
    }
    return missing;
  };
  const fresh = lots.filter(({ melts }) => melts === 0);
  // The oldest of the reused metal is used up first.
  const old = lots.filter(({ melts }) => melts > 0).sort((a, b) => b.melts - a.melts);
  const shortOfOld = take(old, (chargeG * (100 - newPercent)) / 100);
  const shortOfNew = take(fresh, (chargeG * newPercent) / 100 + shortOfOld);
  take(old, shortOfNew);
  const rows = [...taken].map(([key, massG]) => ({ key, massG: tidy(massG) }));
  // What rounding left over goes to the largest, so that they add up to the charge.
  const sum = rows.reduce((all, { massG }) => all + massG, 0);
  const largest = rows.reduce((most, row) => (row.massG > (most?.massG ?? 0) ? row : most), rows[0]);
  if (largest && Math.abs(chargeG - sum) < 0.05) largest.massG = tidy(largest.massG + tidy(chargeG) - sum);
  return rows;
}

/** A button of a pour comes back into a lot that is of its metal and was molten once more than the oldest of it. */
export const meltsAfter = (shares: readonly LotShare[]): number =>
  shares.length > 0 ? mixLots(shares).melts + 1 : 1;

/** An alloy that was made of lots: they get less, and the new lot is all of it. */
export function alloyed(
  lots: readonly MetalLot[],
  made: Exclude<Alloying, { status: 'short' }>,
  into: Pick<Alloy, 'id' | 'name'>,
  at: Date,
): MetalLot[] {
  const key = `alloyed ${crypto.randomUUID()}`;
  const used = lots.flatMap((lot, n) => {
    const massG = Math.round(100 * made.grams[n]!) / 100;
    return massG > 0
      ? [{ lot: withMove(lot, { key, what: 'alloyed', massG: -massG }, at), massG, from: lot }]
      : [];
  });
  const massG = used.reduce((sum, one) => sum + one.massG, 0);
  const melts = meltsAfter(
    used.map(({ from, massG: g }) => ({ massG: g, composition: from.composition, melts: from.melts })),
  );
  const composition: Composition = made.composition;
  // What is not that alloy does not get its name: its own shares say what it is.
  const exact = made.status === 'exact';
  const lot = newLot(
    { ...into, composition },
    {
      origin: 'alloyed here',
      melts,
      alloyId: exact ? into.id : null,
      name: exact ? `${into.name}, alloyed here` : `Alloyed here, not ${into.name}`,
    },
  );
  return [...used.map((one) => one.lot), withMove(lot, { key, what: 'alloyed', massG }, at)];
}
