import {
  patternChangeSchema,
  patternPageSchema,
  patternSchema,
  type NewPattern,
  type Pattern,
  type PatternChange,
  type Unread,
} from '@zero-pour/contracts';
import { shallowRef, type ShallowRef } from 'vue';
import type { z } from 'zod';
import { request } from '../api/request';
import { learnRevision, learnRevisions, revisionAt } from '../api/revisions';
import { useNotices } from './notices';
import { keepSurely, readUnsent } from './unsent';

const patternAt = (id: string): string => `/patterns/${id}`;

/** The shop's patterns, the newest first, and how they are kept: a part of the shop's store. */
export function keptPatterns(unread: ShallowRef<Unread[]>) {
  const patterns = shallowRef<Pattern[]>([]);
  /** Whether the shop has patterns that are not here yet: a large shop's come page by page, after the start. */
  const wantsMore = shallowRef(false);

  /** Patterns of the start; those that came page by page and are not among them stay as they were. */
  function takeFirst(first: readonly Pattern[], more: boolean): void {
    const sent = new Set(first.map(({ id }) => id));
    const others = more && !wantsMore.value ? patterns.value.filter(({ id }) => !sent.has(id)) : [];
    patterns.value = [...first, ...others];
    wantsMore.value = more && others.length === 0;
  }

  let fetching: Promise<void> | undefined;
  /** Fetches the patterns that are not here yet. */
  const fetchRest = (): Promise<void> => (fetching ??= fetchPages().finally(() => (fetching = undefined)));
  async function fetchPages(): Promise<void> {
    if (!wantsMore.value) return;
    const all: Pattern[] = [];
    for (let after: string | null = ''; after !== null;) {
      const page: z.infer<typeof patternPageSchema> = await request(patternPageSchema, 'GET', `/patterns${after ? `?after=${after}` : ''}`); // prettier-ignore
      all.push(...page.read);
      if (page.unread.length > 0) unread.value = [...unread.value, ...page.unread];
      learnRevisions(page.revisions);
      after = page.next;
    }
    const here = new Map(patterns.value.map((pattern) => [pattern.id, pattern]));
    const fetched = new Set(all.map(({ id }) => id));
    // What was added or changed here meanwhile stays as it is here.
    patterns.value = [...patterns.value.filter(({ id }) => !fetched.has(id)), ...all.map((pattern) => here.get(pattern.id) ?? pattern)]; // prettier-ignore
    wantsMore.value = false;
  }

  async function addPattern(pattern: NewPattern): Promise<Pattern> {
    const kept = await request(patternSchema, 'POST', '/patterns', pattern);
    if (revisionAt(patternAt(kept.id)) === undefined) learnRevision(patternAt(kept.id), 1);
    patterns.value = [kept, ...patterns.value.filter((p) => p.id !== kept.id)];
    return kept;
  }

  function takePattern(kept: Pattern): void {
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
    wantsMore,
    takeFirst,
    fetchRest,
    addPattern,
    takePattern,
    changePattern,
    resendPatterns,
  };
}
