import { formatNumber, quantity, say } from '../../numeric';
import type { PatternAnalysis } from '../analysePattern';
import { counted, PLACES_MAX, type Finding } from '../../judge';

/** The size that a pour's brief wants a bore to have. mm. */
export interface WantedBore {
  diameterMm: number;
  toleranceMm: number;
  /** "US 7", when it was given so. */
  name?: string;
}

/** Tolerance of a bore when the brief names none: an eighth of a US size. mm. */
export const BORE_TOLERANCE_MM = 0.1;

/** Ways through, for the eye to confirm; how many the surface says there are. */
export function findHoles({ holes, genus }: PatternAnalysis): Finding[] {
  if (holes.length === 0 && (genus ?? 0) === 0) return [];
  const widths = holes.slice(0, 4).map(({ widthMm }) => formatNumber(widthMm, 2));
  const more = holes.length > 4 ? ` and ${holes.length - 4} more` : '';
  const missing = (genus ?? holes.length) - holes.length;
  return [
    {
      rule: 'through-holes',
      weight: missing > 0 ? 'watch' : 'note',
      lead: `${counted(holes.length, 'way')} through.`,
      why:
        missing > 0
          ? say`The surface goes round ${genus!} holes and ${holes.length} could be placed: the others wind, run into one another, or are too narrow to be seen.`
          : say`${widths.join(', ')}${more} mm wide, by the largest ball that passes.`,
      remedy: say`Check that each is meant: a hole that closed in the file is otherwise found on the print.`,
      places: holes
        .slice(0, PLACES_MAX)
        .map(({ at, widthMm, axis }) => ({ at, sizeMm: widthMm, from: axis })),
    },
  ];
}

/** A finger hole that is not the size that the brief asks for. */
export function findWrongBore({ bore }: PatternAnalysis, wanted: WantedBore | undefined): Finding[] {
  if (!bore || !wanted || Math.abs(bore.diameterMm - wanted.diameterMm) <= wanted.toleranceMm) return [];
  const mm = (value: number) => quantity(value, 'mm', 2);
  return [
    {
      rule: 'bore off size',
      weight: 'fix',
      lead: 'Bore is not the size.',
      why: say`${mm(bore.diameterMm)} in the file; the brief wants ${mm(wanted.diameterMm)}${wanted.name ? ` (${wanted.name})` : ''} ± ${mm(wanted.toleranceMm)}.`,
      remedy: say`Scale prints the whole part larger or smaller for it. Or change the model, or the brief.`,
      places: [{ at: bore.at, sizeMm: bore.diameterMm, from: bore.axis }],
    },
  ];
}
