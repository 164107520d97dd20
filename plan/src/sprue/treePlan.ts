import {
  BUTTON,
  BUTTON_SHARE_MIN,
  CLEARANCE_MM,
  CONE_ML,
  GATES_CM3,
  judgeClearance,
  judgePerforated,
  judgeTreeWeight,
  measureStance,
  layOutTree,
  ROUND_ML,
  say,
  SCALED_VOLUME,
  type Judgement,
  type Stance,
  type TreeForm,
  type TreeLayout,
  WAX_VOLUME,
  WEIGHED_VOLUME,
} from '@zero-pour/core';
import { pieceMeasure, readingValue, type Flask } from '@zero-pour/contracts';
import type { FlaskContext, PourContext } from '../context';
import type { Part } from '../part';
import { figure, fromFigure, sumOf, type Figure } from '../figure';
import type { PartGates } from '../wayUp/gatePlan';
import { patternDensity, volumeIsEstimate, waxDensity } from '../givens';
import { known, lacking, missing, type Planned } from '../planned';
import { ALONG, planHung, type RealTree } from './hungPlan';
import type { ScalePlan } from '../scale/planScale';

export interface TreePlan {
  /** None of a tree that is known by its weight only. */
  layout: TreeLayout | undefined;
  form: TreeForm;
  /** By real shapes, once it was hung so; else the layout's bounding cylinders stand for them. */
  hung: RealTree | undefined;
  judgements: Judgement[];
  patterns: Figure;
  /** The other way of knowing the patterns' volume, when both are there. */
  patternsOtherWay: Figure | undefined;
  /** Of the patterns' volume, what is sprue already in the file. */
  inFile: Figure | undefined;
  sprues: Figure;
  button: Figure;
  /** All that takes the place of slurry. */
  tree: Figure;
}

function patternsByVolume(context: PourContext, { parts }: FlaskContext, scale: ScalePlan): Figure {
  const drawnMm3 = parts.reduce((sum, p) => sum + p.pattern.measure.volumeMm3 * p.count, 0);
  return figure({ name: 'Patterns, scaled', unit: 'cm3' }, SCALED_VOLUME, {
    V: {
      name: 'Patterns as drawn',
      value: drawnMm3 / 1000,
      unit: 'cm3',
      source: 'pattern files',
      stage: 'pattern',
      guessed: volumeIsEstimate(context),
    },
    s: fromFigure(scale.inFlask, 'scale'),
  });
}

/** Sprues that the files hold, as they hang here: weighed and cast with the patterns, cut off the pieces. */
function spruesInFile({ parts }: FlaskContext, scale: ScalePlan): Figure | undefined {
  const sprued = parts.filter(({ pattern }) => pattern.sprues);
  if (sprued.length === 0) return undefined;
  const mm3 = sprued.reduce(
    (sum, { pattern, count }) => sum + (pattern.measure.volumeMm3 - pieceMeasure(pattern).volumeMm3) * count,
    0,
  );
  return figure({ name: 'Sprues in the file, scaled', unit: 'cm3' }, SCALED_VOLUME, {
    V: { name: 'Sprues as drawn', value: mm3 / 1000, unit: 'cm3', source: 'pattern files', stage: 'pattern' },
    s: fromFigure(scale.inFlask, 'scale'),
  });
}

function patternsByWeight(context: PourContext, { decided }: FlaskContext): Figure | undefined {
  const { weighedPatternsG } = decided.sprue;
  const massG = readingValue(weighedPatternsG);
  const density = patternDensity(context);
  if (massG === undefined || massG <= 0 || !density) return undefined;
  return figure({ name: 'Patterns, by weight', unit: 'cm3' }, WEIGHED_VOLUME, {
    m: {
      name: 'Patterns on the balance',
      value: massG,
      unit: 'g',
      digits: 2,
      source: weighedPatternsG?.state ?? '',
      stage: 'sprue',
      guessed: weighedPatternsG?.state === 'guessed',
    },
    ρ: density,
  });
}

/** Gates of one part, as many as hang here. */
function gatesFigure({ part, gates }: PartGates): Figure {
  const from = { source: 'gates at Way up', stage: 'wayUp' } as const;
  return figure({ name: `Gates, ${part.pattern.name}`, unit: 'cm3' }, GATES_CM3, {
    n: { name: 'Gates of all', value: gates.count * part.count, unit: 'count', ...from },
    D: { name: 'Diameter', value: gates.diameterMm, unit: 'mm', digits: 1, ...from },
    L: { name: 'Length', value: gates.lengthMm, unit: 'mm', digits: 1, ...from },
  });
}

function spruesFigure({ decided: { sprue } }: FlaskContext, gates: readonly PartGates[]): Figure {
  const from = { unit: 'mm', digits: 1, source: 'typed at Sprue', stage: 'sprue' } as const;
  const main = figure({ name: 'Main sprue', unit: 'cm3' }, ROUND_ML, {
    D: { name: 'Diameter', value: sprue.mainSprueDiameterMm, ...from },
    H: { name: 'Length', value: sprue.mainSprueLengthMm, ...from },
  });
  return sumOf({ name: 'Gates and sprue', unit: 'cm3' }, [
    ...gates.map((of, i) => ({
      ...fromFigure(gatesFigure(of)),
      symbol: gates.length > 1 ? `G${i + 1}` : 'G',
    })),
    { ...fromFigure(main), symbol: 'M' },
  ]);
}

/** Wax of the tree by the balance: the tree on its base without base and prints; undefined while one of them is not weighed. */
function waxByWeight({ decided: { sprue } }: FlaskContext): {
  wax: Figure | undefined;
  judgements: Judgement[];
} {
  const [T, B, m] = [sprue.weighedTreeG, sprue.weighedBaseG, sprue.weighedPatternsG].map(readingValue);
  if (T === undefined || B === undefined || m === undefined) return { wax: undefined, judgements: [] };
  const judgements = judgeTreeWeight(T, B, m);
  if (judgements.length > 0) return { wax: undefined, judgements };
  const from = { unit: 'g', digits: 2, source: 'on the balance', stage: 'sprue' } as const;
  return {
    judgements,
    wax: figure({ name: 'Gates and sprue, by weight', unit: 'cm3' }, WAX_VOLUME, {
      T: { name: 'Tree on its base', value: T, ...from },
      B: { name: 'Base alone', value: B, ...from },
      m: { name: 'Prints', value: m, ...from },
      ρ: waxDensity,
    }),
  };
}

function buttonFigure(flask: Flask, patterns: Figure, sprues: Figure): Figure {
  const from = { unit: 'mm', digits: 1, source: `flask ${flask.name}`, stage: 'sprue' } as const;
  const cone = figure({ name: 'Cone of the sprue base', unit: 'cm3' }, CONE_ML, {
    D: { name: 'Diameter', value: flask.coneDiameterMm, ...from },
    H: { name: 'Height', value: flask.coneHeightMm, ...from },
  });
  return figure(
    {
      name: 'Button',
      unit: 'cm3',
      note: 'At least a share of patterns and sprues, or it does not feed them.',
    },
    BUTTON,
    {
      K: fromFigure(cone),
      q: { name: 'The least share', value: BUTTON_SHARE_MIN, unit: 'ratio', source: 'shop default' },
      P: fromFigure(patterns),
      S: fromFigure(sprues),
    },
  );
}

/** The part as it hangs on its gate. */
function hangingStance({ decided }: FlaskContext, part: Part): Stance {
  const hangs = decided.sprue.hangs ?? 'as printed';
  return hangs === 'as printed'
    ? part.stance
    : measureStance(part.pattern.measure.supportPointsMm, ALONG[hangs]);
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
export const gatesIn = ({ parts }: FlaskContext, gates: readonly PartGates[]): PartGates[] =>
  parts.flatMap((part) => gates.filter((g) => g.part.key === part.key).map((g) => ({ ...g, part })));

/** What a tree is made of, once patterns and sprues are known. */
function volumesOf(
  flask: Flask,
  patterns: Figure,
  sprues: Figure,
): Pick<TreePlan, 'sprues' | 'button' | 'tree'> {
  const button = buttonFigure(flask, patterns, sprues);
  const tree = sumOf({ name: 'Tree', unit: 'cm3' }, [
    { ...fromFigure(patterns), symbol: 'P' },
    { ...fromFigure(sprues), symbol: 'S' },
    { ...fromFigure(button), symbol: 'K' },
  ]);
  return { sprues, button, tree };
}

const BY_WEIGHT_ONLY: Judgement = {
  rule: 'by weight only',
  weight: 'watch',
  lead: 'Known by its weight only.',
  why: say`There is no file: whether it fits, feeds and fills, and how near parts hang to each other and the wall, is for your eye.`,
};

/** A tree without files, by what it weighs; undefined until its patterns are on the balance and their density is known. */
function treeByWeight(context: PourContext, hung: FlaskContext, flask: Flask): TreePlan | undefined {
  const patterns = patternsByWeight(context, hung);
  if (!patterns) return undefined;
  const { wax, judgements } = waxByWeight(hung);
  return {
    layout: undefined,
    form: treeForm(context, hung),
    hung: undefined,
    judgements: [BY_WEIGHT_ONLY, ...judgePerforated(flask), ...judgements],
    patterns,
    patternsOtherWay: undefined,
    inFile: undefined,
    ...volumesOf(flask, patterns, wax ?? spruesFigure(hung, [])),
  };
}

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
  if (!parts && flask) {
    const weighed = treeByWeight(context, hung, flask);
    if (weighed) return known(weighed);
  }
  if (!parts || !flask || !scale || gates.length === 0) {
    const needs = lacking(
      [parts, 'a pattern, or the patterns weighed', 'pattern'],
      [flask, 'a flask', 'sprue'],
    );
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
  const real = planHung(context, hung, gates, factor);
  const byVolume = patternsByVolume(context, hung, scale);
  const byWeight = patternsByWeight(context, hung);
  const weigh = decided.sprue.weighBy === 'weight' && byWeight !== undefined;
  const patterns = weigh ? byWeight : byVolume;
  const { wax, judgements: weighed } = waxByWeight(hung);
  const sprues = weigh && wax ? wax : spruesFigure(hung, gates);
  return known({
    layout,
    form,
    hung: real,
    judgements: [
      ...(real ? real.judgements : judgeClearance(layout, form, flask)),
      ...judgePerforated(flask),
      ...weighed,
    ],
    patterns,
    patternsOtherWay: weigh ? byVolume : byWeight,
    inFile: spruesInFile(hung, scale),
    ...volumesOf(flask, patterns, sprues),
  });
}
