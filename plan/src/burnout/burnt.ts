import { pouredAt, type KilnCurve, type KilnRun } from '@zero-pour/contracts';
import {
  CARBON_C,
  findEvents,
  findOvershoots,
  GYPSUM_CEILING_C,
  HOUR_MS,
  judgeCore,
  judgeHolds,
  quantity,
  say,
  type FlaskHeat,
  type Judgement,
  type KilnEvent,
  type KilnReadings,
  type Overshoot,
  type ProgrammeCurve,
} from '@zero-pour/core';
import type { PourContext } from '../context';
import { burnNeeds } from './needs';
import type { Reading } from '../readings';
import { planHeat, type HeatPlan } from './heatPlan';

/** What the kiln really did to this pour, by its log. */
export interface Burnt {
  run: KilnRun;
  /** When the readings that count begin: the flask went in, or the log began later. ms. */
  from: number;
  /** Since then. */
  readings: KilnReadings;
  events: KilnEvent[];
  overshoots: Overshoot[];
  /** The flask under the real curve; undefined while flask or powder is not chosen. */
  heat: HeatPlan | undefined;
  judgements: Judgement[];
}

/** A log that begins so much after the flask went in, or ends so much before the programme does, is not whole. h */
const WHOLE_H = 0.5;

/** The readings of a run from a moment on, hours after it. */
export function readingsFrom(
  { run, atS, tempC, setC }: KilnCurve,
  from: number,
  to = Infinity,
): KilnReadings {
  const start = Date.parse(run.startedAt);
  const rows = atS
    .map((at, n) => ({ ms: start + at * 1000, tempC: tempC[n]!, setC: setC[n] ?? NaN }))
    .filter(({ ms }) => ms >= from && ms <= to);
  return {
    h: Float64Array.from(rows, ({ ms }) => (ms - from) / HOUR_MS),
    tempC: Float64Array.from(rows, (row) => row.tempC),
    setC: Float64Array.from(rows, (row) => row.setC),
    hasSet: rows.some((row) => !Number.isNaN(row.setC)),
  };
}

/** The burnout as it went, beside the one that was planned; undefined without a log. */
export function planBurnt(
  context: PourContext,
  planned: ProgrammeCurve,
  castingC: number,
): Burnt | undefined {
  const { kilnRun, doc } = context;
  if (!kilnRun) return undefined;
  const began = Date.parse(kilnRun.run.startedAt);
  const loaded = doc.burnout.startedAt === undefined ? began : Date.parse(doc.burnout.startedAt);
  const from = Math.max(began, loaded);
  const poured = pouredAt(doc);
  const readings = readingsFrom(kilnRun, from, poured === undefined ? Infinity : Date.parse(poured));
  if (readings.h.length < 2)
    return {
      ...{ run: kilnRun.run, from, readings, events: [], overshoots: [], heat: undefined },
      judgements: [OTHER_TIME],
    };
  const events = findEvents(readings);
  const heat = planHeat(context, pointsOf(readings));
  const holes = wholeness({ readings, planned, going: kilnRun.run.going, lateH: (from - loaded) / HOUR_MS });
  return {
    run: kilnRun.run,
    from,
    readings,
    events,
    overshoots: findOvershoots(readings),
    heat,
    judgements: [
      ...holes,
      ...judgeEvents(events, heat?.reading),
      ...judgeHottest(context, readings),
      ...(holes.length === 0 ? judgeHolds(readings, planned.segments) : []),
      ...judgeBurntCore(context, heat, castingC, holes.length === 0),
    ],
  };
}

const OTHER_TIME: Judgement = {
  rule: 'log',
  weight: 'watch',
  lead: 'The log is of another time.',
  why: say`It has no reading between kiln in and the pour. Look at when it begins.`,
};

/** Straight between its readings, rounded below what a probe tells. */
const pointsOf = ({ h, tempC }: KilnReadings) => ({
  points: Array.from(h, (hour, n) => ({
    h: Math.round(hour * 1e4) / 1e4,
    tempC: Math.round(tempC[n]! * 10) / 10,
  })),
});

interface Extent {
  readings: KilnReadings;
  planned: ProgrammeCurve;
  lateH: number;
  /** It is still written down. */
  going: boolean;
}

/** What of the burnout the log does not show: nothing good is said of a flask by a part of it. */
function wholeness({ readings, planned, lateH, going }: Extent): Judgement[] {
  const out: Judgement[] = [];
  const told = (lead: string, why: Judgement['why']): void =>
    void out.push({ rule: 'log', weight: 'watch', lead, why });
  if (lateH > WHOLE_H)
    told(
      'The log begins late.',
      say`${quantity(lateH, 'h', 1)} after the flask went in: what it went through before is not known.`,
    );
  const lastH = readings.h.at(-1)!;
  if (planned.totalH - lastH > WHOLE_H)
    told(
      going ? 'The kiln is still read.' : 'The log ends early.',
      say`After ${quantity(lastH, 'h', 1)} of ${quantity(planned.totalH, 'h', 1)}: of clean-out and soak it says nothing yet.`,
    );
  const gaps = Array.from(readings.h.slice(1), (h, n) => h - readings.h[n]!);
  const widest = Math.max(...gaps);
  if (widest > WHOLE_H)
    told(
      'The log has a hole.',
      say`${quantity(widest, 'h', 1)} without a reading: what happened meanwhile is not known.`,
    );
  return out;
}

/** Coldest that the core was from the begin of an event to some hours after it, when the cold has come to it. */
function coreAfter(event: KilnEvent, heat: FlaskHeat): number {
  const rows = heat.rows.filter(({ h }) => h >= event.fromH && h <= event.toH + 1.5);
  return Math.min(...rows.map(({ coreC }) => coreC));
}

function judgeEvents(events: readonly KilnEvent[], reading: Reading<FlaskHeat> | undefined): Judgement[] {
  return events.map((event) => {
    const long = quantity((event.toH - event.fromH) * 60, 'min', 0);
    const fell = say`${quantity(event.fromH, 'h', 1)} after kiln in the kiln fell by ${quantity(event.fellC, 'degCSpan')} to ${quantity(event.lowestC, 'degC')} in ${long}`;
    const core =
      reading?.status === 'known'
        ? say`; the core was not colder than ${quantity(coreAfter(event, reading.value), 'degC')}.`
        : say`; what the core fell to is not reckoned yet.`;
    return {
      rule: 'kiln event',
      weight: 'watch',
      lead: event.kind === 'power' ? 'The power was out.' : 'The kiln lost heat while it was driven.',
      why: [...fell, ...core, ...(event.kind === 'power' ? [] : [' A door, a fuse, or a worn element.'])],
    };
  });
}

function judgeHottest({ powder }: PourContext, { tempC }: KilnReadings): Judgement[] {
  const hottest = tempC.reduce((most, v) => Math.max(most, v), -Infinity);
  const ceilingC = powder?.ceilingC ?? GYPSUM_CEILING_C;
  if (hottest <= ceilingC) return [];
  return [
    {
      rule: 'ceiling',
      weight: 'fix',
      lead: 'It went above the powder’s ceiling.',
      why: say`${quantity(hottest, 'degC')}; plaster breaks down above ${quantity(ceilingC, 'degC')}. Expect rough or black skin, and write it down.`,
    },
  ];
}

/** The core by the real curve: nothing is said of it by a log that is not whole, but that it never came to burn carbon. */
function judgeBurntCore(
  context: PourContext,
  heat: HeatPlan | undefined,
  castingC: number,
  whole: boolean,
): Judgement[] {
  const reading = heat?.reading;
  if (reading?.status !== 'known')
    return [
      {
        rule: 'core',
        weight: 'watch',
        lead: 'Its core is not known.',
        why:
          reading?.status === 'failed'
            ? say`${reading.sentence}`
            : heat
              ? say`It is not reckoned yet by this log.`
              : say`Choose flask and powder: the core is reckoned by both.`,
      },
    ];
  if (!whole) {
    const { coreC, waterLeft } = reading.value.rows.at(-1)!;
    const { coreCarbonH } = reading.value;
    return [
      {
        rule: 'core so far',
        weight: 'watch',
        lead: 'So far, by what the log shows.',
        why: say`At its end the core is at ${quantity(coreC, 'degC')}, ${quantity(waterLeft * 100, 'percent', 0)} of its water left, ${quantity(coreCarbonH, 'h', 1)} above ${quantity(CARBON_C, 'degC')}.`,
      },
    ];
  }
  const { cleanOutH } = burnNeeds(context);
  const isPast = pouredAt(context.doc) !== undefined;
  return judgeCore(reading.value, { cleanOutH, castingC, fastPowder: false, isPast });
}
