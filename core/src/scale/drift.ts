import { fitLine, lineSe, tQuantile, type Line } from '../numeric';

/** What is left of a reading when the steps are taken off, in percent of its size, and when it was taken. */
export interface DatedResidual {
  at: Date;
  percent: number;
  /** Bottle or lot; '' when not told. */
  lot: string;
}

export interface Drift {
  /** Percent in thirty days, with its 95 % interval. */
  perMonth: { value: number; interval: [number, number] };
  /** The interval leaves zero out. */
  plain: boolean;
  /** The trend at a moment, percent, with its 95 % interval. */
  at: (moment: Date) => { value: number; interval: [number, number] };
}

const MONTH_MS = 30 * 86_400_000;
/** A trend needs this many readings, taken at so many moments, and this many days between them to mean anything. */
const LEAST = { readings: 5, days: 7, moments: 3 } as const;

/** Trend of residuals over time; null when there are too few, or all are of one week. */
export function driftOf(residuals: readonly DatedResidual[]): Drift | null {
  const times = residuals.map((r) => r.at.getTime());
  const first = Math.min(...times);
  const few = residuals.length < LEAST.readings || new Set(times).size < LEAST.moments;
  if (few || Math.max(...times) - first < LEAST.days * 86_400_000) return null;
  const line: Line = fitLine(
    residuals.map((r) => ({ x: (r.at.getTime() - first) / MONTH_MS, y: r.percent })),
  );
  const t = tQuantile(0.975, line.n - 2);
  const around = (value: number, se: number): { value: number; interval: [number, number] } => ({
    value,
    interval: [value - t * se, value + t * se],
  });
  const perMonth = around(line.slope, line.slopeSe);
  return {
    perMonth,
    plain: perMonth.interval[0] > 0 || perMonth.interval[1] < 0,
    at: (moment) => {
      const x = (moment.getTime() - first) / MONTH_MS;
      return around(line.intercept + line.slope * x, lineSe(line, x));
    },
  };
}

export interface LotMean {
  lot: string;
  n: number;
  percent: number;
  /** 95 % interval of the mean; null from one reading. */
  interval: [number, number] | null;
}

/** Mean of what is left by bottle or lot, in the order of their first reading; readings without one are left out. */
export function lotMeans(residuals: readonly DatedResidual[]): LotMean[] {
  const lots = new Map<string, number[]>();
  for (const { lot, percent } of [...residuals].sort((a, b) => a.at.getTime() - b.at.getTime()))
    if (lot !== '') lots.set(lot, [...(lots.get(lot) ?? []), percent]);
  return [...lots].map(([lot, values]) => {
    const n = values.length;
    const mean = values.reduce((a, b) => a + b) / n;
    if (n < 2) return { lot, n, percent: mean, interval: null };
    const sd = Math.sqrt(values.reduce((s, v) => s + (v - mean) ** 2, 0) / (n - 1));
    const reach = (tQuantile(0.975, n - 1) * sd) / Math.sqrt(n);
    return { lot, n, percent: mean, interval: [mean - reach, mean + reach] };
  });
}
