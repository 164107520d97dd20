import {
  BASE_LAYERS,
  baseLayersOf,
  FILM_LOSS_ML,
  judgeBottles,
  judgeHeight,
  judgePlaces,
  LAYERS,
  PLATE_HOURS,
  platePlaces,
  RESIN_G,
  RAFT_ML,
  RESIN_ML,
  SCALED_LENGTH,
  SCALED_VOLUME,
  type Judgement,
} from '@zero-pour/core';
import { sparesOf, type Printer, type Profile, type Resin } from '@zero-pour/contracts';
import { partsOf, type PourContext } from '../context';
import { figure, fromFigure, stated, type Figure, type Input } from '../figure';
import { resinDensity, volumeIsEstimate } from '../givens';
import type { Part } from '../part';
import { known, lacking, missing, type Planned } from '../planned';
import { motionOf, supportsOf } from './knowPrints';
import { raftMm2Of } from './plateLayout';
import { planLoad } from './plateLoad';
import type { ScalePlan } from '../scale/planScale';

export interface PrintPlan {
  copies: number;
  layers: number;
  hours: Figure;
  /** Resin that it takes, by volume and by weight. */
  resinMl: Figure;
  raftMl: Figure;
  /** What rafts under all copies cover. */
  raftMm2: number;
  /** The largest copy from above, as printed. */
  footprintMm: readonly [number, number];
  resinG: Figure;
  /** The parts themselves, all copies. */
  partsMl: number;
  /** Hours that the screen is lit. */
  lightH: number;
  /** Left in the opened bottles after it; undefined when none is recorded. */
  leftMl: number | undefined;
  heightMm: number;
  /** Parts of the largest footprint that the plate takes. */
  places: number;
  /** Whether the plate holds it. */
  load: Planned<Judgement>;
  judgements: Judgement[];
}

/** The tallest part as it is printed. */
const heightFigure = (parts: readonly Part[], percent: Figure): Figure =>
  figure({ name: 'Tallest part, scaled', unit: 'mm' }, SCALED_LENGTH, {
    D: {
      name: 'Tallest part as it stands',
      value: Math.max(...parts.map((p) => p.stance.heightMm)),
      unit: 'mm',
      source: 'way up',
      stage: 'wayUp',
    },
    s: fromFigure(percent, 'scale'),
  });

/** What the plan of a plate cannot do without. */
interface PlateThings {
  resin: Resin;
  printer: Printer;
  profile: Profile;
}

const layersFigure = (height: Figure, { profile }: PlateThings): Figure =>
  figure({ name: 'Layers', unit: 'count' }, LAYERS, {
    H: fromFigure(height, 'wayUp'),
    h: {
      name: 'Layer height',
      value: profile.layerMm,
      unit: 'mm',
      digits: 3,
      source: `profile ${profile.name}`,
      stage: 'resin',
    },
  });

/** Layers that are lit as base layers are: transition layers count for as much of one as they are. */
function baseFigure(layers: number, { profile }: PlateThings): Figure {
  const from = { unit: 'count', source: `profile ${profile.name}`, stage: 'resin' } as const;
  const { B, k, K } = baseLayersOf(layers, profile);
  return figure({ name: 'Base layers, and what transition adds', unit: 'count', digits: 1 }, BASE_LAYERS, {
    B: { name: 'Base layers', value: B, ...from },
    k: { name: 'Transition layers in this print', value: k, ...from },
    K: { name: 'Transition layers', value: K, ...from },
  });
}

/** Hours by the sum over all layers, and how long the screen is lit in them. Typed hours win and say so. */
function hoursFigure(
  { prints, doc }: PourContext,
  layers: Figure,
  things: PlateThings,
): { hours: Figure; lightH: number } {
  const { profile, printer } = things;
  const motionS = motionOf(prints, printer, profile);
  const seconds = (name: string, value: number, source = `profile ${profile.name}`): Input => ({
    name,
    value,
    unit: 's',
    source,
    stage: 'resin',
  });
  const inputs = {
    L: fromFigure(layers),
    t: seconds('Exposure', profile.exposureS),
    m: seconds('Motion a layer', motionS.value, motionS.source),
    n: fromFigure(baseFigure(layers.value, things)),
    b: seconds('Base exposure', profile.baseExposureS),
  };
  const reckoned = figure(
    {
      name: 'Print time',
      unit: 'h',
      note: 'A full plate takes no longer than one part of the same height.',
    },
    PLATE_HOURS,
    inputs,
  );
  const { hoursTyped, plate } = doc.print;
  const fixed = (value: number, source: string): Figure =>
    stated(
      { name: 'Print time', unit: 'h' },
      { symbol: 't', name: 'Hours', value, unit: 'h', source, stage: 'print' },
    );
  return {
    hours:
      hoursTyped !== undefined
        ? fixed(hoursTyped, 'typed at Print')
        : plate?.hours === undefined
          ? reckoned
          : fixed(plate.hours, 'as reckoned when it was started'),
    lightH: figure({ name: 'Lit', unit: 'h' }, PLATE_HOURS, { ...inputs, m: seconds('No motion', 0) }).value,
  };
}

/** Resin of the rafts: as weighed for this profile, or by its thickness under every copy. */
function raftFigure(context: PourContext, factor: number, { profile }: PlateThings): Figure {
  const spec = { name: 'Raft', unit: 'ml', digits: 1 } as const;
  const from = { source: `profile ${profile.name}`, stage: 'resin' } as const;
  if (profile.raftMl !== null)
    return stated(spec, { symbol: 'R', name: 'Raft', value: profile.raftMl, unit: 'ml', digits: 1, ...from });
  return figure(spec, RAFT_ML, {
    A: {
      name: 'Under all copies',
      value: raftMm2Of(context, factor),
      unit: 'mm2',
      digits: 0,
      source: 'the patterns as they stand, with a rim',
      stage: 'print',
    },
    d: { name: 'Raft, thick', value: profile.raftMm, unit: 'mm', digits: 2, ...from },
  });
}

/** Millilitres of a plate, as typed or of the printed volume of all copies, cm³. */
function resinMlFigure(context: PourContext, partsCm3: Figure, raft: Figure, { resin }: PlateThings): Figure {
  const spec = { name: 'Resin, by volume', unit: 'ml', digits: 1 } as const;
  const typed = context.doc.print.resinMlTyped;
  if (typed !== undefined)
    return stated(spec, {
      symbol: 'V',
      name: 'Resin',
      value: typed,
      unit: 'ml',
      digits: 1,
      source: 'typed at Print',
      stage: 'print',
    });
  const share = supportsOf(context.prints, resin);
  const ml = { unit: 'ml', digits: 1 } as const;
  return figure(spec, RESIN_ML, {
    V: fromFigure(partsCm3),
    s: {
      name: 'Supports',
      value: share.value,
      unit: 'percent',
      digits: 0,
      source: share.source,
      stage: 'resin',
    },
    R: fromFigure(raft),
    f: { ...ml, name: 'Film that stays', value: FILM_LOSS_ML, source: 'shop default' },
  });
}

/** All copies as they are printed, cm³. */
const partsFigure = (context: PourContext, percent: Figure, parts: readonly Part[]): Figure =>
  figure({ name: 'All copies, scaled', unit: 'cm3' }, SCALED_VOLUME, {
    V: {
      name: 'All copies as drawn',
      value: parts.reduce((sum, p) => sum + p.pattern.measure.volumeMm3 * copiesOf(context, p), 0) / 1000,
      unit: 'cm3',
      source: 'pattern files',
      stage: 'pattern',
      guessed: volumeIsEstimate(context),
    },
    s: fromFigure(percent, 'scale'),
  });

/** How many of a part are printed, with spares. */
const copiesOf = ({ doc }: PourContext, part: Part): number => part.prints + sparesOf(doc, part.key);

/** Layers, hours and resin of the plate (handbook 04, "Plate"). */
export function planPrint(context: PourContext, scale: ScalePlan | undefined): Planned<PrintPlan> {
  const { resin, printer, profile } = context;
  const parts = partsOf(context);
  if (!parts || !resin || !printer || !profile || !scale) {
    const needs = lacking(
      [parts, 'a pattern', 'pattern'],
      [resin, 'a resin', 'resin'],
      [printer, 'a printer', 'resin'],
      [profile, 'a profile', 'resin'],
    );
    return missing(needs.length > 0 ? needs : lacking([scale, 'the scale', 'scale']));
  }
  const things = { resin, printer, profile };
  const factor = scale.percent.value / 100;
  const height = heightFigure(parts, scale.percent);
  const partsCm3 = partsFigure(context, scale.percent, parts);
  const layers = layersFigure(height, things);
  const raftMl = raftFigure(context, factor, things);
  const resinMl = resinMlFigure(context, partsCm3, raftMl, things);
  const copies = parts.reduce((sum, p) => sum + copiesOf(context, p), 0);
  const places = Math.min(
    ...parts.map((p) =>
      platePlaces(
        [printer.plateXMm, printer.plateYMm],
        [p.stance.footprintMm[0] * factor, p.stance.footprintMm[1] * factor],
      ),
    ),
  );
  const inBottlesMl = resin.bottles.reduce((sum, bottle) => sum + bottle.mlLeft, 0);
  const leftMl = resin.bottles.length > 0 ? inBottlesMl - resinMl.value : undefined;
  const load = planLoad(context);
  return known({
    copies,
    layers: layers.value,
    ...hoursFigure(context, layers, things),
    raftMl,
    raftMm2: raftMm2Of(context, factor),
    footprintMm: [0, 1].map((k) => factor * Math.max(...parts.map((p) => p.stance.footprintMm[k]!))) as [
      number,
      number,
    ],
    resinMl,
    resinG: figure({ name: 'Resin', unit: 'g' }, RESIN_G, { Q: fromFigure(resinMl), ρ: resinDensity(resin) }),
    partsMl: partsCm3.value,
    leftMl,
    heightMm: height.value,
    places,
    load,
    judgements: [
      ...judgeHeight(height.value, printer),
      ...judgePlaces(copies, places, printer.name),
      ...(context.doc.print.startedAt ? [] : judgeBottles(leftMl, resin.name)),
      ...(load.status === 'known' ? [load.value] : []),
    ],
  });
}
