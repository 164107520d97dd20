import type { Pour } from '@zero-pour/contracts';
import { createDemoShop } from '@zero-pour/demo';
import { HOUR_MS } from '@zero-pour/core';
import { beforeAll, describe, expect, it } from 'vitest';
import {
  boardConflicts,
  boardRows,
  judgeKilnTaken,
  kilnStates,
  nextHandsOn,
  planPour,
  valueOf,
  zeroInstead,
  type BoardRow,
  type Shop,
} from './index';

/** A Tuesday, 16:54 local. */
const NOW = new Date(2026, 10, 24, 16, 54);
let shop: Shop;
let pours: Pour[];

beforeAll(async () => {
  const { file } = await createDemoShop(NOW);
  shop = { settings: file.settings, lists: file.lists, patterns: file.patterns };
  pours = file.pours;
});

const known = <T>(planned: Parameters<typeof valueOf<T>>[0]): T => {
  const value = valueOf(planned);
  if (value === undefined) throw new Error(JSON.stringify(planned));
  return value;
};

describe('the board', () => {
  const at = (ms: number) => new Date(ms).toISOString();

  it('orders pours by zero and hands-on moments by the clock, leaving out what is done', () => {
    const open = pours.filter((p) => p.doc.result.doneAt === undefined);
    const rows = boardRows(open, shop);
    expect(rows.map((r) => r.pour.number)).toEqual([29, 30, 31]);
    const next = nextHandsOn(rows);
    expect(next.map((n) => n.at)).toEqual(next.map((n) => n.at).sort((a, b) => a - b));
    expect(next[0]).toMatchObject({ hand: 'Steam and drain › Turn the flask, button up', stage: 'burnout' });
    expect(kilnStates(rows, NOW.getTime())[0]).toMatchObject({
      name: 'Kiln 1',
      doing: 'holding',
      plannedC: 150,
    });
  });

  it('claims no temperature of a kiln that something has befallen, until it is over', () => {
    const burning = structuredClone(pours.find((p) => p.number === 29)!);
    const at = new Date(NOW.getTime() - 10 * 60_000).toISOString();
    burning.doc.burnout.events = [{ key: 'e', kind: 'power out', at }];
    const stateOf = () => kilnStates(boardRows([burning], shop), NOW.getTime());
    expect(stateOf()).toMatchObject([{ name: 'Kiln 1', plannedC: null, doing: 'not driven' }]);
    burning.doc.burnout.events = [{ key: 'e', kind: 'power out', at, until: NOW.toISOString() }];
    expect(stateOf()[0]!.plannedC).toBeLessThan(150);
  });

  it('names two pours that want one kiln, and hands needed at night', () => {
    const [a, b] = [
      structuredClone(pours.find((p) => p.number === 30)!),
      structuredClone(pours.find((p) => p.number === 31)!),
    ];
    b.doc.brief.zeroAt = a.doc.brief.zeroAt!;
    a.doc.brief.zeroAt = new Date(2026, 10, 26, 3, 0).toISOString();
    const conflicts = boardConflicts(boardRows([a, b], shop), NOW.getTime(), at);
    expect(conflicts[0]?.judgement.rule).toBe('kiln clash');
    expect(conflicts.find((c) => c.row.pour.number === 30)?.civilZero).toBeTruthy();
  });

  it('offers no hour that is gone', () => {
    const late = structuredClone(pours.find((p) => p.number === 31)!);
    late.doc.brief.zeroAt = new Date(NOW.getTime() + 2 * HOUR_MS).toISOString();
    const times = known(planPour(late, shop).times);
    const instead = zeroInstead(times, NOW.getTime());
    if (instead !== null) expect(times.start + instead - times.zero).toBeGreaterThanOrEqual(NOW.getTime());
    expect(
      zeroInstead({ ...times, civilZero: { earlier: times.zero - HOUR_MS, later: null } }, times.start),
    ).toBeNull();
    expect(
      zeroInstead(
        { ...times, civilZero: { earlier: times.zero - HOUR_MS, later: null } },
        times.start - HOUR_MS,
      ),
    ).toBe(times.zero - HOUR_MS);
  });

  it('lets two pours share a kiln that go through one programme together', () => {
    const [a, b] = [30, 30].map((number) => structuredClone(pours.find((p) => p.number === number)!)) as [
      Pour,
      Pour,
    ];
    b.id = pours.find((p) => p.number === 31)!.id;
    const [first, second] = boardRows([a, b], shop) as [BoardRow, BoardRow];
    expect(judgeKilnTaken(first, [second])?.rule).toBe('kiln shared');
    expect(boardConflicts([first, second], NOW.getTime(), at).map((c) => c.judgement.rule)).not.toContain(
      'kiln clash',
    );
    b.doc.brief.zeroAt = new Date(Date.parse(b.doc.brief.zeroAt!) + 3 * HOUR_MS).toISOString();
    const [one, other] = boardRows([a, b], shop) as [BoardRow, BoardRow];
    expect(judgeKilnTaken(other, [one])?.lead).toBe('Kiln 1 is taken.');
    expect(judgeKilnTaken(one, [other])?.weight).toBe('fix');
    expect(judgeKilnTaken(one, [])).toBeUndefined();
  });
});
