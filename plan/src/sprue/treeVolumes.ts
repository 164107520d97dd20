import {
  BUTTON,
  BUTTON_SHARE_MIN,
  branchLengthMm,
  CONE_ML,
  GATES_CM3,
  judgeTreeWeight,
  ROUND_ML,
  SCALED_VOLUME,
  WAX_VOLUME,
  WEIGHED_VOLUME,
  type Judgement,
} from '@zero-pour/core';
import { pieceMeasure, readingValue, type Flask, type HungAt, type PourFlask } from '@zero-pour/contracts';
import type { FlaskContext, PourContext } from '../context';
import { figure, fromFigure, sumOf, type Figure, type Input } from '../figure';
import { patternDensity, volumeIsEstimate, waxDensity } from '../givens';
import type { ScalePlan } from '../scale/planScale';
import type { PartGates } from '../wayUp/gatePlan';
import { branchMm } from './hungPlan';

/** What a tree is made of besides its patterns, and all of it. */
export interface TreeVolumes {
  sprues: Figure;
  button: Figure;
  /** All that takes the place of slurry. */
  tree: Figure;
}

export function patternsByVolume(context: PourContext, { parts }: FlaskContext, scale: ScalePlan): Figure {
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
export function spruesInFile({ parts }: FlaskContext, scale: ScalePlan): Figure | undefined {
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

export function patternsByWeight(context: PourContext, hung: FlaskContext): Figure | undefined {
  const mass = patternsMass(context, hung);
  const density = patternDensity(context);
  return (
    mass &&
    density &&
    figure({ name: 'Patterns, by weight', unit: 'cm3' }, WEIGHED_VOLUME, { m: mass, ρ: density })
  );
}

/** As weighed at Sprue; else waxes by what one of their mold weighs. */
function patternsMass({ mold }: PourContext, { decided, parts, castings }: FlaskContext): Input | undefined {
  const { weighedPatternsG } = decided.sprue;
  const massG = readingValue(weighedPatternsG);
  const on = { name: 'Patterns on the balance', unit: 'g', digits: 2 } as const;
  if (massG !== undefined && massG > 0)
    return {
      ...on,
      value: massG,
      source: weighedPatternsG?.state ?? '',
      stage: 'sprue',
      guessed: weighedPatternsG?.state === 'guessed',
    };
  const pieceG = mold?.mold.wax.pieceG;
  const ofMold = castings > 0 && parts.every(({ pattern }) => pattern.id === mold?.mold.patternId);
  if (!mold || pieceG === undefined || !ofMold) return undefined;
  return {
    ...on,
    name: `Waxes, ${castings} of ${pieceG} g`,
    value: castings * pieceG,
    source: `mold record ${mold.mold.name}`,
    stage: 'brief',
  };
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

const branchesMm = (sprue: PourFlask['sprue'], hung: readonly HungAt[]): number =>
  branchLengthMm(
    hung.map((at) => ({ kind: 0, ...at })),
    { diameterMm: sprue.mainSprueDiameterMm, branchDiameterMm: branchMm(sprue) },
  );

/** Wax of gates, main sprue and branches, by their bars. */
export function spruesFigure({ decided: { sprue } }: FlaskContext, gates: readonly PartGates[]): Figure {
  const from = { unit: 'mm', digits: 1, source: 'typed at Sprue', stage: 'sprue' } as const;
  const main = figure({ name: 'Main sprue', unit: 'cm3' }, ROUND_ML, {
    D: { name: 'Diameter', value: sprue.mainSprueDiameterMm, ...from },
    H: { name: 'Length', value: sprue.mainSprueLengthMm, ...from },
  });
  const arms = (sprue.hung ?? []).filter(({ onBranch }) => onBranch);
  const branches = figure({ name: 'Branches', unit: 'cm3' }, ROUND_ML, {
    D: { name: 'Diameter', value: branchMm(sprue), ...from },
    H: {
      name: 'Length of all, off the main sprue',
      ...from,
      value: branchesMm(sprue, arms),
      source: 'as it hangs',
    },
  });
  return sumOf({ name: 'Gates and sprue', unit: 'cm3' }, [
    ...gates.map((of, i) => ({
      ...fromFigure(gatesFigure(of)),
      symbol: gates.length > 1 ? `G${i + 1}` : 'G',
    })),
    { ...fromFigure(main), symbol: 'M' },
    ...(arms.length > 0 ? [{ ...fromFigure(branches), symbol: 'B' }] : []),
  ]);
}

/** Wax of the tree by the balance: the tree on its base without base and prints; undefined while one of them is not weighed. */
export function waxByWeight({ decided: { sprue } }: FlaskContext): {
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

/** What a tree is made of, once patterns and sprues are known. */
export function volumesOf(flask: Flask, patterns: Figure, sprues: Figure): TreeVolumes {
  const button = buttonFigure(flask, patterns, sprues);
  const tree = sumOf({ name: 'Tree', unit: 'cm3' }, [
    { ...fromFigure(patterns), symbol: 'P' },
    { ...fromFigure(sprues), symbol: 'S' },
    { ...fromFigure(button), symbol: 'K' },
  ]);
  return { sprues, button, tree };
}
