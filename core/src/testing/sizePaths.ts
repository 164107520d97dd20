import type { Amount, Change, SizePath, Surface } from '../scale';

/** A step that every size goes through in full. */
export const step = (key: string, percent: number, sdPercent = 0.1): Change => ({
  key,
  percent,
  sdPercent,
  share: 1,
});

/** The steps of handbook 03's worked sizes, with what printing adds and what finishing takes. */
export function directPath(surface: Surface, change: Partial<SizePath> = {}): SizePath {
  const sign = surface === 'outer' ? 1 : -1;
  const amount = (key: string, mm: number, times: number, sdMm: number): Amount => ({ key, mm, times, sdMm });
  return {
    changes: [step('resin', -0.3, 0.1), step('investment', 1, 0.2), step('metal', -1.9, 0.2)],
    adds: [amount('adds', 0.02, sign, 0.05)],
    takes: [amount('skin', 0.05, 2 * sign, 0.015)],
    ...change,
  };
}
