import { type ListedPattern, type Pattern } from '@zero-pour/contracts';

/** A pattern as the server lists it. */
export function listed({
  measure: { supportPointsMm: _, ...measure },
  sprues,
  ...pattern
}: Pattern): ListedPattern {
  if (!sprues) return { ...pattern, measure, sprues };
  const { supportPointsMm: __, ...piece } = sprues.piece;
  return { ...pattern, measure, sprues: { ...sprues, piece } };
}

const FIRST_PAGE = 100;

/** What the server answers of patterns: those of some names whole, a page of the list without points, or nothing known of any. */
export function patternsFake(patterns: readonly Pattern[], at: string): unknown {
  const [path, asked] = at.split('?');
  if (path!.endsWith('/known')) return { parts: [] };
  const id = /[0-9a-f-]{36}$/.exec(path!)?.[0];
  if (id) return patterns.find((pattern) => pattern.id === id);
  const query = new URLSearchParams(asked);
  const ids = query.get('ids')?.split(',');
  const rest = { unread: [], revisions: {} };
  if (ids) return { ...rest, read: patterns.filter((pattern) => ids.includes(pattern.id)) };
  const from = patterns.findIndex((pattern) => pattern.id === query.get('after')) + 1;
  const read = patterns.slice(from, from + FIRST_PAGE).map(listed);
  return { ...rest, read, next: from + FIRST_PAGE >= patterns.length ? null : read.at(-1)!.id };
}
