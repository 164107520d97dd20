import { flaskVolumeMl, mixSlurry, printTime, resinUse, type Unit } from '@zero-pour/core';
import type { Pattern, PourDoc } from '@zero-pour/contracts';
import { describe, expect, it } from 'vitest';
import { formulaComesTo, formulaInSymbols, formulaInValues, givensOf, type Figure } from './figure';
import { planPour, valueOf, type Planned } from './index';
import { blockPattern, flaskOf, fullDoc, LINE, ofOneFlask, planShop } from './testing/planShop';

const ZERO = new Date(2026, 10, 26, 9, 15);
const planOf = (change: (doc: PourDoc) => void = () => {}, measure: Partial<Pattern['measure']> = {}) =>
  ofOneFlask(planPour({ doc: fullDoc(ZERO, change) }, planShop(blockPattern(measure))));
const known = <T>(planned: Planned<T>): T => {
  const value = valueOf(planned);
  if (value === undefined) throw new Error(JSON.stringify(planned));
  return value;
};
const inputOf = (of: Figure, symbol: string) => givensOf(of.formula).find((g) => g.symbol === symbol)!;

describe('the working of a gate', () => {
  it('says that it is never under the least, where the modulus asks for less', () => {
    const [thin] = planOf(() => {}, { volumeMm3: 100, areaMm2: 1000 }).gates;
    expect(thin!.advice.value).toBe(1.5);
    expect(formulaInSymbols(thin!.advice)).toBe('the larger of d and 4 × k × M');
    expect(formulaInValues(thin!.advice)).toBe('the larger of 1.5 and 4 × 1.1 × 0.10');
    const [thick] = planOf(() => {}, { volumeMm3: 1000, areaMm2: 1000 }).gates;
    expect(thick!.advice.value).toBeCloseTo(4.4, 9);
  });

  it('proposes the next step of wire, and follows what is set', () => {
    const [proposed] = planOf((doc) => void (doc.wayUp.lines = {})).gates;
    expect(proposed!.proposed).toBe(true);
    expect(proposed!.gates.diameterMm * 5).toBeCloseTo(Math.round(proposed!.gates.diameterMm * 5), 9);
    expect(proposed!.gates.diameterMm).toBeGreaterThanOrEqual(proposed!.advice.value);
    const gates = { count: 2, diameterMm: 3, lengthMm: 5 };
    const [set] = planOf((doc) => void (doc.wayUp.lines = { [LINE]: { gates } })).gates;
    expect([set!.proposed, set!.gates]).toEqual([false, gates]);
  });
});

describe('the working of a print', () => {
  it('has no input that is what is left over: hours are core’s, by every input named', () => {
    const plan = planOf();
    const print = known(plan.print);
    const { profile } = plan.context;
    const motionS = inputOf(print.hours, 'm').value;
    const { layers, seconds } = printTime(print.heightMm, { ...profile!, motionS });
    expect(print.layers).toBe(layers);
    expect(print.hours.value).toBeCloseTo(seconds / 3600, 12);
    expect(print.lightH).toBeCloseTo((seconds - layers * motionS) / 3600, 9);
    expect(givensOf(print.hours.formula).map(({ symbol }) => symbol)).toEqual(['L', 't', 'm', 'n', 'b']);
  });

  it('takes resin as core does: parts, supports, raft and film apart', () => {
    const plan = planOf();
    const print = known(plan.print);
    const share = inputOf(print.resinMl, 's').value;
    const { densityGPerMl } = plan.context.resin!;
    const use = resinUse(print.partsMl * 1000, densityGPerMl, share, print.raftMl.value);
    expect(print.resinMl.value).toBeCloseTo(use.totalMl, 9);
    expect(print.resinG.value).toBeCloseTo(use.totalG, 9);
  });

  it('stands on what is typed, where something is', () => {
    const print = known(planOf((doc) => Object.assign(doc.print, { hoursTyped: 3, resinMlTyped: 12 })).print);
    expect([print.hours.value, print.resinMl.value]).toEqual([3, 12]);
    expect(formulaInSymbols(print.hours)).toBe('t');
    expect(print.lightH).toBeLessThan(3);
  });
});

describe('the working of a bowl', () => {
  it('sums its flasks and trees by name where there are several', () => {
    const plan = planPour(
      {
        doc: fullDoc(ZERO, (doc) => {
          doc.flasks.push({ ...structuredClone(flaskOf(doc)), key: 'f2' });
          flaskOf(doc).pieces = [`${LINE}/1`];
          doc.flasks[1]!.pieces = [`${LINE}/2`];
        }),
      },
      planShop(),
    );
    const { powder, ratio } = known(plan.mix);
    const [flasks, trees] = [inputOf(powder, 'F'), inputOf(powder, 'T')];
    expect(givensOf(flasks.figure!.formula).map(({ symbol }) => symbol)).toEqual(['F1', 'F2']);
    const { innerDiameterMm, heightMm } = plan.flasks[0]!.context.flask!;
    expect(flasks.value).toBeCloseTo(2 * flaskVolumeMl(innerDiameterMm, heightMm), 9);
    expect(powder.value).toBeCloseTo(mixSlurry(flasks.value, trees.value, ratio).powderG, 9);
  });
});

it('a working is shown in the units that it is written for, whatever the reader likes', () => {
  const { flaskFigure, metalFigure } = known(planOf().temperatures);
  for (const figure of [flaskFigure, metalFigure]) {
    expect(figure.unit satisfies Unit).toBe('degC');
    expect(formulaComesTo(figure)).toMatch(/°C$/);
    expect(formulaInValues(figure)).not.toContain('°');
  }
});
