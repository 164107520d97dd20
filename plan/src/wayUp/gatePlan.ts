import {
  CASTING_MODULUS,
  GATE_DIAMETER,
  GATE_MIN_MM,
  GATE_MODULUS_FACTOR,
  judgeFeed,
  judgeGates,
  proposedGates,
  type Gates,
  say,
  type FeedingGate,
  type Judgement,
} from '@zero-pour/core';
import { pieceMeasure } from '@zero-pour/contracts';
import { feedJob, patternJob, pieceOf, type FeedAnswer, type FeedInput } from '@zero-pour/jobs';
import type { PourContext } from '../context';
import type { Part } from '../part';
import { figure, fromFigure, type Figure } from '../figure';
import type { Planned } from '../planned';
import type { TemperaturePlan } from '../pour/temperaturePlan';
import { noFill, planFill, type PartFill } from './fillPlan';

export interface PartGates {
  part: Part;
  gates: Gates;
  /** Nobody has set them: they follow the modulus rule. */
  proposed: boolean;
  /** How many of them the file holds already. */
  inFile: number;
  advice: Figure;
  /** What is asked of the feed; none while no gate has a place on the part. */
  feedWish: FeedInput | undefined;
  feed: FeedAnswer | undefined;
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

/** The round gate that freezes as late as one of this section. */
export const roundOf = ({ widthMm, heightMm }: { widthMm: number; heightMm: number }): number =>
  (2 * widthMm * heightMm) / (widthMm + heightMm);

/** Gates that have a place: those set on the model, and those that the file holds. */
export function placedGates({ doc }: Pick<PourContext, 'doc'>, { key, pattern }: Part): FeedingGate[] {
  const set = doc.wayUp.lines[key]?.gates?.placed ?? [];
  return [
    ...set.map(({ placeMm, section }) => ({ at: placeMm, diameterMm: roundOf(section) })),
    ...(pattern.sprues?.sections ?? []).map(({ at, diameterMm }) => ({ at, diameterMm })),
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

function wishOf(context: PourContext, part: Part): FeedInput | undefined {
  const gates = placedGates(context, part);
  return gates.length > 0 ? { ...feedGrid(context, part), gates } : undefined;
}

const NOT_FOLLOWED: Judgement = {
  rule: 'feed unread',
  weight: 'watch',
  lead: 'The way to each mass is not followed yet.',
  why: say`Until it is, only the whole part's V/A is known, which sees no necks.`,
};

function planPart(context: PourContext, part: Part, pours: readonly Planned<TemperaturePlan>[]): PartGates {
  const modulus = modulusOf(part);
  const advice = adviceOf(modulus);
  const set = context.doc.wayUp.lines[part.key]?.gates;
  const gates = set ?? gatesInFile(part) ?? proposedGates(advice.value);
  const feedWish = wishOf(context, part);
  const reading = feedWish && context.readings.of(feedJob, feedWish);
  const feed = reading?.status === 'known' ? reading.value : undefined;
  const fill = feedWish
    ? planFill(context, part, {
        grid: { ...feedWish, gates: feedWish.gates.map((gate) => ({ ...gate, lengthMm: gates.lengthMm })) },
        pours,
      })
    : noFill(context, part);
  return {
    part,
    gates,
    proposed: set === undefined,
    inFile: part.pattern.sprues?.sections.length ?? 0,
    advice,
    feedWish,
    feed,
    fill,
    judgements: [
      ...(feed
        ? judgeFeed(feed.masses, feed.feeds, feedWish!.gates, feed.cellMm)
        : [...(feedWish ? [NOT_FOLLOWED] : []), ...judgeGates(gates, modulus.value)]),
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
