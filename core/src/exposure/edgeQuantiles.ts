import { greatest, lnEdge, type EdgePosterior } from './edgePosterior';

/** Bins of ln(edge) that quantiles are read from: a bin is under a thousandth of an exposure wide once a coupon is in. */
const QUANTILE_BINS = 4096;

/** Quantiles of the edge, s, interpolated over its cumulated weight. `shares` in 0 to 1. O(points + bins). */
export function edgeQuantilesS(edge: EdgePosterior, shares: readonly number[]): number[] {
  const lnEdges = edge.mu.map((_, i) => lnEdge(edge, i));
  const from = -greatest(lnEdges.map((e) => -e));
  const width = Math.max((greatest(lnEdges) - from) / QUANTILE_BINS, 1e-12);
  const bins = new Float64Array(QUANTILE_BINS);
  lnEdges.forEach((e, i) => {
    const bin = Math.min(QUANTILE_BINS - 1, Math.floor((e - from) / width));
    bins[bin] = bins[bin]! + edge.weight[i]!;
  });
  return shares.map((share) => {
    let before = 0;
    let bin = 0;
    while (bin < QUANTILE_BINS - 1 && before + bins[bin]! < share) before += bins[bin++]!;
    const inside = bins[bin]! > 0 ? (share - before) / bins[bin]! : 0;
    return Math.exp(from + (bin + inside) * width);
  });
}
