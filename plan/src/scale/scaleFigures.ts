import type { SizeTarget } from '@zero-pour/contracts';
import {
  PERCENT_OF_DRAWN,
  SAME_VOLUME,
  SCALED_LENGTH,
  SIZE_STEP_NAMES,
  type AlongAxes,
  type BestScale,
  type LearntSizes,
  type ScaleTarget,
  type SizePath,
  type SizeStep,
  type Surface,
} from '@zero-pour/core';
import type { PourContext } from '../context';
import { figure, figureOf, fromFigure, stated, type Figure, type Given, type Input } from '../figure';
import type { DrawnSize } from './drawnSize';
import type { PlannedSize } from './plannedSize';
import type { ScaleChain } from './chain';
import { addsOf, stepOf, usualSkinMm, type SizeThings } from './sizePathOf';

const SUBSCRIPTS = ['₁', '₂', '₃', '₄', '₅'];
const counted = (count: number): string => `${count} of your ${count === 1 ? 'size' : 'sizes'}`;

function sourceOf(step: SizeStep, things: SizeThings, count: number): string {
  if (things.typed.own?.[step] !== undefined) return 'typed here';
  const book = step === 'resin' ? 'resin record' : step === 'metal' ? 'alloy record' : step === 'investment' ? 'book, at the flask’s temperature' : 'book'; // prettier-ignore
  return count > 0 ? `${book} and ${counted(count)}` : book;
}

export const chainGivens = {
  /** A step as it is taken for this size: Z's own share is worked into the resin's. */
  step: (of: {
    step: SizeStep;
    index: number;
    things: SizeThings;
    path: SizePath;
    learnt: LearntSizes;
  }): Given => {
    const { step, index, things, path, learnt } = of;
    const { key } = stepOf(step, things);
    const keys = step === 'resin' ? [key, `${key} z`] : [key];
    const factor = path.changes
      .filter((change) => keys.includes(change.key))
      .reduce((f, c) => f * (1 + (c.percent + learnt.shifts(c.key)) / 100) ** c.share, 1);
    return {
      symbol: `e${SUBSCRIPTS[index]}`,
      name: SIZE_STEP_NAMES[step],
      value: 100 * (factor - 1),
      unit: 'percent',
      digits: 2,
      source: sourceOf(step, things, learnt.countOf(key)),
      stage: 'scale',
    };
  },

  skin: (things: SizeThings, learnt: LearntSizes): Given => {
    const { skinMm } = things.typed;
    const bookMm = skinMm ?? usualSkinMm(things.finish);
    const count = learnt.countOf('skin');
    const source = skinMm === undefined ? `book, finish “${things.finish}”` : 'typed here';
    return {
      symbol: 'a',
      name: 'Skin removed by finishing, each surface',
      value: bookMm > 0 ? bookMm + learnt.shifts('skin') : 0,
      unit: 'mm',
      digits: 3,
      source: bookMm > 0 && count > 0 ? `${source} and ${counted(count)}` : source,
      stage: 'scale',
    };
  },

  /** What printing (and a master's coat) adds to an outer size of this direction; a bore loses it. */
  adds: (of: { things: SizeThings; path: SizePath; learnt: LearntSizes; surface: Surface }): Given => {
    const { things, path, learnt, surface } = of;
    const sign = surface === 'outer' ? 1 : -1;
    const book = addsOf(things);
    const count = learnt.countOf(book.key);
    const measured = things.profile?.printAddsMm ?? null;
    const from = things.typed.printAddsMm !== undefined ? 'typed here' : measured === null ? 'book' : 'widths measured for the profile'; // prettier-ignore
    return {
      symbol: 'b',
      name: path.adds.some((a) => a.key === 'master')
        ? 'What printing and the master’s coat add'
        : 'What printing adds',
      value: path.adds.reduce((total, a) => total + sign * a.times * (a.mm + learnt.shifts(a.key)), 0),
      unit: 'mm',
      digits: 3,
      source: count > 0 ? `${from} and ${counted(count)}` : from,
      stage: from.startsWith('widths') ? 'resin' : 'scale',
    };
  },
};

const SPEC = { name: 'Scale', unit: 'percent', digits: 2 } as const;

/** (1 + e₁/100)(1 + e₂/100)… */
const product = (steps: readonly Given[]): (string | Given)[] => steps.flatMap((e) => ['(1 + ', e, '/100)']);

/** A percent that stands: printed at it, or the shop's one number. */
export function fixedFigure({ doc }: PourContext, percent: number): Figure {
  const given: Given = {
    symbol: 's',
    name: 'Percent',
    value: percent,
    unit: 'percent',
    digits: 2,
    source: doc.scale.printedAs ? 'as the print was started' : 'typed here',
    stage: 'scale',
  };
  return stated(SPEC, given);
}

/** What makes up for the steps alone. */
export function stepsFigure({ givens }: ScaleChain): Figure {
  const note = 'No size is to be held, so the skin that finishing takes is not counted in.';
  return figureOf({ ...SPEC, note }, ['100 / (', ...product(givens.steps), ')']);
}

interface Figures {
  chain: ScaleChain;
  best: BestScale;
  targets: readonly ScaleTarget[];
  sizes: readonly SizeTarget[];
  /** How each is drawn, in the same order. */
  drawn: readonly DrawnSize[];
}

const finishedGiven = (target: SizeTarget, wanted: number): Given => ({
  symbol: 'F',
  name: `Finished ${target.name.toLowerCase() || 'size'}`,
  value: wanted,
  unit: 'mm',
  digits: 2,
  source: target.ring ? `brief, ${target.ring.system} ${target.ring.size}${target.wideBandMm ? ', opened for a wide band' : ''}` : 'brief', // prettier-ignore
  stage: 'brief',
});

const DRAWN_SOURCES: Readonly<Record<DrawnSize['from'], string>> = {
  typed: 'typed here',
  printed: 'the file that was printed',
  file: 'the file',
  'no file': 'to be drawn as wanted',
  unread: 'taken as wanted, the file is not read',
  'not found': 'taken as wanted, not found in the file',
  unmeasured: 'taken as wanted, not measured in the file',
};

const drawnInput = ({ mm, from }: Pick<DrawnSize, 'mm' | 'from'>): Input => ({
  name: 'As drawn',
  value: mm,
  unit: 'mm',
  digits: 3,
  source: DRAWN_SOURCES[from],
  stage: 'scale',
});

/** P = (F ± 2a)/Π ∓ b for the first size that must hold. */
function wantedPrint({ chain, targets, sizes }: Figures): { target: SizeTarget; figure: Figure } {
  const target = sizes.find((size) => size.holds)!;
  const lies = targets.find((t) => t.key === target.key)!;
  const finished = finishedGiven(target, lies.wantedMm);
  const [first, last] = lies.surface === 'outer' ? [' + 2 × ', ' − '] : [' − 2 × ', ' + '];
  const { steps, skin, adds } = chain.givens;
  return {
    target,
    figure: figureOf({ name: 'Size to print', unit: 'mm', digits: 3 }, [
      '(', finished, first, skin, ') / (', ...product(steps), ')', last, adds,
    ]), // prettier-ignore
  };
}

const apartInput = (name: string, value: number): Input => ({
  name,
  value,
  unit: 'percent',
  digits: 2,
  source: 'best along each axis',
  stage: 'scale',
});

/** The percent that the wanted sizes ask for: of one size its own, of several the weighted mean, kept where all hold. */
export function percentFigure(figures: Figures, percents: AlongAxes): Figure {
  const { best, sizes } = figures;
  const [x, y, z] = percents;
  if (x !== y || y !== z) {
    const note = 'X, Y and Z are printed apart; this one percent gives the same volume.';
    return figure({ ...SPEC, note }, SAME_VOLUME, {
      x: apartInput('X', x),
      y: apartInput('Y', y),
      z: apartInput('Z', z),
    });
  }
  if (best.pulls.length === 1) {
    const { target, figure: print } = wantedPrint(figures);
    const drawn = drawnInput(figures.drawn[sizes.indexOf(target)]!);
    return figure(SPEC, PERCENT_OF_DRAWN, { P: fromFigure(print), D: drawn });
  }
  const free =
    best.pulls.reduce((a, p) => a + p.weight * p.percent, 0) / best.pulls.reduce((a, p) => a + p.weight, 0);
  if (Math.abs(free - x) > 1e-9) {
    const edge: Given = {
      symbol: 's',
      name: 'Nearest percent at which all hold',
      value: x,
      unit: 'percent',
      digits: 2,
      source: 'tolerances of all that must hold',
      stage: 'scale',
    };
    return stated(SPEC, edge);
  }
  const given = (i: number) => {
    const { key, percent, weight } = best.pulls[i]!;
    const name = sizes.find((s) => s.key === key)?.name ?? '';
    const n = SUBSCRIPTS[i] ?? `(${i + 1})`;
    return {
      asks: { symbol: `s${n}`, name: `What ${name.toLowerCase()} asks for`, value: percent, unit: 'percent', digits: 2, source: 'worked out', stage: 'scale' } as Given, // prettier-ignore
      weight: { symbol: `w${n}`, name: `Its weight: tolerances a percent, squared`, value: weight, unit: 'ratio', digits: 2, source: 'its tolerance', stage: 'scale' } as Given, // prettier-ignore
    };
  };
  const all = best.pulls.map((_, i) => given(i));
  const join = (parts: (string | Given)[][]): (string | Given)[] => parts.flatMap((p, i) => (i === 0 ? p : [' + ', ...p])); // prettier-ignore
  return figureOf(SPEC, [
    '(', ...join(all.map(({ asks, weight }) => [weight, ' × ', asks])), ') / (', ...join(all.map(({ weight }) => [weight])), ')',
  ]); // prettier-ignore
}

/** The first held size as it is printed: by the chain when it decides alone, else as the percent makes it. */
export function printFigure(
  size: PlannedSize,
  percent: Figure,
  percents: AlongAxes,
  figures: Figures,
  decides: boolean,
): Figure {
  if (decides && figures.best.pulls.length === 1 && percents[0] === percents[2])
    return wantedPrint(figures).figure;
  const along = size.scale.along.reduce((sum, share, k) => sum + share * percents[k]!, 0);
  return figure({ name: 'Size to print', unit: 'mm', digits: 3 }, SCALED_LENGTH, {
    D: drawnInput({ mm: size.drawnMm, from: size.drawnFrom }),
    s: {
      name: percents[0] === percents[2] ? 'Scale' : 'Scale along this size',
      value: along,
      unit: 'percent',
      digits: 2,
      source: 'worked out',
      stage: 'scale',
      ...(Math.abs(along - percent.value) < 1e-9 ? { figure: percent } : {}),
    },
  });
}
