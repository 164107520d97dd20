import { METRIC, MINUTE_MS } from '@zero-pour/core';
import { boardRows, calendarEvents, moldRows } from '@zero-pour/plan';
import ical, { ICalAlarmType, ICalCalendarMethod } from 'ical-generator';
import type { Queryable } from '../db/database';
import { readPlanningShop } from './planningShop';

/** A calendar that subscribed asks anew so often. s */
const ASK_AGAIN_S = 15 * 60;

const minutesSince2026 = (now: number): number => Math.floor((now - Date.UTC(2026, 0)) / MINUTE_MS);

interface Wanted {
  shopId: string;
  /** Where this server is, for links to its pages. */
  address: string;
  /** One pour's alone. */
  pourId?: string | undefined;
  /** For one of the shop's people. */
  person?: string | undefined;
  now: number;
}

/**
 * What hands must do, as a calendar (iCalendar, RFC 5545): times in UTC, an alarm before each. An event has one name for good, so that a calendar that
 * reads it again moves what moved and doubles nothing.
 */
export async function makeCalendar(
  db: Queryable,
  { shopId, address, pourId, person, now }: Wanted,
): Promise<string> {
  const { shop, openPours } = await readPlanningShop(db);
  const events = calendarEvents(boardRows(openPours, shop), moldRows(shop), METRIC, { pourId, person });
  const calendar = ical({
    name: shop.settings.shopName || 'Zero Pour',
    prodId: { company: 'zero-pour', product: 'zero-pour', language: 'EN' },
    method: ICalCalendarMethod.PUBLISH,
    ttl: ASK_AGAIN_S,
  });
  for (const { uid, at, minutes, title, note, alarmMin, path } of events)
    calendar
      .createEvent({
        id: `${encodeURIComponent(uid)}@${shopId}`,
        // A calendar that keeps what it read takes a later one in its place.
        sequence: minutesSince2026(now),
        lastModified: new Date(now),
        start: new Date(at),
        end: new Date(at + minutes * MINUTE_MS),
        summary: title,
        description: note,
        url: `${address}${path}`,
      })
      .createAlarm({ type: ICalAlarmType.display, triggerBefore: alarmMin * 60, description: title });
  return calendar.toString();
}
