import { createDemoShop } from '@zero-pour/demo';
import { emptyMold } from '@zero-pour/contracts';
import { HOUR_MS } from '@zero-pour/core';
import { boardRows, moldRows, valueOf, type BoardRow, type Shop } from '@zero-pour/plan';
import { beforeAll, describe, expect, it } from 'vitest';
import { heatColour } from '../theme/heat';
import { boardLanes } from './boardLanes';
import { busyRows } from './busyStretches';
import { burnoutProfile, coreLine } from './burnoutProfile';
import { placeBlocks } from './placeBlocks';
import { boardStretch, dayMarks, hourMarks, timeAxis } from './timeAxis';

const NOW = new Date(2026, 10, 24, 16, 54);
let rows: BoardRow[];
let shop: Shop;
beforeAll(async () => {
  const { file } = await createDemoShop(NOW);
  const open = file.pours.filter((p) => p.doc.result.doneAt === undefined);
  shop = { settings: file.settings, lists: file.lists, patterns: file.patterns };
  rows = boardRows(open, shop);
});

describe('the time axis', () => {
  it('holds now and every zero, and at least two days', () => {
    const { from, to } = boardStretch(rows, NOW.getTime(), false);
    for (const at of [NOW.getTime(), ...rows.map((r) => r.times!.zero)]) {
      expect(at).toBeGreaterThan(from);
      expect(at).toBeLessThan(to);
    }
    const empty = boardStretch([], NOW.getTime(), false);
    expect((empty.to - empty.from) / HOUR_MS).toBeGreaterThanOrEqual(48);
  });
  it('marks midnights and round hours inside itself only', () => {
    const stretch = boardStretch(rows, NOW.getTime(), false);
    for (const mark of dayMarks(stretch)) expect(new Date(mark.at).getHours()).toBe(0);
    const hours = hourMarks(stretch, 750);
    expect(new Set(hours.map((h) => h.label)).size).toBeLessThanOrEqual(3);
    for (const { at } of hours) expect(at > stretch.from && at < stretch.to).toBe(true);
    expect(hourMarks(stretch, 200).length).toBeLessThan(hours.length);
  });
});

describe('the burnout’s profile', () => {
  it('is cut to the axis, as tall as it is hot, and coloured along time', () => {
    const row = rows[0]!;
    const { curve } = valueOf(row.plan.burnout)!;
    const axis = timeAxis(NOW.getTime(), NOW.getTime() + 40 * HOUR_MS, 150, 900);
    const profile = burnoutProfile(curve, row.times!.kilnIn, row.times!.zero, axis, 62)!;
    expect(profile.left).toBeCloseTo(150, 6);
    expect(profile.right).toBeCloseTo(axis.x(row.times!.zero), 6);
    const heights = [...profile.path.matchAll(/L[\d.]+ (-?[\d.]+)/g)].map((m) => -Number(m[1]));
    expect(Math.max(...heights)).toBeCloseTo((730 / 800) * 62, 1);
    expect(profile.stops.map((s) => s.colour)).toContain(heatColour(730));
    expect(profile.stops[0]?.offset).toBe(0);
    expect(profile.stops.at(-1)?.offset).toBe(1);
  });
  it('has the core on the same scale, as far as it is in view', () => {
    const axis = timeAxis(0, 10 * HOUR_MS, 100, 700);
    const core = Array.from({ length: 601 }, (_, n) => ({ h: n / 60 - 2, coreC: 40 * (n / 60) }));
    const points = coreLine(core, 0, 6 * HOUR_MS, axis, 62)!.split(' ').map((one) => one.split(',').map(Number)); // prettier-ignore
    expect(points[0]![0]).toBeGreaterThanOrEqual(axis.x(0) - 1e-6);
    expect(points.at(-1)![0]).toBeLessThanOrEqual(axis.x(6 * HOUR_MS) + 0.1);
    expect(points.at(-1)![1]!).toBeCloseTo(-(40 * 8 * 62) / 800, 0);
    expect(coreLine(core, 40 * HOUR_MS, 60 * HOUR_MS, axis, 62)).toBeUndefined();
  });
  it('has no core in its lane while that is not reckoned', () => {
    const axis = timeAxis(NOW.getTime(), NOW.getTime() + 40 * HOUR_MS, 150, 900);
    const lanes = boardLanes(rows, [], axis);
    expect(lanes.some(({ profile }) => profile)).toBe(true);
    expect(lanes.every(({ core }) => core === undefined)).toBe(true);
  });
  it('is nothing when it lies outside the axis', () => {
    const { curve } = valueOf(rows[0]!.plan.burnout)!;
    const axis = timeAxis(0, HOUR_MS, 150, 900);
    expect(burnoutProfile(curve, 2 * HOUR_MS, 20 * HOUR_MS, axis, 62)).toBeUndefined();
  });
});

it('shows each kiln and printer in use, and hands last', () => {
  const busy = busyRows(rows, []);
  expect(busy.map((r) => r.name)).toEqual(['Kiln 1', 'Printer A', 'Printer B', 'Hands']);
  expect(busy[0]!.stretches.map((s) => s.label)).toEqual(['29', '30', '31']);
});

describe('a mold with a zero of its own', () => {
  const zeroAt = new Date(NOW.getTime() + 24 * HOUR_MS).toISOString();
  const mold = {
    ...emptyMold(4),
    id: 'm',
    name: 'Cleat, silicone',
    kind: 'silicone' as const,
    cureH: 12,
    zeroAt,
  };
  const molds = () => moldRows({ ...shop, molds: [mold] });
  it('stands under the pours, with its steps and its zero', () => {
    const lanes = boardLanes(rows, molds(), timeAxis(NOW.getTime(), NOW.getTime() + 30 * HOUR_MS, 150, 900));
    expect(lanes.map(({ kind }) => kind)).toEqual([...rows.map(() => 'Pour'), 'Mold']);
    expect(lanes.at(-1)).toMatchObject({ number: 4, title: 'Cleat, silicone', href: '/molds/m', profile: undefined }); // prettier-ignore
    expect(lanes.at(-1)!.zero).toBe(Date.parse(zeroAt));
    expect(lanes.at(-1)!.blocks.map(({ name }) => name)).toContain('Degas');
  });
  it('keeps hands busy but while it cures', () => {
    const hands = (beside: ReturnType<typeof molds>) => busyRows(rows, beside).at(-1)!.stretches;
    const own = hands(molds()).slice(hands([]).length);
    const h = own.reduce((sum, { from, to }) => sum + (to - from) / HOUR_MS, 0);
    // 15 + 5 + 4 + 5 + 15 minutes.
    expect(h).toBeCloseTo(44 / 60, 6);
  });
});

it('colours temperatures along one ramp, with its ends held', () => {
  expect(heatColour(-5)).toBe(heatColour(20));
  expect(heatColour(2000)).toBe(heatColour(900));
  expect(heatColour(380)).toBe('rgb(110, 42, 30)');
  expect(heatColour(450)).toBe('rgb(135, 39, 27)');
});

describe('blocks on the axis', () => {
  const axis = timeAxis(0, 100, 50, 550);
  const block = (from: number, to: number) => ({ work: 'print', from, to }) as never;
  it('are cut to the stretch, and left out where they lie beyond it', () => {
    const placed = placeBlocks([block(-20, 10), block(90, 300), block(100, 120), block(-9, 0)], axis);
    expect(placed.map(({ x }) => x)).toEqual([50, 500]);
    expect(placed.every(({ x, w }) => x + w <= 550)).toBe(true);
  });
  it('bear their name where it has room, and can be seen where they are short', () => {
    const [long, short] = placeBlocks([block(0, 40), block(50, 50.1)], axis);
    expect([long!.label, short!.label]).toEqual(['print', '']);
    expect(short!.w).toBeGreaterThanOrEqual(3);
  });
  it('of a mold bear the name of its step', () => {
    const [press] = placeBlocks([{ work: 'mold', name: 'Press', from: 0, to: 40, state: 'planned' }], axis);
    expect(press!.label).toBe('Press');
  });
});
