import {
  CLEARANCE_MM,
  judgeClearance,
  judgePerforated,
  layOutTree,
  measureStance,
  say,
  type Judgement,
  type Stance,
  type TreeForm,
  type TreeLayout,
} from '@zero-pour/core';
import type { Flask } from '@zero-pour/contracts';
import type { FlaskContext, PourContext } from '../context';
import type { Part } from '../part';
import type { Figure } from '../figure';
import type { PartGates } from '../wayUp/gatePlan';
import { known, lacking, missing, type Planned } from '../planned';
import type { ScalePlan } from '../scale/planScale';
import { ALONG, planHung, type RealTree } from './hungPlan';
import {
  patternsByVolume,
  patternsByWeight,
  spruesFigure,
  spruesInFile,
  volumesOf,
  waxByWeight,
  type TreeVolumes,
} from './treeVolumes';

export interface TreePlan extends TreeVolumes {
  /** Parts as bounding cylinders; none of a tree that is known by its weight only, or that is to hang on branches. */
  cylinders: { layout: TreeLayout; form: TreeForm } | undefined;
  /** By real shapes, once it was hung so; else bounding cylinders stand for them. */
  hung: RealTree | undefined;
  judgements: Judgement[];
  patterns: Figure;
  /** The other way of knowing the patterns' volume, when both are there. */
  patternsOtherWay: Figure | undefined;
  /** Of the patterns' volume, what is sprue already in the file. */
  inFile: Figure | undefined;
}

/** The part as it hangs on its gate. */
function hangingStance({ decided }: FlaskContext, part: Part): Stance {
  const hangs = decided.sprue.hangs ?? 'as printed';
  return hangs === 'as printed'
    ? part.stance
    : measureStance(part.pattern.measure.supportPointsMm, ALONG[hangs]);
}

/** Parts as bounding cylinders, straight or in rings; branches are hung by real shapes only. */
function cylindersOf(
  { doc }: PourContext,
  hung: FlaskContext,
  gates: readonly PartGates[],
  factor: number,
): TreePlan['cylinders'] {
  const { sprue } = hung.decided;
  if (sprue.arrangement === 'branches') return undefined;
  const heavy = doc.brief.castClass === 'heavy';
  const form: TreeForm = {
    arrangement: sprue.arrangement,
    tiltDeg: sprue.tiltDeg,
    mainSprueDiameterMm: sprue.mainSprueDiameterMm,
    mainSprueLengthMm: sprue.mainSprueLengthMm,
    coneHeightMm: hung.flask?.coneHeightMm ?? 0,
    betweenMm: heavy ? CLEARANCE_MM.betweenHeavy : CLEARANCE_MM.between,
  };
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
  return { layout, form };
}

/** Gates of what hangs in this flask, with as many parts as do. */
export const gatesIn = ({ parts }: FlaskContext, gates: readonly PartGates[]): PartGates[] =>
  parts.flatMap((part) => gates.filter((g) => g.part.key === part.key).map((g) => ({ ...g, part })));

const NOT_HUNG: Judgement = {
  rule: 'not hung',
  weight: 'watch',
  lead: 'Not hung on its branches yet.',
  why: say`Until it is, nothing is said of what fits, and no branch counts in the metal.`,
};

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
    cylinders: undefined,
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
  const cylinders = cylindersOf(context, hung, gates, factor);
  const real = planHung(context, hung, gates, factor);
  const byVolume = patternsByVolume(context, hung, scale);
  const byWeight = patternsByWeight(context, hung);
  const weigh = decided.sprue.weighBy === 'weight' && byWeight !== undefined;
  const patterns = weigh ? byWeight : byVolume;
  const { wax, judgements: weighed } = waxByWeight(hung);
  const sprues = weigh && wax ? wax : spruesFigure(hung, gates);
  return known({
    cylinders,
    hung: real,
    judgements: [
      ...(real?.judgements ??
        (cylinders ? judgeClearance(cylinders.layout, cylinders.form, flask) : [NOT_HUNG])),
      ...judgePerforated(flask),
      ...weighed,
    ],
    patterns,
    patternsOtherWay: weigh ? byVolume : byWeight,
    inFile: spruesInFile(hung, scale),
    ...volumesOf(flask, patterns, sprues),
  });
}
