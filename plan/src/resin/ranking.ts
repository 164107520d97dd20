import {
  type PourYield,
  type Profile,
  type RecordLists,
  type Resin,
  type ShopLists,
  type TestSetRun,
} from '@zero-pour/contracts';
import {
  addCounts,
  countGrades,
  featureCount,
  finestFeature,
  printTime,
  standing,
  type CastClass,
  type FinestFeature,
  type PieceCount,
  type SizeCount,
  type Standing,
  type TunedClass,
} from '@zero-pour/core';
import { motionOf, NOTHING_PRINTED, type ShopPrints } from '../print/knowPrints';

const NONE: PieceCount = { good: 0, of: 0 };
/** Height of the part that resins are timed by, mm. */
export const RANKED_HEIGHT_MM = 20;
/** Coupons exposed within this share of an accepted exposure speak for it. */
const NEAR_SHARE = 0.12;

/** What the shop's record says of a resin in one class; nothing is assumed that is not in it. */
export interface RankedResin {
  resin: Resin;
  prints: Standing;
  casts: Standing;
  /** Finest that prints, by coupons near the accepted exposure and test sets; and finest that casts, by test sets. */
  finest: FinestFeature | undefined;
  finestCast: FinestFeature | undefined;
  /** Hours of a part 20 mm tall, by its tested profile. */
  hours: number | undefined;
  pricePerMl: number;
  profile: Profile | undefined;
  /** The newest word on it from a test set. */
  verdict: TestSetRun['verdicts'][TunedClass];
}

/** Counts of a resin in a class from its test sets and its recorded pours. */
export function yieldsOf(
  resinId: string,
  castClass: CastClass,
  records: RecordLists,
  pours: readonly PourYield[],
): { prints: PieceCount; casts: PieceCount } {
  const graded = countGrades(
    records.testSetRun
      .filter((run) => run.resinId === resinId)
      .flatMap((run) => run.pieces.filter((piece) => piece.castClass === castClass)),
  );
  const poured = pours.filter((y) => y.resinId === resinId && y.castClass === castClass);
  const sum = (good: keyof PourYield, of: keyof PourYield): PieceCount =>
    poured.reduce((total, y) => addCounts(total, { good: Number(y[good]), of: Number(y[of]) }), NONE);
  return {
    prints: addCounts(graded.prints, sum('printedGood', 'printedOf')),
    casts: addCounts(graded.casts, sum('castGood', 'castOf')),
  };
}

/** Struts by size from coupons exposed near a profile's exposure, with the whole and missing pieces of test sets. */
export function sizesNear(profile: Profile, records: RecordLists): SizeCount[] {
  const near = (seconds: number): boolean => Math.abs(seconds / profile.exposureS - 1) <= NEAR_SHARE;
  const same = (of: { resinId: string; printerId: string; layerMm: number; exposureS: number }): boolean =>
    of.resinId === profile.resinId &&
    of.printerId === profile.printerId &&
    of.layerMm === profile.layerMm &&
    near(of.exposureS);
  const coupons = records.trial.filter(same).flatMap((trial) =>
    trial.coupon.classes.map((row) => ({
      sizeMm: row.featureMm,
      ...featureCount(trial.counts[row.castClass]?.struts ?? undefined, row.struts),
    })),
  );
  const pieces = records.testSetRun
    .filter(same)
    .flatMap((run) =>
      run.pieces.flatMap((piece) =>
        piece.thinnestMm !== null && (piece.print === 'whole' || piece.print === 'missing')
          ? [{ sizeMm: piece.thinnestMm, good: piece.print === 'whole' ? 1 : 0, of: 1 }]
          : [],
      ),
    );
  return [...coupons, ...pieces];
}

/** Pieces of test sets that were cast, by the size of their thinnest place: good ones against the others. */
export const castSizes = (resinId: string, castClass: CastClass, records: RecordLists): SizeCount[] =>
  records.testSetRun
    .filter((run) => run.resinId === resinId)
    .flatMap((run) => run.pieces.filter((piece) => piece.castClass === castClass))
    .flatMap(({ thinnestMm, cast }) =>
      thinnestMm === null || cast === null
        ? []
        : [{ sizeMm: thinnestMm, good: cast === 'good' ? 1 : 0, of: 1 }],
    );

/** The profile that a resin is judged by in a class: tested and standing, the newest. */
export const rankedProfile = (lists: ShopLists, resinId: string, castClass: CastClass): Profile | undefined =>
  lists.profile
    .filter((p) => p.resinId === resinId && p.castClass === castClass && p.tested && !p.replaced)
    .sort((a, b) => (b.foundAt ?? '').localeCompare(a.foundAt ?? ''))[0];

function hoursOf(profile: Profile | undefined, lists: ShopLists, known: ShopPrints): number | undefined {
  const printer = profile && lists.printer.find((p) => p.id === profile.printerId);
  if (!printer || !profile) return undefined;
  const { value: motionS } = motionOf(known, printer, profile);
  return printTime(RANKED_HEIGHT_MM, { ...profile, motionS }).seconds / 3600;
}

/** The shop's castable resins in one class, as its own record has them (handbook 02, "Resin record"). */
export function rankResins(
  lists: ShopLists,
  records: RecordLists,
  pours: readonly PourYield[],
  castClass: TunedClass,
  known: ShopPrints = NOTHING_PRINTED,
): RankedResin[] {
  return lists.resin
    .filter((resin) => !resin.retired)
    .map((resin) => {
      const { prints, casts } = yieldsOf(resin.id, castClass, records, pours);
      const profile = rankedProfile(lists, resin.id, castClass);
      const runs = records.testSetRun
        .filter((run) => run.resinId === resin.id)
        .sort((a, b) => b.printedAt.localeCompare(a.printedAt));
      return {
        resin,
        prints: standing(prints),
        casts: standing(casts),
        finest: profile && finestFeature(resin.finestMm, sizesNear(profile, records)),
        finestCast: finestFeature(resin.finestMm, castSizes(resin.id, castClass, records)),
        hours: hoursOf(profile, lists, known),
        pricePerMl: (resin.pricePerKg * resin.densityGPerMl) / 1000,
        profile,
        verdict: runs.find((run) => run.verdicts[castClass])?.verdicts[castClass],
      };
    });
}
