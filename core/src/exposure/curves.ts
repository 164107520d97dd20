import type { EdgePosterior } from './edgePosterior';
import { sampleEdge } from './verdict';

/** An edge's curve over exposure for drawing: expected share and its 90 % band at each exposure. */
export interface EdgeCurve {
  exposuresS: number[];
  expected: number[];
  low: number[];
  high: number[];
}

/** Enough that mean and band are true to the width of a drawn line. */
const SAMPLES = 160;

/** Expected shares and 90 % bands at exposures evenly spaced by ratio. */
export function edgeCurve(edge: EdgePosterior, fromS: number, toS: number, points = 48): EdgeCurve {
  const exposuresS = Array.from({ length: points }, (_, i) => fromS * (toS / fromS) ** (i / (points - 1)));
  const { chances, samples } = sampleEdge(edge, exposuresS, SAMPLES);
  const columns = exposuresS.map((_, t) =>
    Float64Array.from({ length: samples }, (__, k) => chances[k * points + t]!).sort(),
  );
  const at = (share: number): number[] => columns.map((column) => column[Math.floor(share * samples)]!);
  return {
    exposuresS,
    expected: columns.map((column) => column.reduce((a, b) => a + b, 0) / samples),
    low: at(0.05),
    high: at(0.95),
  };
}
