import {
  castsWax,
  freshness,
  say,
  type Freshness,
  type Judgement,
  type Phrase,
  type StageKey,
} from '@zero-pour/core';
import { anyPoured } from '@zero-pour/contracts';
import type { PourContext } from '../context';
import { cleaningOf, isOver, lastOf } from './cleaning';

const DAY_MS = 86_400_000;

/** Something of a pour that goes off, and by when. */
export interface FreshClock {
  what: 'vat' | 'uncured print' | 'cured print';
  name: string;
  stage: StageKey;
  sinceMs: number;
  lifeDays: number;
  /** When it lapses. */
  lapsesAt: number;
  /** What has to happen before: "cure", and as it is said afterwards: "cured". */
  before: readonly [now: string, then: string];
  /** What goes wrong after. */
  after: string;
}

/** What goes wrong past its time, where the resin's record says nothing of its own (handbook 02 and 04). */
const AFTER = {
  vat: 'Stale resin prints thin and with pinholes.',
  'uncured print': 'It cracks on cure.',
  'cured print': 'It turns brittle and may leave ash.',
} as const;

/** Clocks that run now: the vat until the print is started, the print until it is cured, the cured print until it is invested. */
export function freshClocks(context: PourContext): FreshClock[] {
  const { doc, resin, printer } = context;
  if (!resin || anyPoured(doc) || doc.left.includes('print')) return [];
  const clock = (
    what: FreshClock['what'],
    stage: StageKey,
    since: string | undefined,
    lifeDays: number | null,
    before: FreshClock['before'],
  ): FreshClock[] => {
    if (since === undefined || lifeDays === null) return [];
    const sinceMs = Date.parse(since);
    const name =
      what === 'vat'
        ? `Vat of ${printer?.name ?? 'the printer'}`
        : `${what[0]!.toUpperCase()}${what.slice(1)}`;
    return [
      {
        what,
        name,
        stage,
        sinceMs,
        lifeDays,
        lapsesAt: sinceMs + lifeDays * DAY_MS,
        before,
        after: AFTER[what],
      },
    ];
  };
  const { startedAt, finishedAt } = doc.print;
  if (!startedAt) {
    const vat = resin.vats.find((v) => v.printerId === printer?.id);
    return clock('vat', 'print', vat?.filledAt, resin.vatLifeDays, ['print from', 'printed from']);
  }
  if (!finishedAt || doc.invest.powderInAt || doc.burnout.startedAt) return [];
  const steps = cleaningOf(context);
  const cured = lastOf(steps, 'cure', 'doneAt');
  // A cured master never comes into a flask.
  if (cured && castsWax(doc.brief.route)) return [];
  if (cured) return clock('cured print', 'invest', cured, resin.curedLifeDays, ['invest', 'invested']);
  const leftOut = steps.some(({ step, record }) => step.kind === 'cure' && isOver(record));
  return leftOut ? [] : clock('uncured print', 'clean', finishedAt, resin.uncuredLifeDays, ['cure', 'cured']);
}

/** A clock as it stands at a moment, in a sentence. */
export function readClock(clock: FreshClock, nowMs: number): Freshness & { says: Phrase } {
  const fresh = freshness(clock, nowMs);
  const after = fresh.weight === 'ok' ? '' : ` ${clock.after}`;
  const says =
    fresh.weight === 'fix'
      ? say`${fresh.stands}.${after}`
      : say`${fresh.stands}: ${clock.before[0]} it before.${after}`;
  return { ...fresh, says };
}

/** Warnings: what lapsed, what is late in its life, and what will lapse before its turn by the plan. */
export function judgeFreshness(
  context: PourContext,
  nowMs: number,
  plannedFor: (stage: StageKey) => number | undefined,
): Judgement[] {
  return freshClocks(context).flatMap((clock): Judgement[] => {
    const { weight, says } = readClock(clock, nowMs);
    if (weight !== 'ok') return [{ rule: `fresh ${clock.what}`, weight, lead: `${clock.name}.`, why: says }];
    const planned = plannedFor(clock.stage);
    if (planned === undefined || planned <= clock.lapsesAt) return [];
    const days = Math.max(1, Math.ceil((planned - clock.lapsesAt) / DAY_MS));
    return [
      {
        rule: `fresh ${clock.what}`,
        weight: 'watch',
        lead: `${clock.name}.`,
        why: say`By the plan it is ${clock.before[1]} ${days} ${days === 1 ? 'day' : 'days'} past its ${clock.lifeDays} days. ${clock.after}`,
      },
    ];
  });
}
