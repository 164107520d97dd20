import { castsWax, productOf, stepsUntil, type LearntSizes, type ScaleTarget } from '@zero-pour/core';
import type { PourContext } from '../context';
import { figureOf, fromFigure, type Figure } from '../figure';
import type { ChainStep, ScaleChain } from './chain';
import { chainGivens } from './scaleFigures';
import { sizePathOf, stepOf, type SizeThings } from './sizePathOf';

/** A step of the chain as it is taken here. */
/** What decides the way of this pour's sizes; undefined until resin, metal and flask are known. */
export function thingsOf(context: PourContext, flaskC: number | undefined): SizeThings | undefined {
  const { doc, resin, profile, alloy } = context;
  if (!resin || !alloy || flaskC === undefined) return undefined;
  return {
    route: doc.brief.route,
    resin,
    profile,
    alloy,
    powderId: doc.invest.powderId,
    flaskC: doc.scale.printedAs?.flaskC ?? flaskC,
    finish: doc.brief.finish,
    typed: doc.scale,
  };
}

export function chainOf(things: SizeThings, first: ScaleTarget | undefined, learnt: LearntSizes): ScaleChain {
  const zShare = first?.along[2] ?? 0;
  const path = sizePathOf(things, { surface: first?.surface ?? 'outer', zShare }, 'finished');
  const steps = stepsUntil(things.route, 'finished').map((step, i): ChainStep => {
    const { key, percent, sdPercent } = stepOf(step, things);
    return {
      step,
      given: chainGivens.step({ step, index: i, things, path, learnt }),
      bookPercent: percent,
      sdPercent: learnt.sdOf(key, sdPercent),
      count: learnt.countOf(key),
      typed: things.typed.own?.[step] !== undefined,
    };
  });
  const along = (share: number): number =>
    100 / productOf(sizePathOf(things, { surface: 'outer', zShare: share }, 'finished'), learnt.shifts);
  return {
    steps,
    things,
    base: [along(0), along(0), along(1)],
    givens: {
      steps: steps.map((s) => s.given),
      skin: chainGivens.skin(things, learnt),
      adds: chainGivens.adds({ things, path, learnt, surface: first?.surface ?? 'outer' }),
    },
  };
}

/** What stands in the flask against the file: the print, or the wax that a mold made of it. Percent. */
export function inFlaskFigure(percent: Figure, chain: ScaleChain | undefined): Figure {
  if (!chain || !castsWax(chain.things.route)) return percent;
  const until = chain.steps.filter(({ step }) => stepsUntil(chain.things.route, 'wax').includes(step));
  return figureOf({ name: 'Wax, of the file', unit: 'percent', digits: 2 }, [
    { ...fromFigure(percent, 'scale'), symbol: 's' },
    ...until.flatMap(({ given }) => [' × (1 + ', given, '/100)']),
  ]);
}
