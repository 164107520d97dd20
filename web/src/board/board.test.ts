import { createDemoShop } from '@zero-pour/demo';
import { HOUR_MS } from '@zero-pour/core';
import { boardRows, valueOf, type BoardRow } from '@zero-pour/plan';
import { beforeAll, describe, expect, it } from 'vitest';
import { heatColour } from '../theme/heat';
import { busyRows } from './busyStretches';
import { profileSlices } from './profileSlices';
import { boardStretch, dayMarks, hourMarks, timeAxis } from './timeAxis';

const NOW = new Date(2026, 10, 24, 16, 54);
let rows: BoardRow[];
beforeAll(async () => {
  const { file } = await createDemoShop(NOW);
  const open = file.pours.filter((p) => p.doc.result.doneAt === undefined);
  rows = boardRows(open, { settings: file.settings, lists: file.lists, patterns: file.patterns });
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
  it('is cut to the axis, joins without gaps, and is as tall as it is hot', () => {
    const row = rows[0]!;
    const { curve } = valueOf(row.plan.burnout)!;
    const axis = timeAxis(NOW.getTime(), NOW.getTime() + 40 * HOUR_MS, 150, 900);
    const slices = profileSlices(curve, row.times!.kilnIn, row.times!.zero, axis, 62);
    expect(slices[0]!.x).toBeCloseTo(150, 6);
    slices.slice(1).forEach((s, i) => expect(s.x).toBeCloseTo(slices[i]!.x + slices[i]!.width - 0.5, 6));
    expect(Math.max(...slices.map((s) => s.height))).toBeCloseTo((730 / 800) * 62, 3);
    expect(
      profileSlices(curve, NOW.getTime() + 60 * HOUR_MS, NOW.getTime() + 70 * HOUR_MS, axis, 62),
    ).toEqual([]);
  });
});

it('shows each kiln and printer in use, and hands last', () => {
  const busy = busyRows(rows);
  expect(busy.map((r) => r.name)).toEqual(['Kiln 1', 'Printer A', 'Printer B', 'Hands']);
  expect(busy[0]!.stretches.map((s) => s.label)).toEqual(['29', '30', '31']);
});

it('colours temperatures along one ramp, with its ends held', () => {
  expect(heatColour(-5)).toBe(heatColour(20));
  expect(heatColour(2000)).toBe(heatColour(900));
  expect(heatColour(380)).toBe('rgb(110, 42, 30)');
  expect(heatColour(450)).toBe('rgb(135, 39, 27)');
});
