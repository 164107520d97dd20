import { handNames } from '@zero-pour/core';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import {
  emptyPourDoc,
  pourDocSchema,
  pourSchema,
  readPieceKey,
  tellPour,
  upgradePour,
  upgradeUsed,
  usedItemsSchema,
  usualResin,
} from '../../index';

interface Version1 {
  brief: {
    patterns: { patternId: string; count: number }[];
    route: string;
    sizes: Record<string, unknown>[];
  };
  wayUp: { rotations: Record<string, unknown>; gates: Record<string, unknown> };
  print: { spares: number; pieces: Record<string, { outcome: string }> };
  clean: { pieces?: Record<string, { verdict: string }> };
  sprue: object;
  burnout: { hands: Record<string, string> };
  pour: { pouredAt?: string };
  result: { castings: Record<string, { outcome: string }> };
}
/** Every pour of a version 1 shop, as it was released. */
const RELEASED = JSON.parse(
  readFileSync(new URL('../../../fixtures/pours-v1.json', import.meta.url), 'utf8'),
) as { id: string; number: number; doc: Version1 }[];

const A = '5f1c2a30-8a0e-4c55-9d3b-1a2b3c4d5e01';
const B = '5f1c2a30-8a0e-4c55-9d3b-1a2b3c4d5e02';
const SEGMENTS = [
  { name: 'Dry', hands: [{ afterH: 1, what: 'Look' }, { afterH: 2, what: 'Look' }] },
  { name: 'Burn', hands: [{ afterH: 2, what: 'Turn' }] },
]; // prettier-ignore

/** Two lines of two patterns, a spare of each: pieces 1–3 are A's, 4–6 B's; castings 1–2 A's, 3–4 B's. */
function twoLines(change: (doc: Version1) => void = () => {}): Version1 {
  const doc = structuredClone(RELEASED[0]!.doc);
  doc.brief.patterns = [{ patternId: A, count: 2 }, { patternId: B, count: 2 }]; // prettier-ignore
  doc.brief.sizes = [];
  doc.wayUp = { rotations: { [A]: { xDeg: 1, yDeg: 0, zDeg: 0 } }, gates: {} };
  doc.print = { spares: 1, pieces: {} };
  doc.clean = { steps: {} } as never;
  doc.result = { castings: {} };
  change(doc);
  return doc;
}
const upgraded = (doc: unknown) => pourDocSchema.parse(upgradePour(doc, { segments: SEGMENTS }));

/** Version 1 as it was first written: one wanted size, the chain's own values each on its own. */
function firstWording(): Record<string, unknown> {
  const { brief, scale, result, ...rest } = twoLines() as unknown as Record<string, Record<string, unknown>>;
  const { sizes: _, ...oldBrief } = brief!;
  const { own: __, ...oldScale } = scale!;
  return {
    ...rest,
    brief: { ...oldBrief, holdSize: { surface: 'inner', mm: 17.3, toleranceMm: 0.1, ring: { system: 'US', size: '7' } } },
    scale: { ...oldScale, resinPercent: -0.6, metalPercent: -1.4 },
    result: { ...result, castings: { 2: { flaws: [], photos: [], measuredMm: { state: 'measured', value: 17.2 } } } },
  }; // prettier-ignore
}

describe('the released version 1', () => {
  it.each(RELEASED.map((pour) => [pour.number, pour] as const))('pour %i loses nothing', (_, pour) => {
    const { doc } = pourSchema.parse(pour);
    const before = pour.doc;
    const [line] = doc.brief.lines;
    expect(doc.brief.lines.map(({ patternId, count }) => ({ patternId, count }))).toEqual(before.brief.patterns); // prettier-ignore
    expect(doc.wayUp.lines[line!.key]!.rotation).toEqual(before.wayUp.rotations[line!.patternId]);
    expect(doc.wayUp.lines[line!.key]!.gates).toEqual(before.wayUp.gates[line!.patternId]);
    expect(doc.flasks).toEqual([{ key: 'f1', sprue: before.sprue, pour: before.pour }]);
    // One line: numbers and copies are the same.
    expect(Object.values(doc.print.pieces)).toEqual(Object.values(before.print.pieces));
    for (const [key, piece] of Object.entries(doc.print.pieces))
      expect(piece).toEqual(before.print.pieces[String(readPieceKey(key)!.copy)]);
    expect(Object.values(doc.result.castings)).toEqual(Object.values(before.result.castings));
    expect(Object.values(doc.burnout.hands)).toEqual(Object.values(before.burnout.hands));
  });

  it('tells of every casting what it told before', () => {
    for (const pour of RELEASED) {
      const { castings } = tellPour(pourSchema.parse(pour));
      expect(castings.map(({ outcome }) => outcome)).toEqual(
        Object.values(pour.doc.result.castings).map(({ outcome }) => outcome),
      );
    }
  });
});

describe('pieces that were numbered', () => {
  it('have the name of their line and copy, spares of each line counted', () => {
    const doc = upgraded(
      twoLines((d) => {
        for (let n = 1; n <= 6; n++) d.print.pieces[n] = { outcome: 'good', note: `${n}` } as never;
      }),
    );
    expect(Object.entries(doc.print.pieces).map(([key, { note }]) => `${key} ${note}`)).toEqual([
      'l1/1 1', 'l1/2 2', 'l1/3 3', 'l2/1 4', 'l2/2 5', 'l2/3 6',
    ]); // prettier-ignore
  });

  it('keep the castings that they became: those that went into the flask, in order, of their own line', () => {
    const doc = upgraded(
      twoLines((d) => {
        d.clean.pieces = {
          1: { verdict: 'reprint', expect: 'poor' }, 2: { verdict: 'cast', expect: 'likely good' }, 3: { verdict: 'mend', expect: 'doubtful' },
          4: { verdict: 'cast', expect: 'likely good' }, 5: { verdict: 'spare', expect: 'likely good' },
        } as never;
        for (let n = 1; n <= 4; n++) d.result.castings[n] = { outcome: 'sellable', flaws: [], photos: [], note: `${n}` } as never;
      }),
    );
    expect(Object.entries(doc.result.castings).map(([key, { note }]) => `${key} ${note}`)).toEqual([
      'l1/2 1', 'l1/3 2', 'l2/1 3', 'l2/3 4',
    ]);
  }); // prettier-ignore

  it('by a mold route are masters, and the castings waxes', () => {
    const doc = upgraded(
      twoLines((d) => {
        d.brief.route = 'wax from a rubber mold';
        for (let n = 1; n <= 4; n++) d.print.pieces[n] = { outcome: 'good', note: '' } as never;
        for (let n = 1; n <= 4; n++)
          d.result.castings[n] = { outcome: 'scrap', flaws: [], photos: [] } as never;
      }),
    );
    expect(Object.keys(doc.print.pieces)).toEqual(['l1/m1', 'l1/m2', 'l2/m1', 'l2/m2']);
    expect(Object.keys(doc.result.castings)).toEqual(['l1/1', 'l1/2', 'l2/1', 'l2/2']);
  });

  it('beyond what the brief counts are not lost', () => {
    const doc = upgraded(
      twoLines((d) => {
        d.print.pieces[9] = { outcome: 'good', note: 'extra' } as never;
      }),
    );
    expect(Object.entries(doc.print.pieces).map(([key, { note }]) => [readPieceKey(key)?.line, note])).toEqual([['l2', 'extra']]); // prettier-ignore
  });
});

describe('what was said of a pattern', () => {
  it('is said of every line that has it', () => {
    const doc = upgraded(twoLines((d) => void (d.brief.patterns[1]!.patternId = A)));
    const turned = { rotation: { xDeg: 1, yDeg: 0, zDeg: 0 } };
    expect(doc.wayUp.lines).toEqual({ l1: turned, l2: turned });
  });
  it('of a wanted size is said of its line', () => {
    const size = { key: 'k', name: '', of: 'bore', finishedMm: 17, holds: true };
    const doc = upgraded(twoLines((d) => void (d.brief.sizes = [{ ...size, patternId: B }, { ...size, key: 'j', patternId: null }]))); // prettier-ignore
    expect(doc.brief.sizes.map(({ lineKey }) => lineKey)).toEqual(['l2', null]);
  });
});

describe('hands-on moments that were counted', () => {
  const hands = {
    0: '2026-11-20T10:00:00.000Z',
    1: '2026-11-20T11:00:00.000Z',
    2: '2026-11-20T12:00:00.000Z',
  };
  it('are named by the programme', () => {
    const doc = upgraded(twoLines((d) => void (d.burnout.hands = { ...hands })));
    expect(Object.keys(doc.burnout.hands)).toEqual(['Dry › Look', 'Dry › Look~2', 'Burn › Turn']);
    expect(handNames(SEGMENTS).flat()).toEqual(Object.keys(doc.burnout.hands));
  });
  it('of a programme that is not known still tell which they were', () => {
    const doc = pourDocSchema.parse(upgradePour(twoLines((d) => void (d.burnout.hands = { ...hands }))));
    expect(Object.keys(doc.burnout.hands)).toEqual(['moment 1', 'moment 2', 'moment 3']);
  });
});

describe('a pour’s document of the first wording', () => {
  it('reads as what it means now', () => {
    const doc = upgraded(firstWording());
    expect(doc.brief.sizes).toEqual([
      { key: 'held', name: 'Bore', lineKey: null, of: 'bore', finishedMm: 17.3, toleranceMm: 0.1, holds: true, ring: { system: 'US', size: '7' } },
    ]);
    expect(doc.scale.own).toEqual({ resin: -0.6, metal: -1.4 });
    expect(doc.result.castings['l1/2']?.sizes).toEqual({ held: { finished: { state: 'measured', value: 17.2 } } });
  }); // prettier-ignore

  it('without a wanted size wants none', () => {
    const { brief, ...rest } = firstWording();
    const { holdSize: _, ...without } = brief as Record<string, unknown>;
    expect(upgraded({ ...rest, brief: without }).brief.sizes).toEqual([]);
  });

  it('is upgraded once: again changes nothing, nor does it where the document is of today', () => {
    const once = upgradePour(firstWording());
    expect(upgradePour(once)).toEqual(once);
    expect(upgradePour(emptyPourDoc())).toEqual(emptyPourDoc());
  });

  it.each([[null], [3], ['x'], [[]], [{}], [{ version: 1 }], [{ version: 99, brief: {} }]])(
    'that is none is handed back for the parser to refuse: %j',
    (json) => {
      expect(upgradePour(json)).toEqual(json);
      expect(pourDocSchema.safeParse(upgradePour(json)).success).toBe(false);
    },
  );
});

describe('copies of what a pour was made with', () => {
  const resin = { id: '5f1c2a30-8a0e-4c55-9d3b-1a2b3c4d5e6f', ...usualResin('wax-free') };

  it('gain what resins did not say of themselves then', () => {
    const { finestMm: _, thickestMm: __, ...before } = resin;
    const used = usedItemsSchema.parse(upgradeUsed({ resin: before }));
    expect([used.resin?.finestMm, used.resin?.thickestMm]).toEqual([0.3, 8]);
    expect(
      usedItemsSchema.parse(upgradeUsed({ resin: { ...before, family: 'low-wax' } })).resin?.thickestMm,
    ).toBe(4);
  });

  it('have the one flask by its key', () => {
    const flask = { id: A, name: '76 × 102', innerDiameterMm: 76, heightMm: 102, coneDiameterMm: 25, coneHeightMm: 12, perforated: false, note: '' }; // prettier-ignore
    expect(usedItemsSchema.parse(upgradeUsed({ flask }))).toEqual({ flasks: { f1: flask } });
  });

  it('of today are left alone, and so is what is none', () => {
    for (const json of [{ resin }, {}, null, { resin: 3 }]) expect(upgradeUsed(json)).toEqual(json);
  });
});
