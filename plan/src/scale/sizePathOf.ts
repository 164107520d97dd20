import type { Alloy, Profile, Resin, ScaleStage } from '@zero-pour/contracts';
import {
  BOOK_OFFSET_SD_MM,
  COUPON_ADDS_SD_MM,
  FINISH_SKIN_MM,
  flaskBand,
  INJECTED_WAX,
  INVESTMENT_RANGE_PERCENT,
  investmentExpansionPercent,
  METAL_RANGE_PERCENT,
  MOLD_MATERIALS,
  printsNegative,
  RESIN_RANGE_PERCENT,
  sdOfRange,
  SKIN_SD_MM,
  stepsUntil,
  type Amount,
  type Change,
  type Finish,
  type MoldMaterial,
  type Route,
  type SizePath,
  type SizeStage,
  type SizeStep,
  type Surface,
} from '@zero-pour/core';

/** What decides how a size changes on its way. */
export interface SizeThings {
  route: Route;
  resin: Pick<Resin, 'id' | 'curePercent' | 'cureZPercent'>;
  /** Its id, and what its coupons say that printing adds. */
  profile: Pick<Profile, 'id' | 'printAddsMm'> | undefined;
  alloy: Pick<Alloy, 'id' | 'shrinkPercent'> | undefined;
  powderId: string | undefined;
  flaskC: number | undefined;
  finish: Finish;
  /** What is typed in place of the book; `own` stands whatever was measured. */
  typed: Partial<Pick<ScaleStage, 'own' | 'moldMaterial' | 'skinMm' | 'printAddsMm' | 'masterAddsMm'>>;
}

/** Z may differ from what the resin does across the plate by this range, percent, and in what printing adds, mm. */
const Z_RANGE_PERCENT = 0.4;
const Z_ADDS_SD_MM = 0.03;
const MASTER_SD_MM = 0.02;

export const usualMold = (route: Route): MoldMaterial =>
  route === 'wax from a silicone mold' ? 'platinum silicone' : 'natural rubber';

/** Skin that finishing takes off each surface, by the finish. */
export const usualSkinMm = (finish: Finish): number =>
  finish === 'full' || finish === 'one face' ? FINISH_SKIN_MM.plain : FINISH_SKIN_MM.none;

/** Key, book value and spread of a step for these things; the same key means the same unknown. */
export function stepOf(step: SizeStep, things: SizeThings): Omit<Change, 'share'> {
  const { resin, alloy, powderId, flaskC, typed, route } = things;
  const own = typed.own?.[step];
  const book = (key: string, percent: number, rangePercent: number) =>
    own === undefined
      ? { key, percent, sdPercent: sdOfRange(rangePercent) }
      : { key: `typed ${step}`, percent: own, sdPercent: sdOfRange(rangePercent) };
  switch (step) {
    case 'resin':
      return book(`resin ${resin.id}`, resin.curePercent, RESIN_RANGE_PERCENT);
    case 'mold': {
      const material = typed.moldMaterial ?? usualMold(route);
      const { percent, rangePercent } = MOLD_MATERIALS[material];
      return book(`mold ${material}`, percent, rangePercent);
    }
    case 'wax':
      return book('wax', INJECTED_WAX.percent, INJECTED_WAX.rangePercent);
    case 'investment': {
      const tempC = flaskC ?? 500;
      const band = flaskBand(tempC);
      return book(
        `investment ${powderId ?? ''} ${band}`,
        investmentExpansionPercent(tempC),
        INVESTMENT_RANGE_PERCENT[band],
      );
    }
    case 'metal':
      return book(`metal ${alloy?.id ?? ''}`, alloy?.shrinkPercent ?? 0, METAL_RANGE_PERCENT);
  }
}

/** What printing adds: typed, else what the profile's coupons say, else nothing. */
export function addsOf({ profile, typed }: SizeThings): Omit<Amount, 'times'> {
  if (typed.printAddsMm !== undefined)
    return { key: 'typed adds', mm: typed.printAddsMm, sdMm: COUPON_ADDS_SD_MM };
  const measured = profile?.printAddsMm ?? null;
  const key = `adds ${profile?.id ?? ''}`;
  return measured === null
    ? { key, mm: 0, sdMm: BOOK_OFFSET_SD_MM }
    : { key, mm: measured, sdMm: COUPON_ADDS_SD_MM };
}

/**
 * The way of a size through the steps up to a stage. `zShare`: how far it lies along z of the print, 0 to 1. The mold
 * of a printed mold is the negative, so what printing adds turns sign there.
 */
export function sizePathOf(
  things: SizeThings,
  { surface, zShare }: { surface: Surface; zShare: number },
  stage: SizeStage,
): SizePath {
  const steps = stepsUntil(things.route, stage);
  const sign = surface === 'outer' ? 1 : -1;
  const printed = printsNegative(things.route) ? -sign : sign;
  const changes = steps.map((step): Change => ({ ...stepOf(step, things), share: 1 }));
  const { resin, typed } = things;
  if (zShare > 0 && steps.includes('resin') && typed.own?.resin === undefined) {
    changes.push({
      key: `resin ${resin.id} z`,
      percent: 100 * ((100 + (resin.cureZPercent ?? resin.curePercent)) / (100 + resin.curePercent) - 1),
      sdPercent: sdOfRange(Z_RANGE_PERCENT),
      share: zShare,
    });
  }
  const adds = addsOf(things);
  const amounts: Amount[] = [{ ...adds, times: printed }];
  if (zShare > 0) amounts.push({ key: `${adds.key} z`, mm: 0, sdMm: Z_ADDS_SD_MM, times: printed * zShare });
  if (typed.masterAddsMm !== undefined && typed.masterAddsMm !== 0 && steps.includes('mold'))
    amounts.push({ key: 'master', mm: typed.masterAddsMm, sdMm: MASTER_SD_MM, times: sign });
  const skinMm = typed.skinMm ?? usualSkinMm(things.finish);
  const takes: Amount[] =
    stage === 'finished' && skinMm > 0
      ? [{ key: 'skin', mm: skinMm, sdMm: SKIN_SD_MM, times: 2 * sign }]
      : [];
  return { changes, adds: amounts, takes };
}
