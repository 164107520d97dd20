import { TZDate } from '@date-fns/tz';
import { format } from 'date-fns';
import { readonly, shallowRef } from 'vue';

const own = (): string => new Intl.DateTimeFormat().resolvedOptions().timeZone;
const zone = shallowRef(own());

/** The shop's time zone; this browser's until the shop has answered. */
export const shopZone = readonly(zone);
/** The zone of this browser, which may stand elsewhere. */
export const browserZone = own;

/** All times that are shown, typed or laid along an axis are of the shop's clock. */
export function setShopZone(name: string): void {
  zone.value = name;
}

/** A moment whose hours and days are the shop's. */
export const shopDate = (at: number): TZDate => new TZDate(at, zone.value);

/** A moment by the shop's clock, in a pattern of date-fns ("EEE HH:mm"). */
export const clockTime = (at: number, pattern: string): string => format(shopDate(at), pattern);

/** Midnight of a day written as 2026-11-29, or of a month's first as 2026-11, so many days or months on; undefined: no such day. */
export function dayStart(text: string, on = 0): number | undefined {
  const [, year, month, day] = /^(\d{4})-(\d{2})(?:-(\d{2}))?$/.exec(text) ?? [];
  if (!year || !month || Number(month) < 1 || Number(month) > 12) return undefined;
  const [months, days] = day ? [0, on] : [on, 0];
  const at = new TZDate(Number(year), Number(month) - 1 + months, Number(day ?? 1) + days, zone.value);
  return Number.isNaN(at.getTime()) ? undefined : at.getTime();
}
