import { describe, expect, it } from 'vitest';
import { NO_ROTATION } from '../orient';
import { analysed, turned } from '../testing/analysed';
import { tube } from '../testing/solids';
import { classifyPart, shareThinner } from './partClass';
import { BIN_MM } from './readThickness';
import { rebin, scaleAnalysis } from './scaleAnalysis';

describe('an analysis at another size', () => {
  it('keeps the volume of a histogram and moves its percentiles', () => {
    const histogram = Array.from({ length: 80 }, (_, b) => (b > 20 && b < 50 ? 1 + (b % 3) : 0));
    for (const factor of [0.9, 1.013, 1.2]) {
      const moved = rebin(histogram, factor);
      const total = (values: number[]): number => values.reduce((a, b) => a + b, 0);
      expect(total(moved)).toBeCloseTo(total(histogram), 9);
      const limit = 35 * BIN_MM;
      expect(shareThinner(moved, limit * factor)).toBeCloseTo(shareThinner(histogram, limit), 1);
    }
    expect(rebin([0, 0, 5], 0.5)).toEqual([0, 0, 5]);
    expect(rebin([1, 2, 3], 1)).toEqual([1, 2, 3]);
  });

  it('agrees with reading the scaled part anew', () => {
    const ring = tube(10.2, 8.66, 4, 96);
    const { analysis } = analysed(ring);
    const anew = analysed(turned(ring, NO_ROTATION, 1.05)).analysis;
    const scaled = scaleAnalysis(analysis, 1.05);
    for (const key of ['p10Mm', 'p50Mm', 'p90Mm', 'thickestMm'] as const)
      expect(Math.abs(scaled.thickness[key] - anew.thickness[key])).toBeLessThan(0.06);
    expect(scaled.bore!.diameterMm).toBeCloseTo(anew.bore!.diameterMm, 3);
    expect(scaled.holes[0]!.widthMm).toBeCloseTo(anew.holes[0]!.widthMm, 1);
    expect(scaled.hotSpots[0]!.modulusMm).toBeCloseTo(anew.hotSpots[0]!.modulusMm, 1);
    const volume = (a: typeof anew): number => a.thickness.histogramMm3.reduce((x, y) => x + y, 0);
    expect(volume(scaled) / volume(anew)).toBeCloseTo(1, 2);
    expect(scaled.bore!.at).toEqual(analysis.bore!.at);
    expect(classifyPart(scaled.thickness.histogramMm3).partClass).toBe(
      classifyPart(anew.thickness.histogramMm3).partClass,
    );
    expect(scaleAnalysis(analysis, 1)).toBe(analysis);
  });

  it('moves a part over the line between classes', () => {
    // Just under the median that ends filigree.
    const { analysis } = analysed(tube(9.55, 8.66, 1.2, 96));
    const at = (factor: number) =>
      classifyPart(scaleAnalysis(analysis, factor).thickness.histogramMm3).partClass;
    expect([at(0.8), at(1.3)]).toEqual(['filigree', 'standard']);
  });
});
