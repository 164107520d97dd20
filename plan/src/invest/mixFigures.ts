import {
  BORIC_ACID,
  MIX_WASTE_PERCENT,
  POWDER,
  POWDER_DENSITY,
  ROUND_ML,
  SLURRY_DENSITY,
  WATER,
} from '@zero-pour/core';
import type { Flask } from '@zero-pour/contracts';
import type { PourContext } from '../context';
import { figure, fromFigure, sumOf, type Figure, type Input } from '../figure';
import type { TreePlan } from '../sprue/treePlan';

/** A flask of the bowl with its tree. */
export interface Filled {
  /** "Flask 1". */
  name: string;
  flask: Flask;
  tree: TreePlan;
}

/** What is weighed into one bowl, or into all of them. */
export interface MixFigures {
  powder: Figure;
  water: Figure;
  boric: Figure | undefined;
}

function flaskFigure(flask: Flask): Figure {
  const from = { unit: 'mm', digits: 1, source: `flask ${flask.name}`, stage: 'sprue' } as const;
  return figure({ name: 'Flask, inside', unit: 'ml', digits: 1 }, ROUND_ML, {
    D: { name: 'Inner diameter', value: flask.innerDiameterMm, ...from },
    H: { name: 'Height', value: flask.heightMm, ...from },
  });
}

/** One figure, or the sum of several. */
function allOf(name: string, symbol: string, figures: readonly [Figure, ...Figure[]]): Input {
  const [only] = figures;
  if (figures.length === 1) return fromFigure(only, 'sprue');
  const terms = figures.map((of, i) => ({ ...fromFigure(of, 'sprue'), symbol: `${symbol}${i + 1}` }));
  return fromFigure(sumOf({ name, unit: only.unit, digits: 1 }, terms), 'sprue');
}

function powderFigure(filled: readonly [Filled, ...Filled[]], ratio: Input): Figure {
  const each = (of: (one: Filled) => Figure) => filled.map(of) as [Figure, ...Figure[]];
  const density = figure({ name: 'Density of the slurry', unit: 'gPerCm3' }, SLURRY_DENSITY, {
    r: ratio,
    ρp: { name: 'Dry powder', value: POWDER_DENSITY, unit: 'gPerCm3', digits: 2, source: 'book' },
  });
  return figure({ name: 'Powder', unit: 'g', digits: 0 }, POWDER, {
    ρ: fromFigure(density),
    F: allOf(
      'All flasks, inside',
      'F',
      each(({ flask }) => flaskFigure(flask)),
    ),
    T: allOf(
      'All trees',
      'T',
      each(({ tree }) => tree.tree),
    ),
    w: {
      name: 'Left in the bowl',
      value: MIX_WASTE_PERCENT,
      unit: 'percent',
      digits: 0,
      source: 'shop default',
    },
    r: ratio,
  });
}

function boricFigure({ doc }: PourContext, powder: Figure, water: Figure): Figure | undefined {
  const { school, percent } = doc.invest.boric;
  if (school === 'none') return undefined;
  return figure({ name: 'Boric acid', unit: 'g' }, BORIC_ACID, {
    p: fromFigure(school === 'powder' ? powder : water),
    b: {
      name: `Boric acid, of the ${school}`,
      value: percent,
      unit: 'percent',
      digits: 1,
      source: 'typed at Invest',
      stage: 'invest',
    },
  });
}

/** What fills these flasks round their trees, from one bowl. */
export function mixFigures(
  context: PourContext,
  filled: readonly [Filled, ...Filled[]],
  ratio: Input,
): MixFigures {
  const powder = powderFigure(filled, ratio);
  const water = figure({ name: 'Water', unit: 'g', digits: 0 }, WATER, { r: ratio, p: fromFigure(powder) });
  return { powder, water, boric: boricFigure(context, powder, water) };
}
