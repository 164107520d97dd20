import { describe, expect, it } from 'vitest';
import {
  applyChanges,
  emptyPourDoc,
  pourDocSchema,
  upgradeChanges,
  type FieldChange,
  type PourDoc,
} from '../../index';

const A = '5f1c2a30-8a0e-4c55-9d3b-1a2b3c4d5e01';
const B = '5f1c2a30-8a0e-4c55-9d3b-1a2b3c4d5e02';
const SEGMENTS = [{ name: 'Burn', hands: [{ afterH: 2, what: 'Turn' }] }];

/** Two lines of two, one spare of each; A stands on its side. */
function doc(): PourDoc {
  const empty = emptyPourDoc();
  return {
    ...empty,
    brief: {
      ...empty.brief,
      lines: [
        { key: 'l1', patternId: A, count: 2 },
        { key: 'l2', patternId: B, count: 2 },
      ],
    },
    print: { spares: 1, pieces: {} },
  };
}
/** What changes typed into version 1 come to: paths with their values. */
const typed = (...changes: [path: string[], value: unknown][]): [string, unknown][] =>
  upgradeChanges(
    changes.map(([path, value]) => ({ path, value }) as FieldChange),
    doc(),
    { segments: SEGMENTS },
  ).map(({ path, value }) => [path.join(' › '), value]);

describe('a change that waited since version 1', () => {
  const good = { outcome: 'good', note: '' };
  it.each([
    [['print', 'pieces', '4'], good, [['print › pieces › l2/1', good]]],
    [['print', 'pieces', '4', 'note'], 'x', [['print › pieces › l2/1 › note', 'x']]],
    [['print', 'pieces'], { 1: good, 6: good }, [['print › pieces', { 'l1/1': good, 'l2/3': good }]]],
    [['clean', 'pieces', '2'], null, [['clean › pieces › l1/2', null]]],
    [['result', 'castings', '3'], good, [['result › castings › l2/1', good]]],
    [['sprue', 'flaskId'], A, [['flasks › f1 › sprue › flaskId', A]]],
    [['pour', 'steps', 'melt'], {}, [['flasks › f1 › pour › steps › melt', {}]]],
    [['burnout', 'hands', '0'], 'at', [['burnout › hands › Burn › Turn', 'at']]],
    [['wayUp', 'rotations', B], { xDeg: 3 }, [['wayUp › lines › l2 › rotation', { xDeg: 3 }]]],
    [['wayUp', 'supported'], [B], [['wayUp › lines › l1 › supported', null], ['wayUp › lines › l2 › supported', true]]],
    [['wayUp', 'cut', A], { islands: 1 }, []],
    [['invest', 'ratio'], 0.4, [['invest › ratio', 0.4]]],
  ] as [string[], unknown, [string, unknown][]][])('at %j', (path, value, expected) => {
    expect(typed([path, value])).toEqual(expected);
  }); // prettier-ignore

  it('of the brief’s list keeps the keys of the lines that stay', () => {
    const list = [{ patternId: B, count: 5 }, { patternId: A, count: 2 }, { patternId: A, count: 1 }]; // prettier-ignore
    expect(typed([['brief', 'patterns'], list])).toEqual([
      ['brief › lines', [
        { key: 'l2', patternId: B, count: 5 },
        { key: 'l1', patternId: A, count: 2 },
        { key: 'l3', patternId: A, count: 1 },
      ]],
    ]); // prettier-ignore
  });

  it('is read over what the changes before it made', () => {
    const list = [{ patternId: A, count: 1 }, { patternId: B, count: 2 }]; // prettier-ignore
    // With one of A and its spare, the third piece is B's first.
    expect(typed([['brief', 'patterns'], list], [['print', 'pieces', '3'], good])[1]).toEqual([
      'print › pieces › l2/1',
      good,
    ]);
  });

  it('leaves a document that reads, whatever it was', () => {
    const changes = [
      { path: ['print', 'pieces', '99'], value: good },
      { path: ['brief', 'patterns'], value: [{ patternId: B, count: 2 }] },
      { path: ['brief', 'sizes'], value: [{ key: 'k', name: '', patternId: B, of: 'bore', finishedMm: 17, holds: true }] },
    ] as FieldChange[];
    const made = pourDocSchema.parse(applyChanges(doc(), upgradeChanges(changes, doc())));
    expect(made.brief.sizes[0]!.lineKey).toBe('l2');
    expect(Object.keys(made.print.pieces)).toHaveLength(1);
  }); // prettier-ignore
});

it('a change of today is left as it is', () => {
  const change: FieldChange = { path: ['brief', 'lines', 'l1', 'count'], value: 3, version: 2 };
  expect(upgradeChanges([change], doc())).toEqual([change]);
});
