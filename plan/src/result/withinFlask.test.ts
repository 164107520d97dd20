import type { PourDoc } from '@zero-pour/contracts';
import { describe, expect, it } from 'vitest';
import { resolvePour } from '../context';
import { fullDoc, LINE, planShop } from '../testing/planShop';
import { compareWithinFlasks } from './withinFlask';

const good = { outcome: 'sellable' as const, flaws: [], photos: [] };
const bad = { outcome: 'scrap' as const, flaws: [], photos: [] };
const OTHER = 'l2';

/** Two lines of one pattern, four of each in one flask; what came of each by its letter. */
function within(came: string, change: (doc: PourDoc) => void = () => {}) {
  const doc = fullDoc(new Date('2026-11-20T10:00:00Z'));
  const [line] = doc.brief.lines;
  doc.brief.lines = [
    { ...line!, key: LINE, count: 4 },
    { ...line!, key: OTHER, count: 4 },
  ];
  const own = doc.wayUp.lines[LINE] ?? {};
  doc.wayUp.lines = { [LINE]: own, [OTHER]: own };
  doc.clean.pieces = {};
  doc.print.pieces = {};
  doc.flasks[0]!.sprue.hung = undefined as never;
  delete doc.flasks[0]!.pieces;
  doc.result.castings = Object.fromEntries(
    [...came].flatMap((letter, n) => {
      const key = `${n < 4 ? LINE : OTHER}/${(n % 4) + 1}`;
      return letter === '-' ? [] : [[key, letter === 'g' ? good : bad]];
    }),
  );
  change(doc);
  return compareWithinFlasks(resolvePour({ doc, used: undefined as never }, planShop()));
}
const gates = (diameterMm: number) => ({ count: 1, diameterMm, lengthMm: 4 });
const apart = (doc: PourDoc): void => {
  doc.wayUp.lines = { [LINE]: { gates: gates(2) }, [OTHER]: { gates: gates(1.5) } };
};

describe('pieces of one flask', () => {
  it('are compared in what they differ in, the better first, and what else differs is named', () => {
    const found = within('ggggbbbg', apart);
    const byGates = found.find(({ what }) => what === 'gates')!;
    expect(byGates.groups).toEqual([
      { says: '1 of 2 mm', good: 4, n: 4 },
      { says: '1 of 1.5 mm', good: 1, n: 4 },
    ]);
    expect(byGates.better).toBeGreaterThan(0.9);
    // Two lines of one pattern that differ in nothing else that is told.
    expect(byGates.also).toEqual([]);
  });
  it('say nothing where all are alike, or only one kind was looked at', () => {
    expect(within('gggg----', apart)).toEqual([]);
    expect(within('--------', apart)).toEqual([]);
    expect(within('ggggbbbg')).toEqual([]);
  });
  it('name a confounder: what was flawed as printed in one of two groups', () => {
    const found = within('ggggbbbb', (doc) => {
      apart(doc);
      for (const n of [1, 2, 3, 4]) {
        doc.print.pieces[`${LINE}/${n}`] = { outcome: 'good', note: '' };
        doc.print.pieces[`${OTHER}/${n}`] = { outcome: 'flawed', note: '' };
      }
    });
    expect(found.find(({ what }) => what === 'gates')!.also).toEqual(['print']);
    expect(found.find(({ what }) => what === 'print')!.groups[0]).toEqual({ says: 'good', good: 4, n: 4 });
  });
  it('are compared by their height on the tree, where they were hung', () => {
    const found = within('gbgbgbgb', (doc) => {
      const place = { angleDeg: 0, awayMm: 20, tiltDeg: 45, spinDeg: 0 };
      doc.flasks[0]!.sprue.hung = [LINE, OTHER].flatMap((line) =>
        [1, 2, 3, 4].map((n) => ({ key: `${line}/${n}`, heightMm: n % 2 === 0 ? 20 : 50, ...place })),
      );
    });
    expect(found.find(({ what }) => what === 'height on the tree')!.groups).toEqual([
      { says: 'high', good: 4, n: 4 },
      { says: 'low', good: 0, n: 4 },
    ]);
  });
});
