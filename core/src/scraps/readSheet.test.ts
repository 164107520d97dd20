import { describe, expect, it } from 'vitest';
import { findTable, guessSheetColumns, readSheet, SHEET_FIELDS, SHEET_KINDS, type SheetKind } from './index';

/** A sheet as it is pasted, read by its own headings. */
function read(kind: SheetKind, text: string) {
  const table = findTable(text.split('\n').map((line) => line.split('\t')));
  const columns = guessSheetColumns(kind, table.headings);
  return { columns, rows: readSheet(kind, table, columns) };
}

describe('coupons off a notebook', () => {
  const HEAD = 'Date\tResin\tPrinter\tLayer (mm)\tExp s\tBase s\tBase layers\tClass\tFeature mm\tStruts\tSlots\tBase\tNotes'; // prettier-ignore
  it('are read column by column', () => {
    const { columns, rows } = read('coupons', `${HEAD}\n3/9/25\tSkerry Wax 55\tPrinter A\t0,05\t3.2\t25\t6\tfiligree\t0.25\t13 of 16\t15/16\theld\tcold room`); // prettier-ignore
    expect(columns).toEqual(['day', 'resin', 'printer', 'layer', 'exposure', 'baseS', 'baseLayers', 'castClass', 'feature', 'struts', 'slots', 'base', 'note']); // prettier-ignore
    expect(rows).toMatchObject([{ line: 2, lacks: [], unread: [] }]);
    expect(rows[0]!.values).toMatchObject({
      layer: 0.05,
      exposure: 3.2,
      baseS: 25,
      baseLayers: 6,
      castClass: 'filigree',
      struts: { good: 13, of: 16 },
      slots: { good: 15, of: 16 },
      base: 'held',
    });
  });
  it('in µm are as thick as in mm', () => {
    for (const [head, cell] of [['Layer (µm)', '50'], ['Layer', '50 um'], ['Layer', '0.05'], ['Layer', '50 µm']])
      expect([head, cell, read('coupons', `${head}\tExp\n${cell}\t3`).rows[0]!.values['layer']]).toEqual([head, cell, 0.05]);
  }); // prettier-ignore
  it('that lack what a coupon says are named with what they lack; nothing stands in for it', () => {
    const { rows } = read('coupons', 'Resin\tExp\nSkerry\t3.1');
    expect(rows[0]!.lacks).toEqual(['printer', 'base seconds', 'base layers', 'layer height', 'class', 'width of struts and slots', 'struts that stood', 'slots that are open']); // prettier-ignore
    expect(Object.keys(rows[0]!.values)).toEqual(['resin', 'exposure']);
  });
  it('keep a count that is none unread: more than there were, or a number without all', () => {
    const { rows } = read('coupons', 'Struts\tSlots\n17 of 16\t12');
    expect(rows[0]!.unread.map(({ text }) => text)).toEqual(['17 of 16', '12']);
  });
  it('take a slip of the pen for none: 320 s where 3.20 is meant stays in its bounds, 3200 s does not', () => {
    expect(read('coupons', 'Exp\n3200').rows[0]!.unread[0]!.why).toBe('is not read as seconds a layer');
    expect(read('coupons', 'Exp\n-3').rows[0]!.values).toEqual({});
  });
});

describe('sizes off calipers', () => {
  it('may have several readings in a cell, with points or commas, and inches below their heading', () => {
    const sheet = 'Resin\tMeasured on\tAxis\tDrawn mm\tMeasured mm\nSkerry\tcast\tXY\t10\t9,82; 9,84\nSkerry\tprint\tz\t10\t9.95 9.96'; // prettier-ignore
    const { rows } = read('sizes', sheet);
    expect(rows.map(({ values }) => values['measured'])).toEqual([
      [9.82, 9.84],
      [9.95, 9.96],
    ]);
    expect(rows.map(({ values }) => [values['stage'], values['axis']])).toEqual([
      ['cast', 'XY'],
      ['printed', 'Z'],
    ]);
    // “in” within words is no inch.
    expect(read('sizes', 'in the printed file\n10').rows[0]!.values['drawn']).toBe(10);
    const inches = read('sizes', 'Drawn (in)\tMeasured (in)\n0.5\t0.49').rows[0]!.values;
    expect(inches['drawn']).toBeCloseTo(12.7, 9);
    expect((inches['measured'] as number[])[0]).toBeCloseTo(12.446, 9);
  });
  it('one of whose readings is none are not half read', () => {
    expect(read('sizes', 'Measured\n9.8 x 9.9').rows[0]!.values).toEqual({});
  });
});

describe('figures off resin sheets', () => {
  it('say whose they are, for which printer or which light', () => {
    const { rows } = read('resin sheets', 'Resin\tSource\tPrinter\tLayer\tExposure\tBottom exposure s\tBottom layers\tVat °F\nSkerry\tsheet\tPrinter A\t0.05\t2.8\t30\t5\t77'); // prettier-ignore
    expect(rows[0]!.values).toMatchObject({ from: 'maker', exposure: 2.8, baseS: 30, baseLayers: 5 });
    expect(rows[0]!.values['vat']).toBeCloseTo(25, 9);
  });
});

describe('every kind of sheet', () => {
  it.each(SHEET_KINDS)('%s: its own labels are understood as headings, each as its own column', (kind) => {
    const names = Object.keys(SHEET_FIELDS[kind]);
    const headings = names.map((name) => SHEET_FIELDS[kind][name]!.label);
    expect(guessSheetColumns(kind, headings)).toEqual(names);
  });
  it.each(SHEET_KINDS)('%s: blanks and what nobody understands are no values', (kind) => {
    const names = Object.keys(SHEET_FIELDS[kind]);
    const table = { headings: names, rows: [{ line: 2, cells: names.map(() => '  ') }, { line: 3, cells: names.map(() => '§§') }] }; // prettier-ignore
    const [blank, odd] = readSheet(kind, table, names);
    expect(blank).toMatchObject({ values: {}, unread: [] });
    const texts = names.filter((name) => SHEET_FIELDS[kind][name]!.reads.as === 'text');
    expect(Object.keys(odd!.values)).toEqual(texts);
    expect(odd!.unread).toHaveLength(names.length - texts.length);
  });
});
