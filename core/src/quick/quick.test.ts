import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { flaskVolumeMl } from '../flask';
import { mixSlurry } from '../invest';
import { formatQuantity, InputError, METRIC } from '../numeric';
import { ringDiameterMm } from '../scale';
import { readSum, workOut, type KnownNames, type QuickSum, type SumLine } from './index';

const STERLING = { name: 'Sterling silver', densityGPerCm3: 10.357, lossPercent: 1 };
const NAMES: KnownNames = {
  metals: [
    STERLING,
    { name: '14 ct yellow gold', densityGPerCm3: 13.635, lossPercent: 1 },
    { name: 'Fine silver', densityGPerCm3: 10.49, lossPercent: 1 },
  ],
  resins: [
    { name: 'Skerry Wax 55', densityGPerMl: 1.08 },
    { name: 'Brine Clear-Out', densityGPerMl: 1.15 },
  ],
};
const sumOf = (line: string): QuickSum => {
  const found = readSum(line, NAMES);
  if (found.status !== 'read') throw new Error(`unclear: ${line}`);
  return found.sum;
};
const shown = (line: SumLine): string =>
  'words' in line ? line.words : formatQuantity(line.quantity, METRIC);
const answer = (line: string): Record<string, string> =>
  Object.fromEntries(workOut(sumOf(line)).lines.map((l) => [l.name, shown(l)]));

describe('a line that is clear', () => {
  it.each([
    [
      'flask 76x102 tree 12 g wax',
      { kind: 'slurry', diameterMm: 76, heightMm: 102, treeMl: 12 / 0.95, ratio: 0.4 },
    ],
    ['76 × 102', { kind: 'slurry', treeMl: 0 }],
    ['flask 64x76 tree 8 ml ratio 0,38', { kind: 'slurry', treeMl: 8, ratio: 0.38 }],
    ['flask 64x76 tree 11.5 g Brine', { kind: 'slurry', treeMl: 10 }],
    ['sterling 12 g wax', { kind: 'metal from weight', modelG: 12, modelGPerMl: 0.95, metal: STERLING }],
    [
      'sterling from a 10,8 g print in Skerry Wax 55',
      { kind: 'metal from weight', modelG: 10.8, modelGPerMl: 1.08 },
    ],
    ['sterling 1.4 cm3', { kind: 'metal from volume', volumeCm3: 1.4, metal: STERLING }],
    ['ring US 7', { kind: 'ring', diameterMm: ringDiameterMm('US', '7') }],
    ['us 7 1/2', { kind: 'ring', diameterMm: ringDiameterMm('US', '7.5') }],
    ['UK N½', { kind: 'ring', diameterMm: ringDiameterMm('UK', 'N½') }],
    ['ring 17.3 mm', { kind: 'ring', diameterMm: 17.3 }],
    ['1350 F', { kind: 'units', unit: 'degC', value: (1350 - 32) / 1.8 }],
    ['30 dwt', { kind: 'units', unit: 'g', value: 30 * 1.55517384 }],
    ['5/16 in', { kind: 'units', unit: 'mm', value: (5 / 16) * 25.4 }],
    ['22 inHg', { kind: 'units', unit: 'kPa' }],
    ['10 g 24 to 14 ct', { kind: 'karat', massG: 10, fromCt: 24, toCt: 14 }],
    ['14 ct to 18 ct, 6 g', { kind: 'karat', massG: 6, fromCt: 14, toCt: 18 }],
    ['print 20 mm 0.05 mm 3 s', { kind: 'print', heightMm: 20, layerMm: 0.05, exposureS: 3, motionS: 6 }],
    ['print 20 mm, 0.05 mm layers, 3 s + 7 s', { kind: 'print', motionS: 7 }],
    ['21:00 + 12:30', { kind: 'pour time', startMin: 1260, hours: 12.5 }],
    ['start 07:15 + 6,5 h', { kind: 'pour time', startMin: 435, hours: 6.5 }],
  ] as [string, Partial<QuickSum>][])('“%s”', (line, sum) => {
    const found = sumOf(line);
    for (const [key, value] of Object.entries(sum)) {
      const got = (found as unknown as Record<string, unknown>)[key];
      if (typeof value === 'number') expect(got).toBeCloseTo(value, 9);
      else expect(got).toEqual(value);
    }
  });
  it.each(['', 'hello', 'flask', 'ring', 'sterling', '12', 'us ninety', '25:00 + 3 h', 'print 20 mm 3 s'])(
    'is not guessed from “%s”',
    (line) => {
      expect(readSum(line, NAMES).status).toBe('unclear');
    },
  );
  it('never throws, whatever is typed', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 40 }), (line) => {
        const found = readSum(line, NAMES);
        expect(['read', 'ask', 'unclear']).toContain(found.status);
      }),
      { seed: 2, numRuns: 300 },
    );
  });
});

describe('what it comes to', () => {
  it('agrees with the mix of a pour', () => {
    const mix = mixSlurry(flaskVolumeMl(76, 102), 12 / 0.95, 0.4);
    expect(answer('flask 76x102 tree 12 g wax')).toMatchObject({
      Powder: `${Math.round(mix.powderG)} g`,
      Water: `${Math.round(mix.waterG)} ml`,
    });
  });
  it('weighs metal for a wax by the ratio of densities and the loss', () => {
    expect(answer('sterling 9,5 g wax')['Weigh, Sterling silver']).toBe(
      `${(10 * 10.357 * 1.01).toFixed(1)} g`,
    );
    expect(answer('sterling 10 ml')['Of this in the casting']).toBe('103.6 g');
  });
  it('names a ring in every system', () => {
    expect(answer('us 7')).toMatchObject({ 'US, Canada': '7', 'Inner diameter': '17.32 mm' });
    expect(Object.keys(answer('us 7'))).toHaveLength(7);
  });
  it('turns units into their relatives', () => {
    expect(answer('1350 F')).toEqual({ Celsius: '732.2 °C', Fahrenheit: '1350 °F' });
    expect(answer('1 ozt')).toMatchObject({ Grams: '31.103 g', Pennyweights: '20 dwt' });
    expect(answer('1 in')).toEqual({ Millimetres: '25.4 mm', Inches: '1 in' });
    expect(answer('22 inHg')).toMatchObject({ 'Inches of mercury': '22 inHg' });
  });
  it('keeps the gold when a karat is changed, up or down', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 200, noNaN: true }),
        fc.double({ min: 1, max: 24, noNaN: true }),
        fc.double({ min: 1, max: 23, noNaN: true }),
        (massG, fromCt, toCt) => {
          const [added, all] = workOut({ kind: 'karat', massG, fromCt, toCt }).lines;
          const value = (l: SumLine | undefined): number => (l && 'quantity' in l ? l.quantity.value : NaN);
          const goldAdded = added!.name === 'Add fine gold' ? value(added) : 0;
          expect((massG * fromCt) / 24 + goldAdded).toBeCloseTo((value(all) * toCt) / 24, 6);
          expect(value(added)).toBeGreaterThanOrEqual(0);
        },
      ),
      { seed: 4, numRuns: 60 },
    );
    expect(answer('10 g 24 to 18 ct')['Add alloy metal']).toBe('3.33 g');
  });
  it('counts layers and hours', () => {
    expect(answer('print 20 mm 0.05 mm 3 s')).toEqual({ 'Prints in': '1 h', Layers: '400' });
  });
  it('goes past midnight', () => {
    expect(answer('21:00 + 12:30')).toEqual({ Pour: '09:30, the next day' });
    expect(answer('07:00 + 2 h')).toEqual({ Pour: '09:00, the same day' });
    expect(answer('07:00 + 60 h')).toEqual({ Pour: '19:00, 2 days later' });
  });
  it('refuses what cannot be', () => {
    const refused: QuickSum[] = [
      { kind: 'slurry', diameterMm: 76, heightMm: 102, treeMl: 900, ratio: 0.4 },
      { kind: 'ring', diameterMm: 90 },
      { kind: 'karat', massG: 10, fromCt: 18, toCt: 24 },
      { kind: 'metal from volume', volumeCm3: 0, metal: STERLING },
    ];
    for (const sum of refused) expect(() => workOut(sum)).toThrow(InputError);
  });
});
