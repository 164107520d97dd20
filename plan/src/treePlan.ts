import {
  buttonVolumeCm3,
  CLEARANCE_MM,
  coneVolumeCm3,
  cylinderMm3,
  judgeClearance,
  measureStance,
  NO_ROTATION,
  layOutTree,
  type Judgement,
  type Rotation,
  type Stance,
  type TreeForm,
  type TreeLayout,
  volumeOfWeighedPrint,
} from '@zero-pour/core';
import { readingValue, type Flask } from '@zero-pour/contracts';
import type { FlaskContext, PourContext } from './context';
import type { Part } from './part';
import { figure, formula, fromFigure, type Figure, type Given } from './figure';
import type { PartGates } from './gatePlan';
import { patternDensityGiven, volumeIsEstimate } from './givens';
import { known, lacking, missing, type Planned } from './planned';
import type { ScalePlan } from './scale/planScale';

export interface TreePlan {
  layout: TreeLayout;
  form: TreeForm;
  judgements: Judgement[];
  patterns: Figure;
  /** The other way of knowing the patterns' volume, when both are there. */
  patternsOtherWay: Figure | undefined;
  sprues: Figure;
  button: Figure;
  /** All that takes the place of slurry. */
  tree: Figure;
}

function patternsByVolume(context: PourContext, { parts }: FlaskContext, scale: ScalePlan): Figure {
  const raw = parts.reduce((sum, p) => sum + p.pattern.measure.volumeMm3 * p.count, 0) / 1000;
  const volume: Given = {
    symbol: 'V',
    name: 'Patterns as drawn',
    value: raw,
    unit: 'cm3',
    source: 'pattern files',
    stage: 'pattern',
    guessed: volumeIsEstimate(context),
  };
  const value = raw * (scale.inFlask.value / 100) ** 3;
  return figure(
    { name: 'Patterns, scaled', value, unit: 'cm3' },
    formula`${volume} × (${fromFigure('s', scale.inFlask, 'scale')}/100)³`,
  );
}

function patternsByWeight(context: PourContext, { decided }: FlaskContext): Figure | undefined {
  const { weighedPatternsG } = decided.sprue;
  const massG = readingValue(weighedPatternsG);
  const density = patternDensityGiven(context);
  if (massG === undefined || massG <= 0 || !density) return undefined;
  const mass: Given = {
    symbol: 'm',
    name: 'Patterns on the balance',
    value: massG,
    unit: 'g',
    digits: 2,
    source: weighedPatternsG?.state ?? '',
    stage: 'sprue',
    guessed: weighedPatternsG?.state === 'guessed',
  };
  const value = volumeOfWeighedPrint(massG, density.value);
  return figure({ name: 'Patterns, by weight', value, unit: 'cm3' }, formula`${mass} / ${density}`);
}

function spruesFigure({ decided: { sprue } }: FlaskContext, gates: readonly PartGates[]): Figure {
  const gatesCm3 = gates.reduce((sum, g) => sum + g.volumeMm3 * g.part.count, 0) / 1000;
  const mainCm3 = cylinderMm3(sprue.mainSprueDiameterMm, sprue.mainSprueLengthMm) / 1000;
  const all: Given = {
    symbol: 'G',
    name: 'Gates of all parts',
    value: gatesCm3,
    unit: 'cm3',
    source: 'gates at Way up',
    stage: 'wayUp',
  };
  const main: Given = {
    symbol: 'M',
    name: 'Main sprue',
    value: mainCm3,
    unit: 'cm3',
    source: 'diameter and length at Sprue',
    stage: 'sprue',
  };
  return figure(
    { name: 'Gates and sprue', value: gatesCm3 + mainCm3, unit: 'cm3' },
    formula`${all} + ${main}`,
  );
}

function buttonFigure(flask: Flask, patterns: Figure, sprues: Figure): Figure {
  const coneCm3 = coneVolumeCm3(flask.coneDiameterMm, flask.coneHeightMm);
  const cone: Given = {
    symbol: 'K',
    name: 'Cone of the sprue base',
    value: coneCm3,
    unit: 'cm3',
    source: `flask ${flask.name}`,
    stage: 'sprue',
  };
  return figure(
    {
      name: 'Button',
      value: buttonVolumeCm3(coneCm3, patterns.value + sprues.value),
      unit: 'cm3',
      note: 'At least a quarter of patterns and sprues, or it does not feed them.',
    },
    formula`the larger of ${cone} and 0.25 × (${fromFigure('P', patterns)} + ${fromFigure('S', sprues)})`,
  );
}

/** Turns that bring an axis of the file upright, along the gate. */
const HANGING: Record<'x' | 'y' | 'z', Rotation> = {
  x: { xDeg: 0, yDeg: -90, zDeg: 0 },
  y: { xDeg: 90, yDeg: 0, zDeg: 0 },
  z: NO_ROTATION,
};

/** The part as it hangs on its gate. */
function hangingStance({ decided }: FlaskContext, part: Part): Stance {
  const hangs = decided.sprue.hangs ?? 'as printed';
  return hangs === 'as printed'
    ? part.stance
    : measureStance(part.pattern.measure.supportPointsMm, HANGING[hangs]);
}

function treeForm({ doc }: PourContext, { decided: { sprue }, flask }: FlaskContext): TreeForm {
  const heavy = doc.brief.castClass === 'heavy';
  return {
    arrangement: sprue.arrangement,
    tiltDeg: sprue.tiltDeg,
    mainSprueDiameterMm: sprue.mainSprueDiameterMm,
    mainSprueLengthMm: sprue.mainSprueLengthMm,
    coneHeightMm: flask?.coneHeightMm ?? 0,
    betweenMm: heavy ? CLEARANCE_MM.betweenHeavy : CLEARANCE_MM.between,
  };
}

/** Gates of what hangs in this flask, with as many parts as do. */
const gatesIn = ({ parts }: FlaskContext, gates: readonly PartGates[]): PartGates[] =>
  parts.flatMap((part) => gates.filter((g) => g.part.key === part.key).map((g) => ({ ...g, part })));

/** The tree of one flask: layout with clearances, and what it is made of by volume. */
export function planTree(
  context: PourContext,
  hung: FlaskContext,
  ofPour: readonly PartGates[],
  scale: ScalePlan | undefined,
): Planned<TreePlan> {
  const { flask, decided } = hung;
  const parts = hung.parts.length > 0 ? hung.parts : undefined;
  const gates = gatesIn(hung, ofPour);
  if (!parts || !flask || !scale || gates.length === 0) {
    const needs = lacking([parts, 'a pattern', 'pattern'], [flask, 'a flask', 'sprue']);
    return missing(needs.length > 0 ? needs : [{ what: 'the scale', stage: 'scale' }]);
  }
  const factor = scale.inFlask.value / 100;
  const form = treeForm(context, hung);
  const layout = layOutTree(
    gates.map(({ part, gates: g }) => {
      const stance = hangingStance(hung, part);
      return {
        count: part.count,
        cylinderDiameterMm: stance.cylinderDiameterMm * factor,
        cylinderLengthMm: stance.heightMm * factor,
        gateLengthMm: g.lengthMm,
      };
    }),
    form,
  );
  const byVolume = patternsByVolume(context, hung, scale);
  const byWeight = patternsByWeight(context, hung);
  const weigh = decided.sprue.weighBy === 'weight' && byWeight !== undefined;
  const patterns = weigh ? byWeight : byVolume;
  const sprues = spruesFigure(hung, gates);
  const button = buttonFigure(flask, patterns, sprues);
  const tree = figure(
    { name: 'Tree', value: patterns.value + sprues.value + button.value, unit: 'cm3' },
    formula`${fromFigure('P', patterns)} + ${fromFigure('S', sprues)} + ${fromFigure('K', button)}`,
  );
  return known({
    layout,
    form,
    judgements: judgeClearance(layout, form, flask),
    patterns,
    patternsOtherWay: weigh ? byVolume : byWeight,
    sprues,
    button,
    tree,
  });
}
