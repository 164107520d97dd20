import {
  DEFAULT_SETTINGS,
  emptyShopLists,
  pourDocSchema,
  type Alloy,
  type Flask,
} from '@zero-pour/contracts';
import { InputError, readSum, ringDiameterMm, workOut } from '@zero-pour/core';
import { describe, expect, it } from 'vitest';
import { pourFrom } from './pourFrom';
import { QUICK_FORMS, QUICK_KINDS, sumProblem, usualSum } from './quickForms';

const STERLING = { name: 'Sterling silver', densityGPerCm3: 10.357, lossPercent: 1 };
const NOW = new Date(2026, 10, 25, 15, 0);
const id = '5f1c2a30-8a0e-4c55-9d3b-1a2b3c4d5e6f';
const shop = {
  settings: DEFAULT_SETTINGS,
  patterns: [],
  lists: {
    ...emptyShopLists(),
    flask: [{ id, innerDiameterMm: 76, heightMm: 102 } as Flask],
    alloy: [{ id, ...STERLING } as Alloy],
  },
};

describe('forms of quick sums', () => {
  it.each(QUICK_KINDS)('%s: its example is read as what it stands for', (kind) => {
    const found = readSum(QUICK_FORMS[kind].example, { metals: [STERLING], resins: [] });
    expect(found.status === 'read' && found.sum.kind).toBe(kind);
  });
  it.each(QUICK_KINDS)('%s: begins with figures that work out, within their fields', (kind) => {
    const sum = usualSum(kind, STERLING);
    expect(workOut(sum).lines.length).toBeGreaterThan(0);
    for (const { key, min, max } of QUICK_FORMS[kind].fields) {
      const value = (sum as unknown as Record<string, number>)[key]!;
      expect(value).toBeGreaterThanOrEqual(min);
      expect(value).toBeLessThanOrEqual(max);
    }
  });
});

describe('a sum that cannot be', () => {
  it.each([
    [
      { kind: 'slurry', diameterMm: 20, heightMm: 20, treeMl: 900, ratio: 0.4 },
      'The tree is larger than the flask.',
    ],
    [{ kind: 'ring', diameterMm: 90 }, 'Rings are 8 to 40 mm wide inside.'],
    [{ kind: 'karat', massG: 10, fromCt: 18, toCt: 24 }, 'Nothing that is added makes it pure'],
    [{ kind: 'metal from volume', volumeCm3: 0, metal: STERLING }, 'These figures do not go together.'],
  ] as const)('%o is said in a sentence of the bench', (sum, sentence) => {
    let said = '';
    try {
      workOut(sum);
    } catch (error) {
      if (error instanceof InputError) said = sumProblem(error.argument);
    }
    expect(said).toContain(sentence);
  });
});

describe('a pour made of a sum', () => {
  it('has the flask that was meant, and the ratio', () => {
    const doc = pourFrom(
      { kind: 'slurry', diameterMm: 76, heightMm: 102, treeMl: 10, ratio: 0.38 },
      shop,
      NOW,
    )!;
    expect([doc.flasks[0]!.sprue.flaskId, doc.invest.ratio]).toEqual([id, 0.38]);
    const other = pourFrom(
      { kind: 'slurry', diameterMm: 60, heightMm: 102, treeMl: 10, ratio: 0.4 },
      shop,
      NOW,
    )!;
    expect(other.flasks[0]!.sprue.flaskId).toBeUndefined();
  });
  it('keeps boric acid and further flasks in sight', () => {
    const sum = { kind: 'slurry', diameterMm: 76, heightMm: 102, treeMl: 10, ratio: 0.4 } as const;
    const doc = pourFrom({ ...sum, flasks: 2, boricPercent: 1 }, shop, NOW)!;
    expect(doc.invest.boric).toEqual({ school: 'powder', percent: 1 });
    expect(doc.brief.note).toContain('2 flasks');
    expect(pourDocSchema.safeParse(doc).success).toBe(true);
    expect(pourFrom(sum, shop, NOW)!.brief.note).toBeUndefined();
  });
  it('has the metal, and the weighed patterns', () => {
    const doc = pourFrom(
      { kind: 'metal from weight', modelG: 12, modelGPerMl: 0.95, metal: STERLING },
      shop,
      NOW,
    )!;
    expect(doc.brief.alloyId).toBe(id);
    expect(doc.flasks[0]!.sprue).toMatchObject({
      weighBy: 'weight',
      weighedPatternsG: { state: 'measured', value: 12 },
    });
  });
  it('holds the bore of a ring, named when it is a named size', () => {
    const named = pourFrom({ kind: 'ring', diameterMm: ringDiameterMm('US', '7') }, shop, NOW)!;
    expect(named.brief.sizes[0]).toMatchObject({
      of: 'bore',
      holds: true,
      ring: { system: 'US', size: '7' },
    });
    const odd = pourFrom({ kind: 'ring', diameterMm: 17.4 }, shop, NOW)!;
    expect(odd.brief.sizes).toMatchObject([{ of: 'bore', finishedMm: 17.4 }]);
    expect(odd.brief.sizes[0]!.ring).toBeUndefined();
  });
  it('pours at the hour that was worked out, and never in the past', () => {
    const at = (startMin: number, hours: number): string =>
      pourFrom({ kind: 'pour time', startMin, hours }, shop, NOW)!.brief.zeroAt!;
    expect(new Date(at(21 * 60, 12.5))).toEqual(new Date(2026, 10, 26, 9, 30));
    expect(new Date(at(6 * 60, 2))).toEqual(new Date(2026, 10, 26, 8, 0));
  });
  it('is a whole document, or none for sums that say nothing of one', () => {
    for (const kind of QUICK_KINDS) {
      const doc = pourFrom(usualSum(kind, STERLING), shop, NOW);
      if (doc) expect(pourDocSchema.safeParse(doc).error?.issues).toBeUndefined();
      else expect(['units', 'karat', 'print']).toContain(kind);
    }
  });
});
