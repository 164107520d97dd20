import { sparesOf, withPatterns, type Pattern } from '@zero-pour/contracts';
import { describe, expect, it } from 'vitest';
import { laterVersions, planPour, valueOf } from '../index';
import { fullDoc, LINE, planShop } from '../testing/planShop';

const ZERO = new Date(2026, 10, 26, 9, 15);

describe('printing again', () => {
  const shop = planShop();
  const first = shop.patterns[0]!;
  const version = (id: string, formerId: string, createdAt: string): Pattern => ({
    ...first,
    id,
    formerId,
    createdAt,
  });
  const doc = fullDoc(ZERO);

  it('offers the newest version of each pattern, through all between', () => {
    expect(laterVersions(doc, shop.patterns)).toEqual([]);
    const second = version('v2', first.id, '2026-11-01T08:00:00.000Z');
    const aside = version('v2b', first.id, '2026-10-01T08:00:00.000Z');
    const third = version('v3', 'v2', '2026-11-02T08:00:00.000Z');
    const [later] = laterVersions(doc, [...shop.patterns, aside, third, second]);
    expect(later).toMatchObject({ line: LINE, newest: { id: 'v3' } });
    const again = withPatterns(doc, new Map([[LINE, later!.newest.id]]));
    expect(again.brief.lines[0]!.patternId).toBe('v3');
    expect(again.wayUp).toEqual(doc.wayUp);
  });
  it('does not run in circles', () => {
    const circle = [version(first.id, 'v2', first.createdAt), version('v2', first.id, first.createdAt)];
    expect(laterVersions(doc, circle)[0]!.newest.id).toBe('v2');
  });
  it('prints spares by line where a line wants its own', () => {
    const copies = (change: (of: typeof doc) => void): number =>
      valueOf(planPour({ doc: fullDoc(ZERO, change) }, shop).print)!.copies;
    const all = copies((of) => (of.print.spares = 2));
    expect(copies((of) => { of.print.spares = 2; of.print.sparesOf = { [LINE]: 5 }; })).toBe(all + 3); // prettier-ignore
    expect(copies((of) => { of.print.spares = 2; of.print.sparesOf = { other: 5 }; })).toBe(all); // prettier-ignore
    expect(sparesOf({ print: { spares: 2, sparesOf: { [LINE]: 0 }, pieces: {} } }, LINE)).toBe(0);
  });
});
