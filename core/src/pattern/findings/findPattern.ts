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

/** Under this share of the solid with a thickness, the findings speak of a part of it only. */
const READ_SHARE_MIN = 0.5;

/** A part that is finer than the grid it is read on: what follows from its thickness is not known. */
function findUnread({ volumeMm3 }: PatternMeasure, { thickness, resolution }: PatternAnalysis): Finding[] {
  const read = thickness.histogramMm3.reduce((sum, volume) => sum + volume, 0);
  if (read >= READ_SHARE_MIN * volumeMm3) return [];
  return [
    {
      rule: 'finer than the reading',
      weight: 'stop',
      lead: read === 0 ? 'Too thin to be read.' : 'Mostly too thin to be read.',
      why: say`It is read in steps of ${quantity(resolution.fineMm, 'mm', 3)}, and ${read === 0 ? 'nothing' : 'less than half'} of it is as thick as that: no resin prints it, and what else is said of it is of the rest.`,
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
    ...findUnread(measure, analysis),
    ...findThin(analysis, limits, context.resinName),
    ...findThick(analysis, limits, context.resinName),
    ...findCups(analysis, context.tiltDeg ?? 0),
    ...findFragile(analysis, limits),
    ...findHardToDivest(analysis, limits),
    ...findHoles(analysis),
    ...findUnreachable(analysis, limits),
  ]);
}
