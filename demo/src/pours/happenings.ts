import {
  FIRST_SIZE,
  pieceKey,
  type Flaw,
  type Opened,
  type Pattern,
  type PourDoc,
  type PrintedPlate,
  type Reading,
} from '@zero-pour/contracts';
import { goesIntoFlask, handNames, type FlawKind, type Ran } from '@zero-pour/core';
import { DEMO_CURE } from '../cure';
import { DEMO_LISTS } from '../shop';
import { demoPlate, printMs } from './plates';
import { DEMO_LINE, type CastingStory, type PourStory } from './pourStory';
import type { DemoWeights } from './weights';

const HOUR_MS = 3_600_000;
const MINUTE_MS = 60_000;

/** A moment some hours from another, as it is kept. */
export const hoursFrom = (from: Date, hours: number): string =>
  new Date(from.getTime() + hours * HOUR_MS).toISOString();

const measured = (value: number): Reading => ({ state: 'measured', value });

/** The print is started: plate and scale stand from then on. */
export const started = (
  doc: PourDoc,
  at: string,
  { printedPercent = 101.2, curedMm }: PourStory,
  plate?: PrintedPlate,
): PourDoc => ({
  ...doc,
  print: { ...doc.print, startedAt: at, ...(plate ? { plate } : {}) },
  scale: {
    ...doc.scale,
    printedAs: { at, percents: [printedPercent, printedPercent, printedPercent], flaskC: 500 },
    ...(curedMm === undefined ? {} : { measured: { [FIRST_SIZE]: { cured: measured(curedMm) } } }),
  },
});

/** How a piece came off, with what was wrong and where. */
export type PieceStory = 'good' | 'flawed' | 'lost';

const pieceOf = (outcome: PieceStory): PourDoc['print']['pieces'][string] => {
  if (outcome === 'lost') return { outcome, note: 'left corner', fault: 'fell from plate' };
  return outcome === 'flawed' ? { outcome, note: 'rim', fault: 'pinholes' } : { outcome, note: '' };
};
/** What this shop found to be behind them. */
const FOUND: NonNullable<PourDoc['print']['why']> = {
  'fell from plate': { confirmed: 'plate', ruledOut: [] },
  pinholes: { confirmed: 'bits', ruledOut: [] },
};

export function printed(
  doc: PourDoc,
  from: string,
  pieces: readonly PieceStory[],
  story: PourStory,
  pattern: Pattern,
): PourDoc {
  const entries = pieces.map((outcome, i) => [pieceKey(DEMO_LINE, i + 1), pieceOf(outcome)]);
  const plate = demoPlate(doc, pattern, pieces.length, story);
  const faults = new Set(pieces.map((outcome) => pieceOf(outcome).fault));
  const why = Object.entries(FOUND).filter(([fault]) => faults.has(fault as keyof typeof FOUND));
  return {
    ...started(doc, from, story, plate),
    print: {
      ...doc.print,
      startedAt: from,
      finishedAt: new Date(Date.parse(from) + printMs(plate, story)).toISOString(),
      plate,
      supports: { by: 'by the program', weight: 'middle', tipMm: 0.4, came: 'clean' },
      spares: pieces.length - (doc.brief.lines[0]?.count ?? 0),
      pieces: Object.fromEntries(entries),
      ...(why.length > 0 ? { why: Object.fromEntries(why) } : {}),
      ...(story.resinUsedMl === undefined ? {} : { resinUsedMl: story.resinUsedMl }),
    },
  };
}

/** The resin's protocol, each step at its least time, one after the other; every look was fine. */
export function cleaned(doc: PourDoc, from: string): PourDoc {
  let at = Date.parse(from);
  const resin = DEMO_LISTS.resin.find((r) => r.id === doc.resin.resinId);
  if (!resin) throw new Error('a demo pour without a resin');
  const steps = resin.protocol.map((step) => {
    const startedAt = new Date(at).toISOString();
    at += (step.maxMinutes === 0 ? 6 : step.minMinutes) * MINUTE_MS;
    const saw = step.kind === 'look' ? { saw: 'fine' as const } : {};
    return [step.key, { startedAt, doneAt: new Date(at).toISOString(), ...saw }];
  });
  const begun = {
    name: resin.protocolName,
    version: resin.protocolVersion,
    protocol: resin.protocol,
    cure: DEMO_CURE,
  };
  return {
    ...doc,
    clean: { ...doc.clean, begun, steps: Object.fromEntries(steps), pieces: verdictsOf(doc) },
  };
}

/** Good pieces are cast until there are enough, the flawed one is mended and cast too. */
function verdictsOf(doc: PourDoc): NonNullable<PourDoc['clean']['pieces']> {
  let wanted = doc.brief.lines[0]?.count ?? 0;
  return Object.fromEntries(
    Object.entries(doc.print.pieces).map(([number, { outcome }]) => {
      if (outcome === 'lost') return [number, { verdict: 'reprint', expect: 'poor' }];
      if (wanted-- <= 0) return [number, { verdict: 'spare', expect: 'likely good' }];
      return outcome === 'good'
        ? [number, { verdict: 'cast', expect: 'likely good' }]
        : [number, { verdict: 'mend', expect: 'doubtful' }];
    }),
  );
}

export const sprued = (doc: PourDoc, doneAt: string): PourDoc => ({
  ...doc,
  flasks: doc.flasks.map((flask) => ({ ...flask, sprue: { ...flask.sprue, doneAt } })),
});

export function invested(doc: PourDoc, powderIn: string, waterTempC: number): PourDoc {
  const start = Date.parse(powderIn);
  const minutes = { mix: 3, bowl: 4.4, pour: 5.4, flask: 7, top: 8.2, still: 10 };
  const steps = Object.entries(minutes).map(([key, end]) => [
    key,
    { doneAt: new Date(start + end * MINUTE_MS).toISOString() },
  ]);
  return {
    ...doc,
    invest: {
      ...doc.invest,
      powderInAt: powderIn,
      waterTempC: measured(waterTempC),
      steps: Object.fromEntries(steps),
      doneAt: new Date(start + 12 * MINUTE_MS).toISOString(),
    },
  };
}

/** Hands-on moments of the programme that the pour names, in order. */
const namesOfHands = ({ burnout }: PourDoc): string[] =>
  handNames(DEMO_LISTS.programme.find(({ id }) => id === burnout.programmeId)?.segments ?? []).flat();

export const kilnStarted = (doc: PourDoc, startedAt: string, hands: readonly string[] = []): PourDoc => ({
  ...doc,
  burnout: {
    ...doc.burnout,
    startedAt,
    hands: Object.fromEntries(hands.map((at, i) => [namesOfHands(doc)[i] ?? `moment ${i + 1}`, at])),
  },
});

export interface PourHappening {
  flaskC: number | 'guessed' | 'unknown';
  metalC: number | 'unknown';
  vacuumKpa?: number;
  quenchMin?: number;
  ran?: Ran;
  /** Until the button was solid. */
  solidMin?: number;
  opened?: Opened;
  /** What was found to be behind a flaw. */
  found?: readonly [flaw: FlawKind, cause: string];
  note?: string;
}

function flaskReading({ flaskC }: PourHappening): Reading {
  if (flaskC === 'unknown') return { state: 'not measured' };
  return flaskC === 'guessed' ? { state: 'felt', felt: 'cold' } : measured(flaskC);
}

export function poured(doc: PourDoc, at: string, what: PourHappening, weights: DemoWeights): PourDoc {
  return {
    ...doc,
    flasks: doc.flasks.map((flask) => ({
      ...flask,
      pour: {
        ...flask.pour,
        pouredAt: at,
        way: 'vacuum' as const,
        flaskRead: flaskReading(what),
        metalRead: what.metalC === 'unknown' ? { state: 'not measured' } : measured(what.metalC),
        chargeRead: measured(weights.chargeG),
        vacuumKpa: what.vacuumKpa === undefined ? { state: 'not measured' } : measured(what.vacuumKpa),
        ...(what.quenchMin === undefined ? {} : { quenchAfterMin: measured(what.quenchMin) }),
        ...(what.solidMin === undefined ? {} : { solidAfterMin: measured(what.solidMin) }),
        ...(what.ran ? { ran: what.ran } : {}),
        ...(what.opened ? { opened: what.opened } : {}),
        flux: 'used' as const,
        ...(what.note ? { note: what.note } : {}),
      },
    })),
    result: { ...doc.result, buttonBackG: measured(weights.backG) },
  };
}

/** Castings of one pour differ by a few hundredths. */
const castingSize = (mm: number, index: number): number =>
  Math.round((mm + 0.02 * Math.sin(2.3 * index)) * 100) / 100;

/** Castings of one pattern differ by a percent or so, and short ones lack what did not fill. */
function castingWeight(castingG: number, index: number, flaw: CastingStory['flaw']): number {
  const short = flaw?.[0] === 'misrun' ? 1 - 0.02 * (flaw[2] ?? 1) : 1;
  return Math.round(castingG * (1 + 0.006 * Math.sin(3.7 * index)) * short * 100) / 100;
}

/** The outermost place of a file that way from its middle: a tip, a rim. */
function placeTowards(
  { measure }: Pattern,
  [x, y, z]: readonly [number, number, number],
): [number, number, number] {
  const flat = measure.supportPointsMm;
  const points = Array.from(
    { length: flat.length / 3 },
    (_, n) => flat.slice(3 * n, 3 * n + 3) as [number, number, number],
  );
  const along = ([a, b, c]: readonly number[]): number => x * a! + y * b! + z * c!;
  return points.reduce((a, b) => (along(b) > along(a) ? b : a));
}

function flawOf({ flaw, where }: CastingStory, pattern: Pattern): Flaw[] {
  if (!flaw) return [];
  const [kind, place, sizeMm] = flaw;
  const { towards, ...told } = where ?? {};
  return [
    {
      kind,
      place,
      ...told,
      ...(sizeMm === undefined ? {} : { sizeMm }),
      ...(towards ? { placeMm: placeTowards(pattern, towards), patternId: pattern.id } : {}),
    },
  ];
}

export function recorded(
  doc: PourDoc,
  at: string,
  { castings, found }: { castings: readonly CastingStory[]; found?: PourHappening['found'] },
  castingG: number,
  pattern: Pattern,
): PourDoc {
  // Castings in the order of the pieces that went into the flask.
  const went = Object.entries(doc.clean.pieces ?? {}).flatMap(([key, { verdict }]) =>
    goesIntoFlask(verdict) ? key : [],
  );
  const entries = castings.map(({ outcome, finishedMm, ...story }, i) => [
    went[i] ?? pieceKey(DEMO_LINE, i + 1),
    {
      outcome,
      flaws: flawOf({ outcome, ...story }, pattern),
      photos: [],
      weightG: measured(castingWeight(castingG, i, story.flaw)),
      ...(finishedMm === undefined
        ? {}
        : { sizes: { [FIRST_SIZE]: { finished: measured(castingSize(finishedMm, i)) } } }),
    },
  ]);
  return {
    ...doc,
    result: {
      ...doc.result,
      castings: Object.fromEntries(entries),
      doneAt: at,
      ...(found ? { why: { [found[0]]: { confirmed: found[1], ruledOut: [] } } } : {}),
    },
  };
}
