import { CLEAN_SCHOOLS } from '@zero-pour/core';
import { describe, expect, it } from 'vitest';
import {
  emptyPourDoc,
  pouredPrintsSchema,
  pouredSizesListSchema,
  pouredCastsSchema,
  tellCast,
  tellPour,
  tellPrint,
  tellSizes,
  type Casting,
  type Flaw,
  type PourDoc,
} from '../index';

const ID = '5f1c2a30-8a0e-4c55-9d3b-1a2b3c4d5e6f';
const OTHER = '5f1c2a30-8a0e-4c55-9d3b-1a2b3c4d5e70';
const at = (minute: number): string => new Date(Date.UTC(2026, 10, 20, 10, minute)).toISOString();
const pour = (change: (doc: PourDoc) => void) => {
  const doc = emptyPourDoc();
  change(doc);
  return { id: ID, number: 7, doc };
};
const BORE = {
  key: 'held',
  name: 'Bore',
  lineKey: null,
  of: 'bore',
  finishedMm: 17.3,
  holds: true,
} as const;
const PRINTED = { at: at(0), percents: [101, 101, 101] as [number, number, number] };

describe('what a pour tells', () => {
  it('is nothing while nothing has happened', () => {
    expect(tellPour(pour(() => {}))).toEqual({
      print: null,
      sizes: null,
      cast: null,
      castings: [],
      yields: null,
      facts: { words: '', flaws: [], shares: {}, zones: [], castClass: 'standard', powderId: null, programmeId: null, recipeId: null }, // prettier-ignore
    });
  });

  it('of its castings is what they became in the end, how it was poured, and why; of no note', () => {
    const told = tellCast(
      pour((doc) => {
        doc.result.castings = {
          'l1/1': { outcome: 'repairable', finished: 'sellable', flaws: [{ kind: 'nodule', place: 'a secret' }, { kind: 'nodule', place: '' }], photos: [] },
          'l1/2': { flaws: [{ kind: 'misrun', place: '' }], photos: [] },
        };
        doc.result.why = { nodule: { confirmed: 'vacuum', ruledOut: [] } };
        Object.assign(doc.flasks[0]!.pour, { pouredAt: at(0), spilled: true, note: 'a secret' });
      }),
    )!;
    expect(() => pouredCastsSchema.parse([told])).not.toThrow();
    // A piece that nobody has judged yet tells nothing.
    expect(told.castings).toEqual({ 'l1/1': { became: 'sellable', flaws: ['nodule'] } });
    expect(told.flasks[0]!.pour).toEqual({ ran: 'spilled' });
    expect(told.why!.nodule!.confirmed).toBe('vacuum');
    expect(JSON.stringify(told)).not.toContain('secret');
    expect(tellPour(pour((doc) => void (doc.result.castings = { 'l1/1': { outcome: 'scrap', flaws: [], photos: [] } }))).cast!.pouredAt).toBeNull();
  }); // prettier-ignore

  it('of its print fits its schema, and holds nothing that is not told', () => {
    const told = tellPrint(
      pour((doc) => {
        Object.assign(doc.print, { startedAt: at(0), note: 'a secret', spares: 2, pieces: { 'l1/1': { outcome: 'good', note: '' } } });
        doc.result.castings = { 'l1/1': { flaws: [], photos: [], outcome: 'sellable' }, 'l1/2': { flaws: [], photos: [] } };
      }),
    );
    expect(pouredPrintsSchema.parse([told])[0]).toEqual(told);
    expect(told).toMatchObject({ number: 7, spares: 2, washedAt: null, outcomes: { 'l1/1': 'sellable' } });
    expect(JSON.stringify(told)).not.toContain('secret');
    expect(told).not.toHaveProperty('verdicts');
  }); // prettier-ignore

  it('of its gates is where each stood, and nothing where none had a place', () => {
    const gates = (placed: unknown[]) =>
      tellPrint(
        pour((doc) => {
          doc.print.startedAt = at(0);
          const set = { count: 1, diameterMm: 2, lengthMm: 3, placed } as never;
          doc.wayUp.lines = { l1: { gates: set } };
        }),
      )!.gates;
    const one = { key: 'a', placeMm: [0, 0, 1], normal: [0, 0, 1], section: { widthMm: 2, heightMm: 2 } };
    expect(gates([one])).toEqual({ l1: [one] });
    expect(gates([])).toBeUndefined();
  });

  it('of its baths is the end of the last one of the protocol as it began, repeats counted, other steps not', () => {
    const protocol = CLEAN_SCHOOLS[0]!.steps.map((step) => ({ ...step }));
    const bath = protocol.find((step) => step.kind === 'wash')!.key;
    const cure = protocol.find((step) => step.kind === 'cure')!.key;
    const washed = (steps: PourDoc['clean']['steps'], begun = true) =>
      tellPrint(
        pour((doc) => {
          doc.print.startedAt = at(0);
          const lamp = { lampNm: null, litSides: 1, turntable: false, reflector: false, vessel: 'none' as const };
          doc.clean = { steps, ...(begun ? { begun: { name: '', version: 1, protocol, cure: lamp } } : {}) };
        }),
      )?.washedAt;
    const steps = { [bath]: { doneAt: at(10) }, [`${bath}~2`]: { doneAt: at(50) }, [cure]: { doneAt: at(90) } };
    expect(washed(steps)).toBe(at(50));
    expect(washed({ [bath]: { startedAt: at(10) } })).toBeNull();
    expect(washed(steps, false)).toBeNull();
  }); // prettier-ignore

  it('of sizes wants a printed scale, a wanted size, and one that was measured', () => {
    const measured = { held: { cured: { state: 'measured' as const, value: 17.4 } } };
    const told = (change: (doc: PourDoc) => void) =>
      tellSizes(
        pour((doc) => {
          doc.brief.sizes = [BORE];
          doc.scale.printedAs = PRINTED;
          doc.scale.measured = measured;
          change(doc);
        }),
      );
    const full = told(() => {});
    expect(pouredSizesListSchema.parse([full])[0]).toEqual(full);
    expect(full?.at).toBe(PRINTED.at);
    expect(told((doc) => void (doc.flasks[0]!.pour.pouredAt = at(40)))?.at).toBe(at(40));
    expect(told((doc) => void (doc.brief.sizes = []))).toBeNull();
    expect(told((doc) => void delete doc.scale.printedAs)).toBeNull();
    expect(told((doc) => void delete doc.scale.measured)).toBeNull();
    const cast = told((doc) => {
      delete doc.scale.measured;
      doc.result.castings = {
        'l1/1': { flaws: [], photos: [], note: 'a secret', sizes: { held: { cast: { state: 'measured', value: 17.1 } } } },
        'l1/2': { flaws: [], photos: [] },
      };
    });
    expect(cast?.castings).toEqual({ 'l1/1': { held: { cast: { state: 'measured', value: 17.1 } } } });
    expect(JSON.stringify(cast)).not.toContain('secret');
  }); // prettier-ignore

  it('of its castings is what became of each, with its pattern; a line that is gone tells nothing', () => {
    const cast = (outcome: 'sellable' | 'scrap', ...kinds: Flaw['kind'][]): Casting => ({
      outcome,
      flaws: kinds.map((kind) => ({ kind, place: '' })),
      photos: [],
    });
    const { castings, yields } = tellPour(
      pour((doc) => {
        doc.resin.resinId = ID;
        doc.brief.lines = [{ key: 'l2', patternId: OTHER, count: 2 }];
        doc.print.pieces = { 'l2/1': { outcome: 'good', note: '' }, 'l2/2': { outcome: 'lost', note: '' } };
        doc.result = {
          doneAt: at(50),
          castings: { 'l2/1': cast('sellable'), 'l2/3': cast('scrap', 'misrun'), 'l1/1': cast('scrap'), 'l2/4': { flaws: [], photos: [] } },
        };
      }),
    );
    expect(castings).toEqual([
      { piece: 'l2/1', patternId: OTHER, outcome: 'sellable', flaws: [] },
      { piece: 'l2/3', patternId: OTHER, outcome: 'scrap', flaws: ['misrun'] },
    ]);
    expect(yields).toEqual({ resinId: ID, castClass: 'standard', printedGood: 1, printedOf: 2, castGood: 1, castOf: 3 });
  }); // prettier-ignore
});
