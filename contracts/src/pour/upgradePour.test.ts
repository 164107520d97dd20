import { describe, expect, it } from 'vitest';
import { emptyPourDoc, pourDocSchema, upgradePour, upgradeUsed, usedItemsSchema, usualResin } from '../index';

/** Version 1 as it was first written: one wanted size, the chain's own values each on its own. */
function firstWording(): Record<string, unknown> {
  const { brief, scale, result, ...rest } = emptyPourDoc();
  const { sizes: _, ...oldBrief } = brief;
  const { own: __, ...oldScale } = scale;
  return {
    ...rest,
    brief: { ...oldBrief, holdSize: { surface: 'inner', mm: 17.3, toleranceMm: 0.1, ring: { system: 'US', size: '7' } } },
    scale: { ...oldScale, resinPercent: -0.6, metalPercent: -1.4 },
    result: { ...result, castings: { 2: { flaws: [], photos: [], measuredMm: { state: 'measured', value: 17.2 } } } },
  }; // prettier-ignore
}

describe('a pour’s document of an earlier wording', () => {
  it('reads as what it means now', () => {
    const doc = pourDocSchema.parse(upgradePour(firstWording()));
    expect(doc.brief.sizes).toEqual([
      { key: 'held', name: 'Bore', patternId: null, of: 'bore', finishedMm: 17.3, toleranceMm: 0.1, holds: true, ring: { system: 'US', size: '7' } },
    ]);
    expect(doc.scale.own).toEqual({ resin: -0.6, metal: -1.4 });
    expect(doc.result.castings['2']?.sizes).toEqual({ held: { finished: { state: 'measured', value: 17.2 } } });
  }); // prettier-ignore

  it('without a wanted size wants none', () => {
    const { brief, ...rest } = firstWording();
    const { holdSize: _, ...without } = brief as Record<string, unknown>;
    expect(pourDocSchema.parse(upgradePour({ ...rest, brief: without })).brief.sizes).toEqual([]);
  });

  it('of the present one is left as it is, and upgrading twice is upgrading once', () => {
    expect(upgradePour(emptyPourDoc())).toEqual(emptyPourDoc());
    const once = upgradePour(firstWording());
    expect(upgradePour(once)).toEqual(once);
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

  it('of today are left alone, and so is what is none', () => {
    for (const json of [{ resin }, {}, null, { resin: 3 }]) expect(upgradeUsed(json)).toEqual(json);
  });
});
