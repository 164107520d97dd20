import {
  carryPart,
  CASTING_MODULUS,
  castsWax,
  GATE_DIAMETER,
  GATE_MIN_MM,
  GATE_MODULUS_FACTOR,
  gateDiameterMm,
  gateDirection,
  gateFlareMm,
  gateLengthMm,
  gatesTogether,
  judgeCarrying,
  judgeDrain,
  judgeFeed,
  judgeGatePlaces,
  judgeGates,
  proposedGates,
  type Gates,
  say,
  type FeedingGate,
  type Judgement,
} from '@zero-pour/core';
import { jointsOf, pieceMeasure, type PourGate } from '@zero-pour/contracts';
import {
  feedJob,
  partOf,
  patternJob,
  pieceOf,
  placesJob,
  type FeedAnswer,
  type FeedInput,
  type Job,
  type PlacesAnswer,
  type PlacesInput,
} from '@zero-pour/jobs';
import { patternDensity } from '../givens';
import type { PourContext } from '../context';
import type { Part } from '../part';
import { figure, fromFigure, type Figure } from '../figure';
import type { Planned } from '../planned';
import type { TemperaturePlan } from '../pour/temperaturePlan';
import { noFill, planFill, type PartFill } from './fillPlan';

export interface PartGates {
  part: Part;
  gates: Gates;
  /** Those that have a place on the part. */
  placed: GateAt[];
  /** Nobody has set them: they follow the modulus rule. */
  proposed: boolean;
  /** How many of them the file holds already. */
  inFile: number;
  advice: Figure;
  /** What is asked of the feed; none while no gate has a place on the part. */
  feedWish: FeedInput | undefined;
  /** The same on the finest grid, asked in the background. */
  finalWish: FeedInput | undefined;
  feed: FeedAnswer | undefined;
  placesWish: PlacesInput | undefined;
  places: PlacesAnswer | undefined;
  fill: PartFill;
  judgements: Judgement[];
}

const modulusOf = ({ pattern }: Part): Figure => {
  const measure = pieceMeasure(pattern);
  const from = { source: 'pattern file', stage: 'pattern', guessed: !measure.closed } as const;
  return figure({ name: 'V/A of the pattern', unit: 'mm' }, CASTING_MODULUS, {
    V: { name: 'Volume of the pattern', value: measure.volumeMm3 / 1000, unit: 'cm3', ...from },
    A: { name: 'Surface of the pattern', value: measure.areaMm2 / 100, unit: 'cm2', ...from },
  });
};

const adviceOf = (modulus: Figure): Figure =>
  figure(
    {
      name: 'Gate by the modulus rule',
      unit: 'mm',
      digits: 1,
      note: 'A round gate’s own V/A is a quarter of its diameter; it must freeze after the part.',
    },
    GATE_DIAMETER,
    {
      M: fromFigure(modulus),
      k: {
        name: 'Longer than the part',
        value: GATE_MODULUS_FACTOR,
        unit: 'ratio',
        digits: 1,
        source: 'book',
      },
      d: { name: 'The thinnest that runs', value: GATE_MIN_MM, unit: 'mm', digits: 1, source: 'book' },
    },
  );

/** Sprues that the file holds are its gates, the thinnest for all; their volume is the file's already, so they add no length. */
function gatesInFile({ pattern }: Part): Gates | undefined {
  const sections = pattern.sprues?.sections;
  if (!sections) return undefined;
  const diameterMm = Math.round(10 * Math.min(...sections.map((s) => s.diameterMm))) / 10;
  return { count: sections.length, diameterMm, lengthMm: 0 };
}

/** Cell that a feed is read with at once; the worker takes a coarser one for a part that would not fit. mm. */
const FEED_CELL_MM = 0.1;
/** … and what it is read with in the background. mm. */
const FINAL_CELL_MM = 0.05;

/** A gate that has a place, as it is fed, carried and hung by: set on the model, or in the file already. */
export interface GateAt extends FeedingGate {
  normal: [number, number, number];
  direction: [number, number, number];
  lengthMm: number;
  /** Radius of the fillet where it meets the part. */
  flareMm: number;
  /** Undefined: the file holds it. */
  set?: PourGate;
}

/** Gates that have a place: those set on the model, and those that the file holds. */
export function placedGates(
  { doc, settings }: Pick<PourContext, 'doc' | 'settings'>,
  { key, pattern }: Part,
): GateAt[] {
  const { dipMm } = jointsOf(settings);
  const set = doc.wayUp.lines[key]?.gates?.placed ?? [];
  return [
    ...set.map((gate) => ({
      at: gate.placeMm,
      normal: gate.normal,
      direction: gateDirection(gate),
      diameterMm: gateDiameterMm(gate, dipMm),
      lengthMm: gateLengthMm(gate, dipMm),
      flareMm: gateFlareMm(gate, dipMm),
      set: gate,
    })),
    // A sprue of the file is joined at its end: nothing is added to its length.
    ...(pattern.sprues?.sections ?? []).map(({ at, axis, diameterMm }) => ({
      at,
      normal: axis,
      direction: axis,
      diameterMm,
      lengthMm: 0,
      flareMm: 0,
    })),
  ];
}

/** What the feed of a part is read by, whatever gates it is given. */
export function feedGrid(context: PourContext, { pattern }: Part): Omit<FeedInput, 'gates'> {
  const part = pieceOf(pattern);
  const reading = context.readings.of(patternJob, part);
  const { result } = reading.status === 'known' ? reading.value : {};
  const medianMm = result?.status === 'analysed' ? result.analysis.thickness.p50Mm : 0;
  return { part, cellMm: FEED_CELL_MM, medianMm };
}

const feedGates = (gates: readonly GateAt[]): FeedingGate[] =>
  gates.map(({ at, diameterMm }) => ({ at, diameterMm }));

const NOT_FOLLOWED: Judgement = {
  rule: 'feed unread',
  weight: 'watch',
  lead: 'The way to each mass is not followed yet.',
  why: say`Until it is, only the whole part's V/A is known, which sees no necks.`,
};

/** Gates of a part: those with places as so many alike, else as many as were typed, as the file has them, or as proposed. */
function gatesOf(context: PourContext, part: Part, placed: readonly GateAt[], advised: number): Gates {
  const set = context.doc.wayUp.lines[part.key]?.gates;
  const onModel = placed.flatMap(({ set: gate }) => gate ?? []);
  if (onModel.length > 0) return gatesTogether(onModel, jointsOf(context.settings).dipMm);
  return set ?? gatesInFile(part) ?? proposedGates(advised);
}

/** What is read of gates with places; `undefined` while nobody has. */
interface GateReadings {
  feedWish: FeedInput | undefined;
  finalWish: FeedInput | undefined;
  feed: FeedAnswer | undefined;
  placesWish: PlacesInput | undefined;
  places: PlacesAnswer | undefined;
}

function readGates(context: PourContext, part: Part, placed: readonly GateAt[]): GateReadings {
  if (placed.length === 0)
    return {
      feedWish: undefined,
      finalWish: undefined,
      feed: undefined,
      placesWish: undefined,
      places: undefined,
    };
  const { readings, doc } = context;
  const known = <I, O>(job: Job<I, O>, input: I): O | undefined => {
    const reading = readings.of(job, input);
    return reading.status === 'known' ? reading.value : undefined;
  };
  const feedWish = { ...feedGrid(context, part), gates: feedGates(placed) };
  const finalWish = { ...feedWish, cellMm: FINAL_CELL_MM };
  const onModel = placed.filter(({ set }) => set);
  const placesWish = {
    part: partOf(part.pattern),
    gates: onModel.map(({ at, normal, diameterMm }) => ({ at, normal, diameterMm })),
    cleanPoints: doc.wayUp.lines[part.key]?.clean ?? [],
  };
  // The finer reading is made in the background, and holds once it is there.
  const final = readings.peek(feedJob, finalWish);
  return {
    feedWish,
    finalWish,
    feed: final.status === 'known' ? final.value : known(feedJob, feedWish),
    placesWish,
    places: known(placesJob, placesWish),
  };
}

/** Wax joints bear the print while the tree is turned over: known once places, resin and its density are. */
function judgeJoints(
  context: PourContext,
  part: Part,
  placed: readonly GateAt[],
  centreMm: [number, number, number] | undefined,
): Judgement[] {
  const density = patternDensity(context);
  // A sprue of the file is joined at an end that nobody has shown: nothing is said of its joint.
  if (!centreMm || !density || placed.some(({ set }) => !set)) return [];
  // Wire is joined at the part; what is printed with it is joined at its end.
  const joints = placed.map(({ at, direction, lengthMm, diameterMm, set }) => ({
    at: isWire(set) ? at : (at.map((v, k) => v + lengthMm * direction[k]!) as typeof at),
    diameterMm,
  }));
  const massG = (density.value * part.pattern.measure.volumeMm3) / 1000;
  const { strengthKpa } = jointsOf(context.settings);
  const family = context.resin?.family;
  const shy = placed.some(({ set }) => set && isWire(set)) && (family === 'wax-free' || family === 'low-wax');
  return [
    ...judgeCarrying(carryPart(joints, { massG, centreMm }, strengthKpa / 1000)),
    ...(shy && !castsWax(context.doc.brief.route)
      ? [
          {
            rule: 'wax lets go',
            weight: 'watch',
            lead: 'Wax may let go of this resin.',
            why: say`${context.resin!.name} holds little or no wax: draw the gates into the print, roughen the place, or use stickier wax.`,
          } as const,
        ]
      : []),
  ];
}
const isWire = (gate: PourGate | undefined): boolean =>
  gate !== undefined && (gate.making === undefined || gate.making === 'wax wire');

function planPart(context: PourContext, part: Part, pours: readonly Planned<TemperaturePlan>[]): PartGates {
  const modulus = modulusOf(part);
  const advice = adviceOf(modulus);
  const placed = placedGates(context, part);
  const gates = gatesOf(context, part, placed, advice.value);
  const read = readGates(context, part, placed);
  const { feedWish, feed, places } = read;
  const fill = feedWish
    ? planFill(context, part, {
        grid: {
          ...feedWish,
          gates: placed.map(({ at, diameterMm, lengthMm }) => ({ at, diameterMm, lengthMm })),
        },
        pours,
      })
    : noFill(context, part);
  return {
    part,
    gates,
    placed,
    proposed: context.doc.wayUp.lines[part.key]?.gates === undefined,
    inFile: part.pattern.sprues?.sections.length ?? 0,
    advice,
    ...read,
    fill,
    judgements: [
      ...(places ? judgeGatePlaces(places.places) : []),
      ...(feed
        ? [
            ...judgeFeed(feed.masses, feed.feeds, placed, feed.cellMm),
            ...judgeDrain(feed.masses, feed.feeds, placed),
          ]
        : [...(feedWish ? [NOT_FOLLOWED] : []), ...judgeGates(gates, modulus.value)]),
      ...judgeJoints(context, part, placed, places?.centreMm),
      ...fill.judgements,
    ],
  };
}

/** Gates of every part: as set, or as the modulus rule proposes. Patterns without volume get none. */
export function planGates(context: PourContext, pours: readonly Planned<TemperaturePlan>[]): PartGates[] {
  return context.parts
    .filter((part) => part.pattern.measure.volumeMm3 > 0)
    .map((part) => planPart(context, part, pours));
}
