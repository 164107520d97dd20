import { withPatterns, type Pattern, type PourDoc } from '@zero-pour/contracts';
import { laterVersions } from '@zero-pour/plan';

/** The pour with the newest version of each pattern. */
export const newestPatterns = (doc: PourDoc, patterns: readonly Pattern[]): PourDoc =>
  withPatterns(doc, new Map(laterVersions(doc, patterns).map(({ line, newest }) => [line, newest.id])));
