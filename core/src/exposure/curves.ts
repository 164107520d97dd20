import { expectedPass, type EdgePosterior } from './edgePosterior';
import { sampleEdge } from './verdict';

/** An edge's curve over exposure for drawing: expected share and its 90 % band at each exposure. */
export interface EdgeCurve {
  exposuresS: number[];
  expected: number[];
  low: number[];
  high: number[];
}

const SAMPLES = 200;

/** Expected shares and 90 % bands at exposures evenly spaced by ratio. */
export function edgeCurve(edge: EdgePosterior, fromS: number, toS: number, points = 60): EdgeCurve {
  const exposuresS = Array.from({ length: points }, (_, i) => fromS * (toS / fromS) ** (i / (points - 1)));
  const { chances, samples } = sampleEdge(edge, exposuresS, SAMPLES);
  const quantile = (t: number, share: number): number => {
    const column = Float64Array.from({ length: samples }, (_, k) => chances[k * points + t]!).sort();
    return column[Math.min(samples - 1, Math.floor(share * samples))]!;
  };
  return {
    exposuresS,
    expected: exposuresS.map((s) => expectedPass(edge, s)),
    low: exposuresS.map((_, t) => quantile(t, 0.05)),
    high: exposuresS.map((_, t) => quantile(t, 0.95)),
  };
}
