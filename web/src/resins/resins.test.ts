import { BENCH_RECORD_SCHEMAS, emptyRecords, usualProfile, type Profile } from '@zero-pour/contracts';
import { standing } from '@zero-pour/core';
import { comparable, NOTHING_PRINTED, plateChoice } from '@zero-pour/plan';
import { describe, expect, it } from 'vitest';
import { NOW, PRINTER, RESIN, THINGS, uuid } from '../testing/resinThings';
import { readDiscs } from './curve/readDiscs';
import { rankingColumns } from './ranking/rankingColumns';
import { sideBySide, summarise } from './testset/gradeSummary';
import { newPiece, newRun } from './testset/newRun';

describe('discs as they are pasted', () => {
  it.each([
    ['10\t0.061\n15\t0.102', 'tabs'],
    ['mJ;mm\n10;0,061\n15;0,102', 'semicolons and decimal commas under a heading'],
    ['10   0.061\n\n15 0.102\n', 'blanks and empty lines'],
  ])('%j (%s)', (text) => {
    expect(readDiscs(text, null)).toEqual({
      status: 'read',
      discs: [
        { energyMjPerCm2: 10, depthMm: 0.061 },
        { energyMjPerCm2: 15, depthMm: 0.102 },
      ],
    });
  });
  it('become energy by the light of the printer', () => {
    const read = readDiscs('4 0.061', 2.5);
    expect(read.status === 'read' && read.discs[0]!.energyMjPerCm2).toBeCloseTo(10, 12);
  });
  it.each(['', '10', 'ten 0.06\nmany words', '10 0.06\n15 -0.1'])('are refused with the line: %j', (text) => {
    expect(readDiscs(text, null).status).toBe('unreadable');
  });
});

describe('test set', () => {
  const patterns = [{ id: uuid(20), name: 'Whelk bead' }] as never;
  const run = newRun(
    THINGS,
    { profile: undefined, exposureS: 2.6 },
    [
      { patternId: uuid(20), castClass: 'standard' },
      { patternId: uuid(21), castClass: 'heavy' },
    ],
    patterns,
    3,
    NOW,
  );
  it('is every part that is still there, so many times', () => {
    expect(BENCH_RECORD_SCHEMAS.testSetRun.safeParse(run).error?.issues).toBeUndefined();
    expect(run.pieces.map((p) => [p.name, p.castClass, p.print])).toEqual(
      Array(3).fill(['Whelk bead', 'standard', null]),
    );
    expect(new Set(run.pieces.map((p) => p.key)).size).toBe(3);
  });
  it('is summed by class, prints and casts apart', () => {
    const graded = {
      ...run,
      pieces: run.pieces.map((p, i) => ({
        ...p,
        print: i === 0 ? ('missing' as const) : ('whole' as const),
        cast: i === 2 ? ('good' as const) : null,
      })),
    };
    expect(summarise([graded])).toMatchObject([
      {
        castClass: 'standard',
        prints: { good: 2, of: 3 },
        casts: { good: 1, of: 1 },
        printsSay: { lead: 'Too few to say.' },
      },
    ]);
    expect(summarise([])).toEqual([]);
  });
  it('shows one part in each resin by its newest run', () => {
    const older = { ...run, id: uuid(31), printedAt: '2026-01-01T00:00:00.000Z' };
    const other = { ...run, id: uuid(32), resinId: uuid(5), printedAt: '2026-06-01T00:00:00.000Z' };
    const shown = sideBySide([run, older, other], uuid(20));
    expect(shown.map((s) => s.run.id).sort()).toEqual([run.id, other.id].sort());
    expect(shown[0]!.pieces).toHaveLength(3);
    expect(sideBySide([run], uuid(99))).toEqual([]);
  });
  it('has pieces without a pattern too', () => {
    expect(newPiece(undefined, 'heavy', 1.2)).toMatchObject({ patternId: null, thinnestMm: 1.2 });
  });
});

describe('comparing', () => {
  const profile: Profile = { ...usualProfile(RESIN, PRINTER, 'filigree'), id: uuid(9) };
  const lists = {
    resin: [RESIN],
    printer: [PRINTER],
    profile: [profile, { ...profile, id: uuid(10), replaced: true }],
  } as never;
  const none = emptyRecords();
  it('takes standing profiles of castable resins, with what is usual for the class before any record', () => {
    const [only, ...rest] = comparable(lists, none, []);
    expect(rest).toEqual([]);
    const choice = plateChoice(only!, NOTHING_PRINTED, 12, 0.5);
    expect(choice.burnoutH).toBe(12);
    // 15 of 20 by the book, with the prior's one and one.
    expect(choice.printYield).toBeCloseTo(16 / 22, 9);
    expect(choice.castYield).toBeCloseTo(18 / 22, 9);
    expect(only!.byBook).toBe(true);
  });
  it('takes no resin that cannot be burnt out', () => {
    const master = { ...RESIN, forBurnout: false };
    expect(
      comparable({ resin: [master], printer: [PRINTER], profile: [profile] } as never, none, []),
    ).toEqual([]);
  });
});

describe('ranking', () => {
  const sortOf = (key: string) => {
    const column = rankingColumns.find((c) => c.key === key);
    if (!column || !('sort' in column)) throw new Error(key);
    return column.sort as (a: unknown, b: unknown) => number;
  };
  it('puts the surer yield first and what is not known last', () => {
    expect(sortOf('prints')(standing({ good: 40, of: 42 }), standing({ good: 3, of: 3 }))).toBeLessThan(0);
    expect(sortOf('hours')(undefined, 2)).toBeGreaterThan(0);
    expect(sortOf('hours')(1, 2)).toBeLessThan(0);
    expect(sortOf('finest')({ q50Mm: 0.2 }, { q50Mm: 0.4 })).toBeLessThan(0);
  });
});
