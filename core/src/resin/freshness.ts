import type { Judgement } from '../judge';
import { requireNumber, say, type Phrase } from '../numeric';

const DAY_MS = 24 * 3600 * 1000;
/** The last part of a life in which it is worth using up first. */
const LATE_SHARE = 0.8;

/** Something that goes off: an opened bottle, a filled vat, an uncured or a cured print. */
export interface Perishable {
  /** "Vat of Printer A". */
  name: string;
  /** Moment it was opened, filled or printed, ms. */
  sinceMs: number;
  /** Days it lasts. */
  lifeDays: number;
}

export interface Freshness {
  ageDays: number;
  daysLeft: number;
  weight: Judgement['weight'];
  /** "3 days left of 14 days", "1 day past its 2 days". */
  stands: string;
  line: Phrase;
}

const days = (n: number): string => `${n} ${Math.abs(n) === 1 ? 'day' : 'days'}`;

/** How much of its life is left at `nowMs` (handbook 02, "Resin record"). */
export function freshness({ name, sinceMs, lifeDays }: Perishable, nowMs: number): Freshness {
  requireNumber('lifeDays', lifeDays, 0);
  const ageDays = (nowMs - sinceMs) / DAY_MS;
  const daysLeft = Math.floor(lifeDays - ageDays);
  const read = (weight: Freshness['weight'], stands: string, remark: string): Freshness => ({
    ageDays,
    daysLeft,
    weight,
    stands,
    line: say`${name}: ${stands}.${remark}`,
  });
  if (ageDays > lifeDays) {
    const over = Math.max(1, Math.ceil(ageDays - lifeDays));
    return read('fix', `${days(over)} past its ${days(lifeDays)}`, ' Print a coupon before trusting it.');
  }
  const left = `${daysLeft < 1 ? 'less than a day' : days(daysLeft)} left of ${days(lifeDays)}`;
  return ageDays > LATE_SHARE * lifeDays ? read('watch', left, ' Use it first.') : read('ok', left, '');
}

/** What is left in the bottles, in the terms of the bench. */
export interface StockLasts {
  ml: number;
  /** Coupons that it makes. */
  trials: number;
  /** Hours of plate. */
  plateH: number;
}

/** Resin that an hour of an ordinary plate takes, ml (*shop default*, until the shop's own plates say). */
export const PLATE_ML_PER_H = 6;

/** Stock as trials and hours of plate (handbook 02); a coupon takes its volume, supports none. */
export function stockLasts(ml: number, couponMl: number, plateMlPerH = PLATE_ML_PER_H): StockLasts {
  requireNumber('ml', ml, 0);
  requireNumber('couponMl', couponMl, 1e-6);
  return {
    ml,
    trials: Math.floor(ml / couponMl),
    plateH: ml / requireNumber('plateMlPerH', plateMlPerH, 1e-6),
  };
}
