import { formula, METRIC, STAGES } from '@zero-pour/core';
import { emptyPourDoc, type PourDoc } from '@zero-pour/contracts';
import { describe, expect, it } from 'vitest';
import {
  figure,
  figureOf,
  formulaComesTo,
  formulaInSymbols,
  formulaInValues,
  fromFigure,
  stated,
  sumOf,
} from './figure';
import { planPour, stageLine, writeTicket } from './index';
import { STAGE_RULES, sightOf } from './stages';
import { resolvePour } from './context';
import { fullDoc, planShop } from './testing/planShop';

const ZERO = new Date(2026, 10, 26, 9, 15);
const sections = (doc: PourDoc): string[] =>
  writeTicket(planPour({ doc }, planShop())).map(({ title }) => title);

describe('a folder a stage', () => {
  it('stands in the order of the work, under the same names as everywhere', () => {
    expect(STAGE_RULES.map(({ key }) => key)).toEqual(STAGES.map(({ key }) => key));
  });

  it('is worked out once, however often it is asked for', () => {
    const { of } = sightOf(resolvePour({ doc: fullDoc(ZERO) }, planShop()));
    expect(of('print')).toBe(of('print'));
    expect(of('sprue')[0]).toBe(of('sprue')[0]);
    expect(of('scale').status).toBe('known');
  });

  it('says one line each, of an empty pour as of a full one', () => {
    for (const doc of [emptyPourDoc(), fullDoc(ZERO)])
      for (const { key } of STAGES)
        expect(stageLine(key, planPour({ doc }, planShop()), METRIC), key).not.toMatch(/NaN|undefined|null/);
    const plan = planPour({ doc: emptyPourDoc() }, planShop());
    expect(STAGES.map(({ key }) => stageLine(key, plan, METRIC)).join('')).toBe('');
  });
});

describe('the ticket', () => {
  it('has its sections in one order, those of a flask under its number where there are several', () => {
    expect(sections(fullDoc(ZERO))).toEqual(['Zero', 'Weigh', 'Mix', 'Set', 'Cost']);
    const two = fullDoc(ZERO, (doc) => {
      doc.flasks.push({ ...structuredClone(doc.flasks[0]!), key: 'f2' });
      doc.flasks[0]!.pieces = ['l1/1'];
      doc.flasks[1]!.pieces = ['l1/2'];
    });
    expect(sections(two)).toEqual(['Zero', 'Weigh, flask 1', 'Weigh, flask 2', 'Mix', 'Set', 'Cost']);
    for (const { pour } of two.flasks) pour.pouredAt = ZERO.toISOString();
    expect(sections(two)).toEqual([
      'Castings',
      'Metal, flask 1',
      'Metal, flask 2',
      'Temperatures, flask 1',
      'Temperatures, flask 2',
      'Mix',
      'Set',
    ]);
  });
});

describe('the cost', () => {
  const costOf = (doc: PourDoc) =>
    writeTicket(planPour({ doc }, planShop())).find(({ title }) => title === 'Cost')?.lines[0];
  it('of what nobody has planned is not 0', () => {
    expect(costOf(emptyPourDoc())).toMatchObject({ kind: 'words', words: ['nothing reckoned yet'] });
    expect(costOf(fullDoc(ZERO))).toMatchObject({ kind: 'figure' });
  });
});

describe('a figure', () => {
  const input = (value: number, guessed = false) =>
    ({ name: 'Length', value, unit: 'mm', digits: 1, source: 'typed', guessed }) as const;
  const area = figure({ name: 'Area', unit: 'mm2' }, formula`${'a'} × ${'b'}`, {
    a: input(3),
    b: input(4, true),
  });

  it('is worth what its formula says, in the units that it is written for', () => {
    expect(area.value).toBe(12);
    expect(formulaInSymbols(area)).toBe('a × b');
    expect(`${formulaInValues(area)} = ${formulaComesTo(area)}`).toBe('3.0 × 4.0 = 12.0 mm²');
  });

  it('stands on a guess when any input does, all the way down', () => {
    const twice = figureOf({ name: 'Twice', unit: 'mm2' }, ['2 × ', { ...fromFigure(area), symbol: 'A' }]);
    expect([area.guessed, twice.guessed, twice.value]).toEqual([true, true, 24]);
    expect(stated({ name: 'Length', unit: 'mm' }, { ...input(3), symbol: 'l' })).toMatchObject({
      value: 3,
      guessed: false,
    });
  });

  it('of no terms is nothing, of several their sum', () => {
    expect(sumOf({ name: 'All', unit: 'mm' }, []).value).toBe(0);
    expect(
      sumOf(
        { name: 'All', unit: 'mm' },
        [1, 2, 3].map((v) => ({ ...input(v), symbol: `l${v}` })),
      ).value,
    ).toBe(6);
  });
});
