import type { PourYield, Printer, Profile, RecordLists, Resin, ShopLists } from '@zero-pour/contracts';
import {
  BOOK_YIELDS,
  handsOnMinutes,
  OWN_FROM,
  protocolHours,
  standing,
  withBook,
  type PlateChoice,
  type Standing,
} from '@zero-pour/core';
import { motionOf, supportsOf, type ShopPrints } from './knowPrints';
import { yieldsOf } from '../resin/ranking';

/** A profile with all that it names. */
export interface ComparedProfile {
  profile: Profile;
  resin: Resin;
  printer: Printer;
  /** By this shop's pieces, with what is usual for the class beside them while there are few. */
  prints: Standing;
  casts: Standing;
  /** So few pieces that it is mostly the book's. */
  byBook: boolean;
}

/** What comes out good at the least. */
const goodLow = ({ prints, casts }: Pick<ComparedProfile, 'prints' | 'casts'>): number =>
  prints.low * casts.low;

/** Profiles that can be compared: those that stand, of castable resins; by the shop's own record, the best first. */
export function comparable(
  lists: ShopLists,
  records: RecordLists,
  pours: readonly PourYield[],
): ComparedProfile[] {
  return lists.profile
    .filter((profile) => !profile.replaced)
    .flatMap((profile) => {
      const resin = lists.resin.find((r) => r.id === profile.resinId);
      const printer = lists.printer.find((p) => p.id === profile.printerId);
      if (!resin?.forBurnout || !printer) return [];
      const own = yieldsOf(resin.id, profile.castClass, records, pours);
      const book = BOOK_YIELDS[profile.castClass];
      return [
        {
          profile,
          resin,
          printer,
          prints: standing(withBook(own.prints, book.prints)),
          casts: standing(withBook(own.casts, book.casts)),
          byBook: Math.min(own.prints.of, own.casts.of) < OWN_FROM,
        },
      ];
    })
    .sort((a, b) => Number(a.byBook) - Number(b.byBook) || goodLow(b) - goodLow(a));
}

/** One choice with its costs; without pieces of its own it comes to what is usual for its class. */
export function plateChoice(
  compared: ComparedProfile,
  known: ShopPrints,
  burnoutH: number,
  kilnCostPerH: number,
): PlateChoice {
  const { profile, resin, printer, prints, casts } = compared;
  return {
    name: profile.name,
    profile: { ...profile, motionS: motionOf(known, printer, profile).value },
    raftMl: profile.raftMl,
    raftMm: profile.raftMm,
    supportsPercent: supportsOf(known, resin).value,
    cleanH: protocolHours(resin.protocol),
    handsOnMin: handsOnMinutes(resin.protocol),
    densityGPerMl: resin.densityGPerMl,
    pricePerKg: resin.pricePerKg,
    printerCostPerH: printer.costPerH,
    lightCostPerH: printer.lightRatedH === null ? 0 : printer.lightPrice / printer.lightRatedH,
    plateMm: [printer.plateXMm, printer.plateYMm],
    printYield: prints.mean,
    castYield: casts.mean,
    burnoutH,
    kilnCostPerH,
  };
}
