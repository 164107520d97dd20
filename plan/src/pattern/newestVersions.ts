import type { ListedPattern, PourDoc } from '@zero-pour/contracts';

/** A line of a pour whose pattern has a later version. */
export interface LaterVersion {
  line: string;
  former: ListedPattern;
  newest: ListedPattern;
}

/** The last version of a pattern: the newest that follows it, and so on; itself when none does. */
function newestOf(pattern: ListedPattern, patterns: readonly ListedPattern[]): ListedPattern {
  const seen = new Set<string>();
  let at = pattern;
  for (;;) {
    seen.add(at.id);
    const [next] = patterns
      .filter(({ formerId, id }) => formerId === at.id && !seen.has(id))
      .sort((a, b) => b.createdAt.localeCompare(a.createdAt));
    if (!next) return at;
    at = next;
  }
}

/** Lines of a pour that would be printed again from an old version, with the newest of each. */
export function laterVersions({ brief }: PourDoc, patterns: readonly ListedPattern[]): LaterVersion[] {
  return brief.lines.flatMap((line) => {
    const former = patterns.find(({ id }) => id === line.patternId);
    const newest = former && newestOf(former, patterns);
    return former && newest && newest !== former ? [{ line: line.key, former, newest }] : [];
  });
}
