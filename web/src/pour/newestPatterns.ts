import { withPatterns, type ListedPattern, type PourDoc } from '@zero-pour/contracts';
import { laterVersions } from '@zero-pour/plan';

/** The pour with the newest version of each pattern. */
export const newestPatterns = (doc: PourDoc, patterns: readonly ListedPattern[]): PourDoc =>
  withPatterns(doc, new Map(laterVersions(doc, patterns).map(({ line, newest }) => [line, newest.id])));
