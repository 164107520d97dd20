import {
  layerCount,
  platePlaces,
  printTime,
  resinUse,
  say,
  quantity,
  type Judgement,
  type ResinUse,
} from '@zero-pour/core';
import { partsOf, type PourContext } from './context';
import { figure, formula, type Figure, type Given } from './figure';
import { resinDensityGiven, volumeIsEstimate } from './givens';
import { known, lacking, missing, type Planned } from './planned';
import { motionOf, supportsOf } from './print/knowPrints';
import { planLoad } from './print/plateLoad';
import type { ScalePlan } from './scale/planScale';

export interface PrintPlan {
  copies: number;
  layers: number;
  hours: Figure;
  resin: ResinUse;
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

/** Typed hours win over the estimate and say so. */
function hoursFigure(
  context: PourContext,
  heightMm: number,
  scale: ScalePlan,
): { figure: Figure; layers: number; lightH: number } {
  const { profile, printer, doc } = context;
  if (!profile || !printer) throw new Error('hoursFigure without profile and printer');
  const motionS = motionOf(context.prints, printer, profile);
  const { layers, seconds } = printTime(heightMm, { ...profile, motionS: motionS.value });
  const lightH = (seconds - layers * motionS.value) / 3600;
  const typed = doc.print.hoursTyped;
  if (typed !== undefined) {
    const given: Given = {
      symbol: 't',
      name: 'Hours',
      value: typed,
      unit: 'h',
      source: 'typed at Print',
      stage: 'print',
    };
    return { figure: figure({ name: 'Print time', value: typed, unit: 'h' }, [given]), layers, lightH };
  }
  const source = `profile ${profile.name}`;
  const height: Given = {
    symbol: 'H',
    name: 'Tallest part, scaled',
    value: heightMm,
    unit: 'mm',
    digits: 2,
    source: `way up × ${scale.percent.value.toFixed(2)} %`,
    stage: 'wayUp',
  };
  const layer: Given = {
    symbol: 'h',
    name: 'Layer height',
    value: profile.layerMm,
    unit: 'mm',
    digits: 3,
    source,
    stage: 'resin',
  };
  const exposure: Given = {
    symbol: 't',
    name: 'Exposure',
    value: profile.exposureS,
    unit: 's',
    source,
    stage: 'resin',
  };
  const motion: Given = {
    symbol: 'm',
    name: 'Motion a layer',
    value: motionS.value,
    unit: 's',
    source: motionS.source,
    stage: 'resin',
  };
  const base: Given = {
    symbol: 'B',
    name: 'Base and transition layers, extra',
    value: seconds - layers * (profile.exposureS + motionS.value),
    unit: 's',
    digits: 0,
    source,
    stage: 'resin',
  };
  return {
    figure: figure(
      {
        name: 'Print time',
        value: seconds / 3600,
        unit: 'h',
        note: 'A full plate takes no longer than one part of the same height.',
      },
      formula`(${height} / ${layer} × (${exposure} + ${motion}) + ${base}) / 3600`,
    ),
    layers,
    lightH,
  };
}

function resinFigure(context: PourContext, volumeMm3: number): { use: ResinUse; figure: Figure } {
  const { resin, profile, doc } = context;
  if (!resin || !profile) throw new Error('resinFigure without resin and profile');
  const share = supportsOf(context.prints, resin);
  const use = resinUse(volumeMm3, resin.densityGPerMl, share.value, profile.raftMl);
  const density = resinDensityGiven(resin);
  const typed = doc.print.resinMlTyped;
  if (typed !== undefined) {
    const ml: Given = {
      symbol: 'V',
      name: 'Resin',
      value: typed,
      unit: 'ml',
      digits: 1,
      source: 'typed at Print',
      stage: 'print',
    };
    const value = typed * resin.densityGPerMl;
    return {
      use: { ...use, totalMl: typed, totalG: value },
      figure: figure({ name: 'Resin', value, unit: 'g' }, formula`${ml} × ${density}`),
    };
  }
  const volume: Given = {
    symbol: 'V',
    name: 'All copies, scaled',
    value: volumeMm3 / 1000,
    unit: 'cm3',
    source: 'pattern files',
    stage: 'pattern',
    guessed: volumeIsEstimate(context),
  };
  const supports: Given = {
    symbol: 's',
    name: 'Supports',
    value: share.value,
    unit: 'percent',
    digits: 0,
    source: share.source,
    stage: 'resin',
  };
  const rest: Given = {
    symbol: 'R',
    name: 'Raft, and film that stays',
    value: use.totalMl - (volumeMm3 / 1000) * (1 + share.value / 100),
    unit: 'ml',
    digits: 1,
    source: `profile ${profile.name}, shop default`,
    stage: 'resin',
  };
  return {
    use,
    figure: figure(
      { name: 'Resin', value: use.totalG, unit: 'g' },
      formula`(${volume} × (1 + ${supports}/100) + ${rest}) × ${density}`,
    ),
  };
}

/** Height beside the plate's, and whether the plate has room for all. */
function judgePlate(
  copies: number,
  places: number,
  heightMm: number,
  plateZMm: number,
  plate: string,
): Judgement[] {
  const out: Judgement[] = [];
  if (heightMm > plateZMm) {
    out.push({
      rule: 'too tall',
      weight: 'stop',
      lead: 'Taller than the printer.',
      why: say`${quantity(heightMm, 'mm', 1)} scaled; ${plate} prints ${quantity(plateZMm, 'mm', 0)}. Turn the part.`,
    });
  }
  if (places < copies) {
    out.push({
      rule: 'plate full',
      weight: 'watch',
      lead: 'Perhaps more than one plate.',
      why: say`${copies} to print; ${plate} takes ${places} in rows; the plate from above may fit more. The hours are for one plate.`,
    });
  } else {
    out.push({
      rule: 'plate room',
      weight: 'ok',
      lead: 'Fits on one plate.',
      why: say`${copies} of at least ${places} places. A full plate takes no more time than one part.`,
    });
  }
  return out;
}

/** Whether the opened bottles hold enough, until the print is started. */
function judgeBottles({ resin, doc }: PourContext, leftMl: number | undefined): Judgement[] {
  if (leftMl === undefined || leftMl >= 0 || doc.print.startedAt) return [];
  return [
    {
      rule: 'resin short',
      weight: 'fix',
      lead: 'Not enough resin.',
      why: say`The bottles of ${resin?.name ?? 'it'} are ${quantity(-leftMl, 'ml', 0)} short of this plate.`,
    },
  ];
}

/** Layers, hours and resin of the plate (handbook 04, "Plate"). */
export function planPrint(context: PourContext, scale: ScalePlan | undefined): Planned<PrintPlan> {
  const { resin, printer, profile, doc } = context;
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
  const factor = scale.percent.value / 100;
  const heightMm = Math.max(...parts.map((p) => p.stance.heightMm)) * factor;
  const volumeMm3 =
    parts.reduce((sum, p) => sum + p.pattern.measure.volumeMm3 * (p.prints + doc.print.spares), 0) *
    factor ** 3;
  const copies = parts.reduce((sum, p) => sum + p.prints + doc.print.spares, 0);
  const places = Math.min(
    ...parts.map((p) =>
      platePlaces(
        [printer.plateXMm, printer.plateYMm],
        [p.stance.footprintMm[0] * factor, p.stance.footprintMm[1] * factor],
      ),
    ),
  );
  const hours = hoursFigure(context, heightMm, scale);
  const { use, figure: resinG } = resinFigure(context, volumeMm3);
  const inBottlesMl = resin.bottles.reduce((sum, bottle) => sum + bottle.mlLeft, 0);
  const leftMl = resin.bottles.length > 0 ? inBottlesMl - use.totalMl : undefined;
  const load = planLoad(context);
  return known({
    copies,
    layers: layerCount(heightMm, profile.layerMm),
    hours: hours.figure,
    resin: use,
    resinG,
    partsMl: volumeMm3 / 1000,
    lightH: hours.lightH,
    leftMl,
    heightMm,
    places,
    load,
    judgements: [
      ...judgePlate(copies, places, heightMm, printer.plateZMm, printer.name),
      ...judgeBottles(context, leftMl),
      ...(load.status === 'known' ? [load.value] : []),
    ],
  });
}
