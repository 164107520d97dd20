import {
  isWholePattern,
  patternChangeSchema,
  patternSchema,
  type ListedPattern,
  type NewPattern,
  type Pattern,
  type PatternChange,
  type Unread,
} from '@zero-pour/contracts';
import { defineStore } from 'pinia';
import { computed, shallowRef } from 'vue';
import { request } from '../api/request';
import { askAllPatterns, askNamedPatterns, type FetchedPatterns } from './askPatterns';
import { learnRevision, learnRevisions, revisionAt } from '../api/revisions';
import { useNotices } from './notices';
import { keepSurely, readUnsent } from './unsent';

const patternAt = (id: string): string => `/patterns/${id}`;

const newestFirst = (patterns: readonly ListedPattern[]): ListedPattern[] =>
  [...patterns].sort((a, b) => Date.parse(b.createdAt) - Date.parse(a.createdAt));

/** Patterns with what was fetched of them, the newest first. What was added or changed here meanwhile stays as it is here. */
function withFetched(patterns: readonly ListedPattern[], read: readonly ListedPattern[]): ListedPattern[] {
  const here = new Map(patterns.map((pattern) => [pattern.id, pattern]));
  const better = (fetched: ListedPattern): ListedPattern => {
    const stands = here.get(fetched.id);
    return stands && (isWholePattern(stands) || !isWholePattern(fetched)) ? stands : fetched;
  };
  const fetched = new Map(read.map((pattern) => [pattern.id, better(pattern)]));
  const stay = patterns.map((pattern) => fetched.get(pattern.id) ?? pattern);
  const come = [...fetched.values()].filter(({ id }) => !here.has(id));
  return newestFirst([...stay, ...come]);
}

/**
 * The shop's patterns, the newest first, and how they are kept. Of a large shop not all are here until somebody asks for them, and then
 * as lists have them: what is planned from, or drawn, is asked for by name.
 */
export const usePatterns = defineStore('patterns', () => {
  const patterns = shallowRef<ListedPattern[]>([]);
  const whole = computed(() => patterns.value.filter(isWholePattern));
  /** Those that do not read, of what came after the start. */
  const unread = shallowRef<Unread[]>([]);
  /** Whether the shop has patterns that are not here: those that nobody named yet. */
  const wantsMore = shallowRef(false);
  /** How many the shop has, and had when all of them were fetched. */
  let total = 0;
  let hadAll: number | undefined;

  /** Patterns of the start, and how many others there are; what came since stays. */
  function takeFirst(first: readonly Pattern[], more: number): void {
    const sent = new Set(first.map(({ id }) => id));
    const others = more > 0 ? patterns.value.filter(({ id }) => !sent.has(id)) : [];
    patterns.value = [...first, ...others];
    unread.value = more > 0 ? unread.value : [];
    total = first.length + more;
    wantsMore.value = more > 0 && hadAll !== total;
  }
  function takePage({ read, unread: not, revisions }: FetchedPatterns): void {
    if (read.length > 0) patterns.value = withFetched(patterns.value, read);
    const known = new Set(unread.value.map(({ id }) => id));
    const more = not.filter(({ id }) => !known.has(id));
    if (more.length > 0) unread.value = [...unread.value, ...more];
    learnRevisions(revisions);
  }

  /** Fetches those that are named and not here whole; nothing where the shop has no more. */
  async function fetchNamed(ids: readonly string[]): Promise<void> {
    if (!wantsMore.value && whole.value.length === patterns.value.length) return;
    const here = new Set(whole.value.map(({ id }) => id));
    const missing = [...new Set(ids)].filter((id) => !here.has(id));
    if (missing.length > 0) takePage(await askNamedPatterns(missing));
  }

  let fetching: Promise<void> | undefined;
  /** Fetches all that are not here yet, as lists have them. */
  const fetchRest = (): Promise<void> => (fetching ??= fetchPages().finally(() => (fetching = undefined)));
  async function fetchPages(): Promise<void> {
    // Once more where another window added one meanwhile: a page that waits for all would wait for ever.
    while (wantsMore.value) {
      const before = total;
      // Taken at once: every list that shows them is drawn once.
      takePage(await askAllPatterns());
      hadAll = before;
      wantsMore.value = total !== hadAll;
    }
  }

  async function addPattern(pattern: NewPattern): Promise<Pattern> {
    const kept = await request(patternSchema, 'POST', '/patterns', pattern);
    if (revisionAt(patternAt(kept.id)) === undefined) learnRevision(patternAt(kept.id), 1);
    // One that came from here is one more on both sides.
    if (!patterns.value.some(({ id }) => id === kept.id)) [total, hadAll] = [total + 1, hadAll && hadAll + 1];
    patterns.value = [kept, ...patterns.value.filter((p) => p.id !== kept.id)];
    return kept;
  }

  function takePattern(kept: ListedPattern): void {
    patterns.value = patterns.value.map((p) => (p.id === kept.id ? kept : p));
  }

  /** Keeps a pattern's name, note and class, however long the server is away. */
  function changePattern(id: string, change: PatternChange): Promise<boolean> {
    const at = patternAt(id);
    const before = patterns.value.find((pattern) => pattern.id === id);
    if (before) takePattern({ ...before, ...change });
    const send = async (typed: PatternChange): Promise<void> =>
      takePattern(await request(patternSchema, 'PUT', at, typed));
    return keepSurely({ at, value: change, send, afterMs: 0 }).catch((error: unknown) => {
      if (before) takePattern(before);
      throw error;
    });
  }

  /** What an earlier window could not send is shown and sent now. */
  function resendPatterns(): void {
    for (const { at, value } of readUnsent(patternAt(''))) {
      const parsed = patternChangeSchema.safeParse(value);
      if (parsed.success) void changePattern(at.split('/').at(-1)!, parsed.data).catch(useNotices().wrong);
    }
  }

  return {
    patterns,
    whole,
    unread,
    wantsMore,
    takeFirst,
    fetchNamed,
    fetchRest,
    addPattern,
    takePattern,
    changePattern,
    resendPatterns,
  };
});
