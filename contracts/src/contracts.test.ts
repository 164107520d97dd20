import { readFileSync } from 'node:fs';
import { MESH_ERROR_CODES } from '@zero-pour/core';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  applyChanges,
  changesSchema,
  emptyPourDoc,
  ERRORS,
  errorSentence,
  parseOrRefuse,
  pourDocSchema,
  readingSchema,
  Refusal,
  repeatPourDoc,
  SHOP_ITEM_SCHEMAS,
  valueAt,
  type FieldChange,
  type PourDoc,
  emptyFlask,
} from './index';

const ID = '5f1c2a30-8a0e-4c55-9d3b-1a2b3c4d5e6f';

describe('refusals', () => {
  const docs = readFileSync(new URL('../../docs/errors.md', import.meta.url), 'utf8');
  it.each(Object.entries(ERRORS))('%s is documented with its own words', (code, { sentence, status }) => {
    expect(docs).toContain(`| ${code} | ${status} | ${sentence} |`);
  });
  it('documents nothing else', () => {
    expect(docs.match(/^\| [A-Z_]+ \|/gm)).toHaveLength(Object.keys(ERRORS).length);
  });
  it('has a sentence for everything that core refuses', () => {
    for (const code of MESH_ERROR_CODES) expect(ERRORS[code].status).toBe(422);
  });
  it('fills its blanks, and never leaves one open', () => {
    expect(errorSentence('MESH_COUNT_MISMATCH', { stated: 5, present: 4 })).toContain(
      'says 5 triangles but holds 4',
    );
    for (const code of Object.keys(ERRORS) as (keyof typeof ERRORS)[])
      expect(errorSentence(code)).not.toMatch(/[{}]/);
  });
  it('names the place of what does not parse', () => {
    const refuse = () =>
      parseOrRefuse(pourDocSchema, { ...emptyPourDoc(), scale: { way: 'chain', own: {}, skinMm: -1 } });
    expect(refuse).toThrow(Refusal);
    expect(refuse).toThrow(/scale › skin mm/);
  });
});

describe('borders', () => {
  it('refuse unknown keys', () => {
    expect(pourDocSchema.safeParse({ ...emptyPourDoc(), extra: 1 }).success).toBe(false);
    expect(
      readingSchema('Room', 'degC', [-30, 60]).safeParse({ state: 'not measured', value: 3 }).success,
    ).toBe(false);
  });
  it('hold a powder’s usual ratio between its least and most', () => {
    const powder = {
      id: ID,
      name: 'x',
      grade: 'resin',
      ratioLeast: 0.38,
      ratioUsual: 0.5,
      ratioMost: 0.42,
      workingMinAt22C: 9,
      setH: 2,
      ceilingC: 750,
      pricePerKg: 0,
      note: '',
    };
    expect(SHOP_ITEM_SCHEMAS.powder.safeParse(powder).success).toBe(false);
    expect(SHOP_ITEM_SCHEMAS.powder.safeParse({ ...powder, ratioUsual: 0.4 }).success).toBe(true);
  });
});

describe('changes of a pour', () => {
  const change = (path: string[], value: FieldChange['value']): FieldChange => ({ path, value });

  it('set, replace and take away single fields and leave the rest alone', () => {
    const doc = emptyPourDoc();
    const set = applyChanges(doc, [
      change(['flasks', 'f1', 'sprue', 'flaskId'], ID),
      change(['brief', 'lines', 'l1'], { key: 'l1', patternId: ID, count: 2 }),
      change(['brief', 'lines', 'l2'], { key: 'l2', patternId: ID, count: 2 }),
      change(['brief', 'lines', 'l1'], null),
      change(['brief', 'lines', 'l2', 'count'], 5),
      change(['print', 'pieces', 'l1/3'], { outcome: 'good', note: '' }),
    ]);
    expect(set).toMatchObject({
      brief: { lines: [{ key: 'l2', patternId: ID, count: 5 }] },
      flasks: [{ key: 'f1', sprue: { flaskId: ID, tiltDeg: 45 } }],
      print: { spares: 0, pieces: { 'l1/3': { outcome: 'good' } } },
    });
    expect(
      pourDocSchema.parse(applyChanges(set as PourDoc, [change(['flasks', 'f1', 'sprue', 'flaskId'], null)]))
        .flasks[0]!.sprue,
    ).not.toHaveProperty('flaskId');
    expect(doc).toEqual(emptyPourDoc());
  });

  it('are undone by setting what stood there', () => {
    const begun = (): PourDoc => {
      const doc = emptyPourDoc();
      return { ...doc, brief: { ...doc.brief, lines: [{ key: 'l1', patternId: ID, count: 2 }] } };
    };
    const paths = fc.constantFrom<string[]>(
      ['brief', 'note'],
      ['scale', 'percent'],
      ['invest', 'boric', 'percent'],
      ['flasks', 'f1', 'pour', 'flaskRead'],
      ['brief', 'lines', 'l1', 'order'],
    );
    const values = fc.constantFrom<FieldChange['value']>(null, 3, 'x', { state: 'guessed', value: 500 });
    fc.assert(
      fc.property(fc.array(fc.tuple(paths, values), { maxLength: 8 }), (steps) => {
        let doc = begun();
        const undo: FieldChange[] = [];
        for (const [path, value] of steps) {
          undo.unshift(change(path, valueAt(doc, path) as FieldChange['value']));
          doc = applyChanges(doc, [change(path, value)]) as PourDoc;
        }
        expect(applyChanges(doc, undo)).toEqual(begun());
      }),
      { seed: 3 },
    );
  });

  it('cannot reach outside the document', () => {
    const bad = (path: string[]) => changesSchema.safeParse({ changes: [{ path, value: 1 }] }).success;
    expect([
      bad(['__proto__', 'x']),
      bad(['brief', '__proto__']),
      bad([]),
      bad(['a', 'b', 'c', 'd', 'e', 'f', 'g']),
    ]).toEqual([false, false, false, false]);
    expect(({} as { x?: number }).x).toBeUndefined();
  });
});

describe('same again, but …', () => {
  it('keeps the plan, drops what happened, states the change', () => {
    const doc: PourDoc = {
      ...emptyPourDoc(),
      brief: { ...emptyPourDoc().brief, zeroAt: '2026-11-20T09:00:00.000Z', alloyId: ID },
      invest: { ...emptyPourDoc().invest, powderId: ID, ratio: 0.41, powderInAt: '2026-11-19T10:00:00.000Z' },
      flasks: [
        {
          key: 'f1',
          pieces: ['l1/2'],
          filledAt: '2026-11-19T11:00:00.000Z',
          sprue: { ...emptyFlask('f1').sprue, flaskId: ID, doneAt: '2026-11-19T09:00:00.000Z' },
          pour: { flaskTempC: 590, pouredAt: '2026-11-20T09:00:00.000Z' },
        },
      ],
      happenings: [{ key: 'h1', kind: 'power lost', at: '2026-11-20T03:00:00.000Z', note: '' }],
      result: {
        castings: { 'l1/1': { outcome: 'scrap', flaws: [], photos: [] } },
        doneAt: '2026-11-20T12:00:00.000Z',
      },
    };
    const again = pourDocSchema.parse(repeatPourDoc(doc, 22, 'Flask at 590 °C'));
    expect(again.brief).toMatchObject({ alloyId: ID, againOf: 22, statedChange: 'Flask at 590 °C' });
    expect(again.brief.zeroAt).toBeUndefined();
    expect(again.happenings).toEqual([]);
    expect(again.flasks).toEqual([
      {
        key: 'f1',
        pieces: ['l1/2'],
        sprue: { ...emptyFlask('f1').sprue, flaskId: ID },
        pour: { flaskTempC: 590 },
      },
    ]);
    expect(again.invest).toEqual({
      powderId: ID,
      ratio: 0.41,
      boric: { school: 'none', percent: 1 },
      steps: {},
    });
    expect(again.result).toEqual({ castings: {} });
  });
});
