import { formatPhrase, MINUTE_MS, type UnitChoice } from '@zero-pour/core';
import { nextHandsOn, type BoardRow, type HandsOnEntry } from '../board';
import type { MoldRow } from '../mold/moldsOnBoard';

/** A moment that needs hands, as a calendar keeps it. */
export interface CalendarEvent {
  /** The same however often it is exported, whenever the moment moves, and whatever its amounts become. */
  uid: string;
  at: number;
  minutes: number;
  title: string;
  note: string;
  /** Before it, so that who is wanted can be there. min */
  alarmMin: number;
  /** Path of the page that it is of. */
  path: string;
}

/** Shown so long in a calendar: how long hands are needed is not said by every step. min */
const SHOWN_MIN = 15;
const ALARM_MIN = 10;
/** Zero is prepared: tools, charge, second person. min */
const ZERO_ALARM_MIN = 30;

/** Which of a pour's moments it is, by name: a hand of the programme, a field that takes it, a step, else the first, second … of its stage. */
function namesOf(entries: readonly HandsOnEntry[]): string[] {
  const times = new Map<string, number>();
  return entries.map(({ row, mold, stage, hand, ticks }) => {
    const of = mold && !row ? `mold-${mold.id}` : `pour-${row!.pour.id}`;
    const name = hand ?? ticks ?? mold?.step;
    const plain = `${of}-${stage ?? 'mold'}-${name ?? 'work'}`;
    const n = (times.get(plain) ?? 0) + 1;
    times.set(plain, n);
    return n === 1 ? plain : `${plain}-${n}`;
  });
}

/** What hands must do from now on, of all pours and molds, of one pour, or for one person; what is done is not in it. */
export function calendarEvents(
  rows: readonly BoardRow[],
  molds: readonly MoldRow[],
  choice: UnitChoice,
  { pourId, person }: { pourId?: string | undefined; person?: string | undefined } = {},
): CalendarEvent[] {
  const entries = nextHandsOn(rows, molds).filter(
    ({ row, who }) =>
      (pourId === undefined || row?.pour.id === pourId) &&
      // What nobody was given is everybody's.
      (person === undefined || who === undefined || who === person),
  );
  const names = namesOf(entries);
  return entries.map((entry, n) => {
    const { at, what, detail, of, row, mold, stage } = entry;
    const note = formatPhrase(detail, choice);
    return {
      uid: names[n]!,
      at: Math.round(at / MINUTE_MS) * MINUTE_MS,
      minutes: SHOWN_MIN,
      title: `${of}: ${formatPhrase(what, choice)}`,
      note: [row?.title, note].filter((words) => words).join(' · '),
      alarmMin: stage === 'pour' ? ZERO_ALARM_MIN : ALARM_MIN,
      path: row ? `/pours/${row.pour.id}/${stage ?? ''}` : `/molds/${mold!.id}`,
    };
  });
}
