import { BENCH_RECORD_SCHEMAS, reportedSettingSchema } from '@zero-pour/contracts';
import { findTable, guessSheetColumns, readSheet, type SheetKind } from '@zero-pour/core';
import { createDemoShop } from '@zero-pour/demo';
import { beforeAll, describe, expect, it } from 'vitest';
import { recordsOfSheet, type SheetChoices } from './recordsOfSheet';

let choices: SheetChoices;
beforeAll(async () => {
  const { lists } = (await createDemoShop(new Date('2026-11-24T16:54:00Z'))).file;
  choices = {
    resins: lists.resin,
    printers: lists.printer,
    alloys: lists.alloy,
    noonOf: (day) => `${day}T12:00:00.000Z`,
    newId: () => crypto.randomUUID(),
  };
}, 60_000);
function take(kind: SheetKind, text: string) {
  const table = findTable(text.split('\n').map((line) => line.split('\t')));
  return recordsOfSheet(kind, readSheet(kind, table, guessSheetColumns(kind, table.headings)), choices);
}
const idOf = (list: readonly { id: string; name: string }[], name: string): string => list.find((one) => one.name === name)!.id; // prettier-ignore

describe('old coupons', () => {
  const HEAD =
    'Date\tResin\tPrinter\tLayer\tExp s\tBase s\tBase layers\tClass\tFeature mm\tStruts\tSlots\tVat C';
  const ROW =
    '2025-03-09\tskerry wax 55\tprinter a\t0.05\t3.2\t25\t6\tfiligree\t0.25\t13 of 16\t15 of 16\t24';
  it('are trials like those of today, with what was counted of them and nothing that was not told', () => {
    const { trials, lacks } = take('coupons', `${HEAD}\n${ROW}`);
    expect(lacks).toEqual([[]]);
    const [trial] = trials;
    expect(BENCH_RECORD_SCHEMAS.trial.safeParse(trial).error?.issues).toBeUndefined();
    expect(trial).toMatchObject({
      resinId: idOf(choices.resins, 'Skerry Wax 55'),
      printerId: idOf(choices.printers, 'Printer A'),
      printedAt: '2025-03-09T12:00:00.000Z',
      counts: { filigree: { struts: { good: 13 }, slots: { good: 15 } } },
      coupon: { classes: [{ castClass: 'filigree', featureMm: 0.25, struts: 16, slots: 16 }] },
      roomC: { state: 'not measured' },
      raftMm: null,
      base: null,
      vatC: { state: 'measured', value: 24 },
    });
  });
  it('of a printer or a resin that is not here lack it, and so does one without a day', () => {
    const other = ROW.replace('printer a', 'the old one').replace('2025-03-09', '');
    const { trials, lacks } = take('coupons', `${HEAD}\n${ROW}\n${other}`);
    expect(trials).toHaveLength(1);
    expect(lacks[1]).toEqual(['a printer of the shop that is “the old one”', 'a day']);
  });
});

describe('old sizes', () => {
  const HEAD = 'Date\tResin\tPrinter\tMetal\tMeasured on\tAxis\tDrawn mm\tMeasured mm\tLot\tNotes';
  const row = (day: string, drawn: number, measured: string, note = ''): string =>
    `${day}\tSkerry Wax 55\tPrinter A\tsterling\tcast\tXY\t${drawn}\t${measured}\tB7\t${note}`;
  it('of one day, resin, metal and stage are one series; of another day another', () => {
    const { series, lacks } = take('sizes', [HEAD, row('2025-03-09', 10, '9.82 9.84', 'new calipers'), row('2025-03-09', 20, '19.7'), row('2025-04-01', 10, '9.8')].join('\n')); // prettier-ignore
    expect(lacks).toEqual([[], [], []]);
    expect(series.map(({ pairs }) => pairs.length)).toEqual([2, 1]);
    for (const one of series) expect(BENCH_RECORD_SCHEMAS.sizeSeries.safeParse(one).error?.issues).toBeUndefined(); // prettier-ignore
    expect(series[0]).toMatchObject({
      alloyId: idOf(choices.alloys, 'Sterling silver'),
      stage: 'cast',
      lot: 'B7',
      flaskC: null,
      note: 'new calipers',
      pairs: [{ printMm: 10, readingsMm: [9.82, 9.84] }, { printMm: 20 }],
    });
    expect(new Set(series[0]!.pairs.map(({ key }) => key)).size).toBe(2);
  });
});

describe('figures off resin sheets', () => {
  it('go to their resin, for a printer or for a light; without either they lack it', () => {
    const { figures, lacks } = take('resin sheets', 'Resin\tPrinter\tnm\tLayer\tExposure\nSkerry Wax 55\tPrinter A\t\t0.05\t2.8\nSkerry Wax 55\t\t385\t50 um\t3\nSkerry Wax 55\t\t\t0.05\t3'); // prettier-ignore
    expect(lacks).toEqual([[], [], ['a printer, or a wavelength']]);
    for (const { figure } of figures) expect(reportedSettingSchema.safeParse(figure).error?.issues).toBeUndefined(); // prettier-ignore
    expect(figures.map(({ figure }) => [figure.printerId !== null, figure.wavelengthNm, figure.layerMm, figure.baseExposureS])).toEqual([
      [true, 405, 0.05, null],
      [false, 385, 0.05, null],
    ]); // prettier-ignore
  });
});
