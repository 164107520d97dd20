import { quantity, say } from '../../numeric';
import { judgePattern } from '../judgePattern';
import type { PatternAnalysis } from '../analysePattern';
import type { PatternMeasure } from '../readPattern';
import { findFeed } from './feed';
import { sortFindings, type Finding } from '../../judge';
import { findCups, findHardToDivest, findVoids } from './hollows';
import { findHoles, findWrongBore, type WantedBore } from './holes';
import { PATTERN_LIMITS, type PatternLimits } from './limits';
import { findFragile, findUnreachable } from './recesses';
import { findThick, findThin } from './thickness';

/** What the findings are judged by, besides the part itself. */
export interface FindingContext {
  limits?: Partial<PatternLimits>;
  resinName?: string;
  /** Tilt that the part hangs at, one of HANG_TILTS_DEG. */
  tiltDeg?: number;
  wantedBore?: WantedBore;
}

/** What the topology says, as findings: they need no analysis. */
export function findTopology(measure: PatternMeasure): Finding[] {
  return judgePattern(measure)
    .filter(({ weight }) => weight !== 'ok')
    .map(({ rule, weight, lead, why }) => ({
      rule,
      weight: rule === 'bodies' || rule === 'overlap' ? 'note' : (weight as Finding['weight']),
      lead,
      why,
      remedy: say``,
      places: [],
    }));
}

/** A part that is finer than the grid it is read on: what follows from its thickness is not known. */
function findUnread({ thickness, resolution }: PatternAnalysis): Finding[] {
  if (thickness.histogramMm3.some((volume) => volume > 0)) return [];
  return [
    {
      rule: 'finer than the reading',
      weight: 'stop',
      lead: 'Too thin to be read.',
      why: say`It is read in steps of ${quantity(resolution.fineMm, 'mm', 3)}, and nothing of it is as thick as that: no resin prints it.`,
      remedy: say`Give the sheet or the needle a thickness, or check the unit of the file.`,
      places: [],
    },
  ];
}

/** All findings of handbook 01 for one part, gravest first. */
export function findPattern(
  measure: PatternMeasure,
  analysis: PatternAnalysis,
  context: FindingContext = {},
): Finding[] {
  const limits = { ...PATTERN_LIMITS, ...context.limits };
  const topology = findTopology(measure).filter(
    ({ rule }) => rule !== 'hollow' || analysis.voids.length === 0,
  );
  return sortFindings([
    ...topology,
    ...findVoids(analysis),
    ...findWrongBore(analysis, context.wantedBore),
    ...findFeed(analysis, limits),
    ...findUnread(analysis),
    ...findThin(analysis, limits, context.resinName),
    ...findThick(analysis, limits, context.resinName),
    ...findCups(analysis, context.tiltDeg ?? 0),
    ...findFragile(analysis, limits),
    ...findHardToDivest(analysis, limits),
    ...findHoles(analysis),
    ...findUnreachable(analysis, limits),
  ]);
}
