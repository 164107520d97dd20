import { quantity, say, type Phrase, type Quantity } from '../numeric';
import type { PatternAnalysis } from './analysePattern';
import type { PatternMeasure } from './readPattern';

/** One number of two versions of a part. Null where a version has none. */
export interface Compared {
  name: string;
  before: Quantity | null;
  after: Quantity | null;
}

/** A version of a part as it was read; its analysis may be still to come. */
export interface VersionReading {
  measure: PatternMeasure;
  analysis?: PatternAnalysis | undefined;
}

/** Changes smaller than this share are the same number. */
const SAME_SHARE = 0.002;

/** The numbers of two versions side by side (handbook 01, "View"). */
export function comparePatterns(before: VersionReading, after: VersionReading): Compared[] {
  const row = (name: string, pick: (v: VersionReading) => Quantity | null | undefined): Compared => ({
    name,
    before: pick(before) ?? null,
    after: pick(after) ?? null,
  });
  const mm = (value: number | null | undefined): Quantity | null =>
    value == null ? null : quantity(value, 'mm', 2);
  return [
    row('Longest side', ({ measure }) => mm(Math.max(...measure.sizeMm))),
    row('Solid volume', ({ measure }) => quantity(measure.volumeMm3 / 1000, 'cm3')),
    row('Surface', ({ measure }) => quantity(measure.areaMm2 / 100, 'cm2')),
    row('Triangles', ({ measure }) => quantity(measure.triangles, 'count', 0)),
    row('Open edges', ({ measure }) => quantity(measure.openEdges, 'count', 0)),
    row('Bodies', ({ measure }) => quantity(measure.shells, 'count', 0)),
    row('Thinnest', ({ analysis }) => mm(analysis?.thickness.thinnestMm)),
    row('Half is under', ({ analysis }) => mm(analysis?.thickness.p50Mm)),
    row('Thickest', ({ analysis }) => mm(analysis?.thickness.thickestMm)),
    row('Bore', ({ analysis }) => mm(analysis?.bore?.diameterMm)),
    row('Ways through', ({ analysis }) => analysis && quantity(analysis.holes.length, 'count', 0)),
    row('Sealed hollows', ({ analysis }) => analysis && quantity(analysis.voids.length, 'count', 0)),
  ];
}

/** Whether a compared number has changed by more than reading it twice would. */
export function hasChanged({ before, after }: Compared): boolean {
  if (!before || !after) return before !== after;
  return (
    Math.abs(after.value - before.value) >
    SAME_SHARE * Math.max(Math.abs(before.value), Math.abs(after.value))
  );
}

/** "Thinnest 0.21 mm → 0.45 mm." for each change, the same numbers left out. */
export const changeSentences = (rows: readonly Compared[]): Phrase[] =>
  rows
    .filter((row) => row.before && row.after && hasChanged(row))
    .map(({ name, before, after }) => say`${name} ${before!} → ${after!}.`);
