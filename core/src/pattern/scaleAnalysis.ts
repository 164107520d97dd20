import { requirePositive } from '../numeric';
import type { PatternAnalysis } from './analysePattern';
import type { Spot } from './spots';

/** A histogram of sizes when every size is `factor` as large; the last bin holds all above. */
export function rebin(values: readonly number[], factor: number): number[] {
  const out = values.map(() => 0);
  const last = values.length - 1;
  values.forEach((value, bin) => {
    if (bin === last) {
      out[last]! += value;
      return;
    }
    const [from, to] = [bin * factor, (bin + 1) * factor];
    for (let b = Math.floor(from); b < to; b++) {
      const share = (Math.min(b + 1, to) - Math.max(b, from)) / factor;
      out[Math.min(b, last)]! += value * share;
    }
  });
  return out;
}

/**
 * The analysis of the part printed at another size, without reading it anew: lengths by the factor, areas and volumes by
 * its square and cube. Places stay in the file's own axes, where the view shows them.
 */
export function scaleAnalysis(analysis: PatternAnalysis, factor: number): PatternAnalysis {
  requirePositive('factor', factor);
  if (factor === 1) return analysis;
  const [f2, f3] = [factor ** 2, factor ** 3];
  const spot = (s: Spot): Spot => ({
    ...s,
    sizeMm: s.sizeMm * factor,
    ...(s.depthMm === undefined ? {} : { depthMm: s.depthMm * factor }),
  });
  const wide = <T extends { widthMm: number }>(thing: T): T => ({
    ...thing,
    widthMm: thing.widthMm * factor,
  });
  const section = <T extends { widthMm: number; modulusMm: number }>(s: T): T => ({
    ...wide(s),
    modulusMm: s.modulusMm * factor,
  });
  const { thickness, bore } = analysis;
  return {
    ...analysis,
    exactMm3: analysis.exactMm3 === null ? null : analysis.exactMm3 * f3,
    thickness: {
      p1Mm: thickness.p1Mm * factor,
      p10Mm: thickness.p10Mm * factor,
      p50Mm: thickness.p50Mm * factor,
      p90Mm: thickness.p90Mm * factor,
      thinnestMm: thickness.thinnestMm === null ? null : thickness.thinnestMm * factor,
      thickestMm: thickness.thickestMm * factor,
      histogramMm3: rebin(thickness.histogramMm3, factor).map((v) => v * f3),
    },
    thin: analysis.thin.map(spot),
    thick: analysis.thick.map(spot),
    gaps: analysis.gaps.map(spot),
    gapAreaMm2: rebin(analysis.gapAreaMm2, factor).map((v) => v * f2),
    hotSpots: analysis.hotSpots.map((s) => ({ ...section(s), neck: s.neck && section(s.neck) })),
    holes: analysis.holes.map(wide),
    chambers: analysis.chambers.map((c) => ({ ...wide(c), entranceMm: c.entranceMm * factor })),
    bore: bore && { ...bore, diameterMm: bore.diameterMm * factor, residualMm: bore.residualMm * factor },
    voids: analysis.voids.map((v) => ({ ...v, volumeMm3: v.volumeMm3 * f3 })),
    hangs: analysis.hangs.map((hang) => ({
      ...hang,
      pockets: hang.pockets.map((p) => ({ ...p, volumeMm3: p.volumeMm3 * f3, depthMm: p.depthMm * factor })),
    })),
  };
}
