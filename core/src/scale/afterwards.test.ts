import { describe, expect, it } from 'vitest';
import { formatPhrase, METRIC } from '../numeric';
import { directPath } from '../testing/sizePaths';
import { driftOf, lotMeans, type DatedResidual } from './drift';
import { judgeWall, wallAfter } from './wallAfter';

const DAY_MS = 86_400_000;
const reading = (day: number, percent: number, lot = ''): DatedResidual => ({
  at: new Date(Date.UTC(2026, 9, 1) + day * DAY_MS),
  percent,
  lot,
});

describe('drift', () => {
  it('finds a trend that is there and says how sure it is', () => {
    const wobble = [0.01, -0.02, 0.015, -0.005, 0, 0.01];
    const drift = driftOf(wobble.map((w, i) => reading(10 * i, 0.1 * i + w)))!;
    expect(drift.perMonth.value).toBeCloseTo(0.3, 1);
    expect(drift.plain).toBe(true);
    expect(drift.at(reading(25, 0).at).value).toBeCloseTo(0.25, 1);
    expect(drift.at(reading(25, 0).at).interval[0]).toBeLessThan(0.25);
  });

  it('does not cry drift at scatter', () => {
    const drift = driftOf([0.1, -0.1, 0.12, -0.08, 0.05, -0.1].map((p, i) => reading(9 * i, p)))!;
    expect(drift.plain).toBe(false);
  });

  it('says nothing from few readings, or from one week', () => {
    expect(driftOf([1, 2, 3, 4].map((i) => reading(i * 10, i)))).toBeNull();
    expect(driftOf([1, 2, 3, 4, 5].map((i) => reading(i, i)))).toBeNull();
    expect(driftOf([])).toBeNull();
    // Two days are two lots, not a trend.
    expect(driftOf([0, 0, 0, 20, 20, 20].map((day, i) => reading(day, i)))).toBeNull();
  });

  it('takes bottles apart in the order they were opened', () => {
    const means = lotMeans([
      reading(9, 0.5, 'second'),
      reading(1, 0.1, 'first'),
      reading(2, 0.3, 'first'),
      reading(3, 9),
    ]);
    expect(means.map((m) => [m.lot, m.n])).toEqual([['first', 2], ['second', 1]]); // prettier-ignore
    expect(means[0]!.percent).toBeCloseTo(0.2, 12);
    // t of one degree of freedom times the sd of two readings 0.2 apart, over √2.
    expect(means[0]!.interval![1] - 0.2).toBeCloseTo(12.7062 * 0.1, 4);
    expect(means[1]!.interval).toBeNull();
  });
});

describe('wall after scaling and finishing', () => {
  const limits = { finestMm: 0.4, wearMm: 1.2, wearName: 'band', resinName: 'Skerry Low-Ash' };
  const words = (drawnMm: number) =>
    judgeWall(wallAfter(drawnMm, 1.012, directPath('outer')), limits).map((j) => [
      j.rule,
      j.weight,
      formatPhrase(j.why, METRIC),
    ]);

  it('is worn after skin is gone', () => {
    const wall = wallAfter(1.25, 1.012, directPath('outer'));
    expect(wall.printMm).toBeCloseTo(1.265, 9);
    expect(wall.finishedMm).toBeCloseTo((1.265 + 0.02) * 0.997 * 1.01 * 0.981 - 0.1, 9);
    expect(words(1.25)[0]).toMatchObject(['wall for wear', 'watch', expect.stringContaining('1.20 mm')]);
  });

  it('holds when thick enough, and warns twice when the resin does not hold it either', () => {
    expect(words(1.6)).toMatchObject([['wall for wear', 'ok', expect.any(String)]]);
    expect(words(0.3).map(([rule]) => rule)).toEqual(['wall under the resin', 'wall for wear']);
    expect(words(0.3)[0]![2]).toContain('0.10 mm');
  });
});
