import { describe, expect, it } from 'vitest';
import { ringDiameterMm } from '../scale';
import { readSum, type KnownNames } from './index';

const metal = (name: string, densityGPerCm3 = 10) => ({ name, densityGPerCm3, lossPercent: 1 });
const NAMES: KnownNames = {
  metals: ['Sterling silver', 'Fine silver', '14 ct yellow gold', '14 ct rose gold', '18 ct yellow gold', 'Silicon bronze', 'Platinum 950'].map((name) => metal(name)),
  resins: [
    { name: 'Skerry Wax 55', densityGPerMl: 1.08 },
    { name: 'Brine Clear-Out', densityGPerMl: 1.15 },
  ],
}; // prettier-ignore

/** What a line comes to, in a few words. */
function told(line: string, names = NAMES): string {
  const found = readSum(line, names);
  if (found.status === 'unclear') return `? ${found.why}`;
  if (found.status === 'ask') return `ask ${found.lines.join(' | ')}`;
  const { sum } = found;
  const n = (value: number): string => String(Number(value.toFixed(3)));
  switch (sum.kind) {
    case 'slurry':
      return `${sum.flasks ? `${sum.flasks} of ` : ''}flask ${n(sum.diameterMm)}x${n(sum.heightMm)} tree ${n(sum.treeMl)} ml at ${n(sum.ratio)}${sum.boricPercent === undefined ? '' : ` boric ${sum.boricPercent}`}`;
    case 'metal from weight':
      return `${sum.metal.name}: ${n(sum.modelG)} g at ${sum.modelGPerMl}`;
    case 'metal from volume':
      return `${sum.metal.name}: ${n(sum.volumeCm3)} ml`;
    case 'ring':
      return `ring ${n(sum.diameterMm)}`;
    case 'units':
      return `${n(sum.value)} ${sum.unit}`;
    case 'karat':
      return `${n(sum.massG)} g from ${sum.fromCt} to ${sum.toCt}`;
    case 'print':
      return `print ${n(sum.heightMm)} in ${n(sum.layerMm)}, ${sum.exposureS} + ${sum.motionS} s`;
    case 'pour time':
      return `${sum.startMin} min + ${n(sum.hours)} h`;
  }
}
const us = (size: string): string => `ring ${Number(ringDiameterMm('US', size).toFixed(3))}`;
const uk = (size: string): string => `ring ${Number(ringDiameterMm('UK', size).toFixed(3))}`;

const LINES: [string, string][] = [
  // Metal for a wax or a print.
  ['sterling 12 g wax', 'Sterling silver: 12 g at 0.95'],
  ['12 g wax sterling', 'Sterling silver: 12 g at 0.95'],
  ['12g wax in sterling', 'Sterling silver: 12 g at 0.95'],
  ['12 grams of wax in sterling', 'Sterling silver: 12 g at 0.95'],
  ['12 g of wax in sterling please', 'Sterling silver: 12 g at 0.95'],
  ['wax 12 g sterling silver', 'Sterling silver: 12 g at 0.95'],
  ['STERLING 12 G WAX', 'Sterling silver: 12 g at 0.95'],
  ['sterling 12,5 g wax', 'Sterling silver: 12.5 g at 0.95'],
  ['sterling 1,250 g wax', 'Sterling silver: 1250 g at 0.95'],
  ['sterling 0,250 g wax', 'Sterling silver: 0.25 g at 0.95'],
  ['sterling 8 dwt wax', 'Sterling silver: 12.441 g at 0.95'],
  ['18k gold 14 g wax', '18 ct yellow gold: 14 g at 0.95'],
  ['18 k gold 14 g wax', '18 ct yellow gold: 14 g at 0.95'],
  ['18ct gold, 14 g wax', '18 ct yellow gold: 14 g at 0.95'],
  ['18 karat gold 14 g wax', '18 ct yellow gold: 14 g at 0.95'],
  ['18 ct yellow gold 14 g wax', '18 ct yellow gold: 14 g at 0.95'],
  ['14 g wax for 18k', '18 ct yellow gold: 14 g at 0.95'],
  ['platinum 12 g wax', 'Platinum 950: 12 g at 0.95'],
  ['pt 12 g wax', 'Platinum 950: 12 g at 0.95'],
  ['bronze 40 g wax', 'Silicon bronze: 40 g at 0.95'],
  ['rose gold 14 g wax', '14 ct rose gold: 14 g at 0.95'],
  ['pink gold 14 g wax', '14 ct rose gold: 14 g at 0.95'],
  ['14k rose 14 g wax', '14 ct rose gold: 14 g at 0.95'],
  ['fine silver 3 g wax', 'Fine silver: 3 g at 0.95'],
  ['silver 12 g wax', 'ask Sterling silver 12 g wax | Fine silver 12 g wax'],
  ['14k 12 g wax', 'ask 14 ct yellow gold 12 g wax | 14 ct rose gold 12 g wax'],
  ['12 g wax to 14k', 'ask 14 ct yellow gold 12 g wax to | 14 ct rose gold 12 g wax to'],
  ['14 ct yellow gold 12 g wax to', '14 ct yellow gold: 12 g at 0.95'],
  ['yellow gold 12 g wax', 'ask 14 ct yellow gold 12 g wax | 18 ct yellow gold 12 g wax'],
  ['gold 12 g wax', 'ask 14 ct yellow gold 12 g wax | 14 ct rose gold 12 g wax | 18 ct yellow gold 12 g wax'],
  [
    '9ct yellow gold 18 g wax',
    '? No metal of the shop is 9 ct yellow gold. Add it, or choose one of its metals below.',
  ],
  ['22k 5 g wax', '? No metal of the shop is 22 ct. Add it, or choose one of its metals below.'],
  ['palladium 12 g wax', '? No metal of the shop is palladium. Add it, or choose one of its metals below.'],
  [
    '18k white gold 14 g wax',
    '? No metal of the shop is 18 ct white gold. Add it, or choose one of its metals below.',
  ],
  ['sterling 10 g resin', 'ask Skerry Wax 55 sterling 10 g | Brine Clear-Out sterling 10 g'],
  ['Skerry Wax 55 sterling 10 g', 'Sterling silver: 10 g at 1.08'],
  ['sterling 10 g print in Brine', 'Sterling silver: 10 g at 1.15'],
  ['sterling from a 10,8 g print in Skerry Wax 55', 'Sterling silver: 10.8 g at 1.08'],
  ['sterling 10 g brine clear-out', 'Sterling silver: 10 g at 1.15'],
  ['sterling 10 g skerry', 'Sterling silver: 10 g at 1.08'],
  ['sterling 12 g', 'ask sterling 12 g wax | sterling 12 g Skerry Wax 55 | sterling 12 g Brine Clear-Out'],
  ['sterling 10 oz wax', 'ask sterling 10 ozt wax | sterling 283.495 g wax'],
  ['sterling 10 ozt wax', 'Sterling silver: 311.035 g at 0.95'],
  ['sterling 1.4 cm3', 'Sterling silver: 1.4 ml'],
  ['sterling 1.4 cm³', 'Sterling silver: 1.4 ml'],
  ['sterling 2 ml', 'Sterling silver: 2 ml'],
  ['2 cc of sterling', 'Sterling silver: 2 ml'],
  ['18k 0.8 ml', '18 ct yellow gold: 0.8 ml'],
  ['sterling 12 g wax 3 g wax', '? Two numbers for the weight: which?'],
  ['sterling', '? Sterling silver: for how many grams of wax, or ml?'],
  ['sterling wax', '? Sterling silver: for how many grams of wax, or ml?'],
  ['foo sterling 12 g wax', '? What is “foo”? The rest is Sterling silver · 12 g of wax.'],
  ['sterling 12 g wax twice', '? What is “twice”? The rest is Sterling silver · 12 g of wax.'],
  ['sterling -5 g wax', '? It cannot be less than nothing.'],
  ['sterling 12-15 g wax', '? That is a range: give one number.'],
  ['sterling 1e3 g wax', 'Sterling silver: 1000 g at 0.95'],
  // Flasks.
  ['flask 76x102 tree 12 g wax', 'flask 76x102 tree 12.632 ml at 0.4'],
  ['76 × 102', 'flask 76x102 tree 0 ml at 0.4'],
  ['76 by 102', 'flask 76x102 tree 0 ml at 0.4'],
  ['76x102', 'flask 76x102 tree 0 ml at 0.4'],
  ['76 x 102 mm', 'flask 76x102 tree 0 ml at 0.4'],
  ['flask 90mm x 120mm tree 15 ml ratio 0.38', 'flask 90x120 tree 15 ml at 0.38'],
  ['flask 9cm x 12cm', 'flask 90x120 tree 0 ml at 0.4'],
  ['flask 3x4 in', 'flask 76.2x101.6 tree 0 ml at 0.4'],
  ['flask 3 x 4 inch', 'flask 76.2x101.6 tree 0 ml at 0.4'],
  ['flask 3 1/2 x 4 in', 'flask 88.9x101.6 tree 0 ml at 0.4'],
  ['3½ x 4 in', 'flask 88.9x101.6 tree 0 ml at 0.4'],
  ['flask 64x76 tree 8 ml ratio 0,38', 'flask 64x76 tree 8 ml at 0.38'],
  ['76x102 ratio 38', 'flask 76x102 tree 0 ml at 0.38'],
  ['76x102 ratio .38', 'flask 76x102 tree 0 ml at 0.38'],
  ['76x102 40%', 'flask 76x102 tree 0 ml at 0.4'],
  ['76x102 38 %', 'flask 76x102 tree 0 ml at 0.38'],
  ['76x102 38:100', 'flask 76x102 tree 0 ml at 0.38'],
  ['76x102 water 42', 'flask 76x102 tree 0 ml at 0.42'],
  ['76x102 boric 1%', 'flask 76x102 tree 0 ml at 0.4 boric 1'],
  ['76x102 ratio 0.38 boric acid 2 %', 'flask 76x102 tree 0 ml at 0.38 boric 2'],
  ['76x102 38% boric 1%', 'flask 76x102 tree 0 ml at 0.38 boric 1'],
  ['76x102 boric', '? How many percent of boric acid?'],
  ['2 flasks 76x102', '2 of flask 76x102 tree 0 ml at 0.4'],
  ['3 flasks 64 by 76, tree 8 ml each', '3 of flask 64x76 tree 8 ml at 0.4'],
  ['flask 64x76 tree 11.5 g Brine', 'flask 64x76 tree 10 ml at 0.4'],
  ['flask 64x76 tree 10.8 g skerry', 'flask 64x76 tree 10 ml at 0.4'],
  [
    'flask 64x76 tree 10 g resin',
    'ask Skerry Wax 55 flask 64x76 tree 10 g | Brine Clear-Out flask 64x76 tree 10 g',
  ],
  ['flask 64x76 tree 9.5 g', 'flask 64x76 tree 10 ml at 0.4'],
  ['0x10', '? A flask has two sides in mm or inches.'],
  ['flask 76x', '? Not clear yet: what is “x”?'],
  ['flask', '? Not clear yet: name a metal, a flask, a ring, a print, or a unit.'],
  [
    'flask 76x102 tree 12 g wax extra',
    '? What is “extra”? The rest is flask 76 × 102 mm · tree 12 g of wax · water to powder 0.4, as usual.',
  ],
  // Rings.
  ['ring US 7', us('7')],
  ['us 7', us('7')],
  ['US 7.5', us('7.5')],
  ['us 7 1/2', us('7.5')],
  ['us 7½', us('7.5')],
  ['us 7 ½', us('7.5')],
  ['US 6 3/4', us('6.75')],
  ['US 6¾', us('6.75')],
  ['US 6-3/4', us('6.75')],
  ['US 7 1/4', us('7.25')],
  ['US size 7', us('7')],
  ['ring size us 7', us('7')],
  ['finger US 10,5', us('10.5')],
  ['UK N½', uk('N½')],
  ['uk n 1/2', uk('N½')],
  ['uk Z+1', uk('Z+1')],
  ['ISO 54', `ring ${Number((54 / Math.PI).toFixed(3))}`],
  ['eu 54', `ring ${Number((54 / Math.PI).toFixed(3))}`],
  ['jp 13', 'ring 17'],
  ['ch 14', `ring ${Number((54 / Math.PI).toFixed(3))}`],
  ['ring 17.3 mm', 'ring 17.3'],
  ['17,3 mm ring', 'ring 17.3'],
  ['ring 0.68 in', 'ring 17.272'],
  ['us ninety', '? “ninety” is not a US ring size.'],
  ['us 99', '? “99” is not a US ring size.'],
  ['us 7 0x10', '? A flask has two sides in mm or inches.'],
  ['7 1/4', 'ask US 7 1/4 | 7 1/4 in'],
  ['7½', 'ask US 7½ | 7½ in'],
  ['ring', '? Not clear yet: name a metal, a flask, a ring, a print, or a unit.'],
  // Units.
  ['1350 F', '732.222 degC'],
  ['1350F', '732.222 degC'],
  ['1350 °F', '732.222 degC'],
  ['1,350 F', '732.222 degC'],
  ['732 C', '732 degC'],
  ['-5 C', '-5 degC'],
  ['-5 g', '? It cannot be less than nothing.'],
  ['30 dwt', '46.655 g'],
  ['12 grams', '12 g'],
  ['12 gram', '12 g'],
  ['1 kg', '1000 g'],
  ['1e3 g', '1000 g'],
  ['1,250 g', '1250 g'],
  ['12,5 g', '12.5 g'],
  ['1.5 ozt', '46.655 g'],
  ['10 oz', 'ask 10 ozt | 283.495 g'],
  ['12-15 g', '? That is a range: give one number.'],
  ['12–15 g', '? That is a range: give one number.'],
  ['5/16 in', '7.938 mm'],
  ['1 1/16 in', '26.987 mm'],
  ['1 in', '25.4 mm'],
  ['2 inches', '50.8 mm'],
  ['2.5 cm', '25 mm'],
  ['50 µm', '0.05 mm'],
  ['50 um', '0.05 mm'],
  ['50 microns', '0.05 mm'],
  ['22 inHg', '74.501 kPa'],
  ['75 kPa', '75 kPa'],
  ['1 bar', '100 kPa'],
  ['12 g 30 dwt', '? Not clear yet: name a metal, a flask, a ring, a print, or a unit.'],
  // Gold, from one fineness to another.
  ['10 g 24 to 14 ct', '10 g from 24 to 14'],
  ['10 g fine gold to 14k', '10 g from 24 to 14'],
  ['14 ct to 18 ct, 6 g', '6 g from 14 to 18'],
  ['6 g 14k to 18k', '6 g from 14 to 18'],
  ['6 g 14k → 18k', '6 g from 14 to 18'],
  ['6 g 14k gold to 18k', '6 g from 14 to 18'],
  ['14-18 ct 6 g', '6 g from 14 to 18'],
  ['10 dwt 18k into 14k', '15.552 g from 18 to 14'],
  ['14k to 18k', '? How many grams of it?'],
  // Prints.
  ['print 20 mm 0.05 mm 3 s', 'print 20 in 0.05, 3 + 6 s'],
  ['print 20 mm, 0.05 mm layers, 3 s + 7 s', 'print 20 in 0.05, 3 + 7 s'],
  ['print 20 mm 50 µm 3 s', 'print 20 in 0.05, 3 + 6 s'],
  ['print 1 in 50 µm 3 s', 'print 25.4 in 0.05, 3 + 6 s'],
  ['print 2 cm high in 50 microns, 3,5 sec', 'print 20 in 0.05, 3.5 + 6 s'],
  ['print 20 mm 3 s', '? A print has a height and a layer height.'],
  // Pour times.
  ['21:00 + 12:30', '1260 min + 12.5 h'],
  ['start 07:15 + 6,5 h', '435 min + 6.5 h'],
  ['7:30 + 14h 30', '450 min + 14.5 h'],
  ['7:30 + 14 h 30 min', '450 min + 14.5 h'],
  ['7:30 + 90 min', '450 min + 1.5 h'],
  ['7:30 + 12', '450 min + 12 h'],
  ['25:00 + 3 h', '? “25:00” is no time of day.'],
  // Nothing that is clear.
  ['hello', '? Not clear yet: what is “hello”?'],
  ['12', '? Not clear yet: name a metal, a flask, a ring, a print, or a unit.'],
  ['', '? '],
];

describe('a line as people type it', () => {
  it.each(LINES)('“%s” is %s', (line, wanted) => {
    const got = told(line);
    if (wanted.startsWith('?')) expect(got.slice(0, wanted.length)).toBe(wanted);
    else expect(got).toBe(wanted);
  });
  it('is tried in more than 150 ways', () => {
    expect(LINES.length).toBeGreaterThan(150);
  });
  it('echoes every part as it was understood', () => {
    const echo = (line: string): string => {
      const found = readSum(line, NAMES);
      return found.status === 'read' ? found.echo.join(' · ') : found.status;
    };
    expect(echo('14 ct yellow gold 12 g wax')).toBe('14 ct yellow gold · 12 g of wax');
    expect(echo('2 flasks 3x4 in tree 10 ml 38% boric 1%')).toBe('2 flasks · flask 76.2 × 101.6 mm · tree 10 ml · water to powder 0.38 · boric acid 1 % of the powder');
    expect(echo('US 7 1/4')).toBe('ring US 7 1/4');
  });
  it('has no resin’s density to guess from in an empty shop', () => {
    expect(told('sterling 10 g resin', { metals: NAMES.metals, resins: [] })).toContain('No resin is in the shop');
    expect(told('sterling 10 g wax', { metals: [], resins: [] })).toContain('No metal of the shop is sterling');
  });
}); // prettier-ignore
