import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  formatHours,
  formatNumber,
  formatPhrase,
  formatQuantity,
  METRIC,
  quantity,
  readQuantity,
  say,
  type Unit,
} from './index';

const US = { temperature: 'F', weight: 'dwt', length: 'in' } as const;
const read = (text: string, unit: Unit, choice: Parameters<typeof readQuantity>[2] = METRIC): number => {
  const result = readQuantity(text, unit, choice);
  if (result.status !== 'read') throw new Error(`${text}: ${result.status}`);
  return result.value;
};

describe('as people write it', () => {
  const US = { ...METRIC, temperature: 'F' as const };
  it.each([
    ['38:100', 'ratio', 0.38],
    ['38 to 100', 'ratio', 0.38],
    ['38 %', 'ratio', 0.38],
    ['.38', 'ratio', 0.38],
    ['40:100', 'percent', 40],
    ['40 %', 'percent', 40],
  ] as const)('“%s” as %s', (text, unit, value) => {
    expect(readQuantity(text, unit, METRIC)).toMatchObject({
      status: 'read',
      value: expect.closeTo(value, 9) as number,
    });
  });
  it('takes a temperature with its hold', () => {
    expect(readQuantity('1350 F for 4 h', 'degC', METRIC)).toEqual({
      status: 'read',
      value: expect.closeTo(732.2, 1) as number,
      unitWritten: true,
      holdH: 4,
    });
    expect(readQuantity('300 for 2:30', 'degC', US)).toMatchObject({ holdH: 2.5 });
    for (const text of ['1350 F for long', 'hot for 4 h', '38:0', 'for 4 h'])
      expect(readQuantity(text, text.includes(':0') ? 'ratio' : 'degC', METRIC).status).toBe('unreadable');
  });
});

describe('what is typed at the bench', () => {
  it.each([
    ['1/16 in', 'mm', 1.5875],
    ['1 1/2 in', 'mm', 38.1],
    ['12,5', 'mm', 12.5],
    ['0,125', 'mm', 0.125],
    ['17,482 mm', 'mm', 17.482],
    ['2 cm', 'mm', 20],
    ['1350 F', 'degC', 732.2222],
    ['1,350 °F', 'degC', 732.2222],
    ['730', 'degC', 730],
    ['730 C', 'degC', 730],
    ['3:20', 'min', 3 + 20 / 60],
    ['3:20', 'h', 3 + 20 / 60],
    ['1:20', 's', 80],
    ['2 h 30', 'h', 2.5],
    ['90 min', 'h', 1.5],
    ['−0.3', 'percent', -0.3],
    ['30 dwt', 'g', 46.6552],
    ['1.5 ozt', 'g', 46.6552],
    ['1 200', 'g', 1200],
    ['22 inHg', 'kPa', 74.5006],
    ['216 °F/h', 'degCPerH', 120],
  ] as const)('takes “%s” as %s', (text, unit, expected) => {
    expect(read(text, unit)).toBeCloseTo(expected, 3);
  });

  it('takes a bare number in the reader’s unit', () => {
    expect(read('1350', 'degC', US)).toBeCloseTo(732.222, 2);
    expect(read('30', 'g', US)).toBeCloseTo(46.655, 2);
    expect(read('1/16', 'mm', US)).toBeCloseTo(1.5875, 6);
  });

  it.each([
    ['abc', 'mm'],
    ['12 parsecs', 'mm'],
    ['5 g', 'mm'],
    ['1/0 in', 'mm'],
    ['730 K', 'degC'],
    ['3:75', 'h'],
    ['1e999', 'mm'],
    ['--3', 'mm'],
  ] as const)('does not guess at “%s”', (text, unit) => {
    expect(readQuantity(text, unit, METRIC).status).toBe('unreadable');
  });

  it('tells empty from unreadable', () => {
    expect(readQuantity('  ', 'mm', METRIC).status).toBe('empty');
  });

  it('reads back what it writes, in any units', () => {
    const units = fc.constantFrom<Unit>('mm', 'g', 'degC', 'percent', 'kPa', 's');
    const choices = fc.constantFrom(METRIC, US);
    fc.assert(
      fc.property(fc.double({ min: 0, max: 5000, noNaN: true }), units, choices, (value, unit, choice) => {
        const shown = formatQuantity({ value, unit, digits: 4 }, choice);
        expect(Math.abs(read(shown, unit, choice) - value)).toBeLessThan(1e-3);
      }),
      { seed: 7 },
    );
  });
});

describe('what is shown', () => {
  it('rounds decimal halves away from zero and uses the true minus', () => {
    expect(formatNumber(1.005, 2)).toBe('1.01');
    expect(formatNumber(-2.5, 0)).toBe('−3');
    expect(formatNumber(-0.001, 2)).toBe('0.00');
  });

  it('writes hours as hours and minutes', () => {
    expect([formatHours(2), formatHours(2.5), formatHours(0.25), formatHours(1.999)]).toEqual([
      '2 h',
      '2 h 30',
      '15 min',
      '2 h',
    ]);
  });

  it('follows the unit switch inside sentences', () => {
    const phrase = say`Soak at ${quantity(730, 'degC')} with ${quantity(47.6, 'g')}.`;
    expect(formatPhrase(phrase, METRIC)).toBe('Soak at 730 °C with 47.6 g.');
    expect(formatPhrase(phrase, US)).toBe('Soak at 1346 °F with 30.6 dwt.');
  });

  it('keeps small lengths readable in inches', () => {
    expect(formatQuantity({ value: 1.5875, unit: 'mm' }, US)).toBe('0.063 in');
  });
});
