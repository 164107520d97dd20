import {
  patternChangeSchema,
  patternSchema,
  type NewPattern,
  type Pattern,
  type PatternChange,
} from '@zero-pour/contracts';
import { shallowRef } from 'vue';
import { request } from '../api/request';
import { learnRevision, revisionAt } from '../api/revisions';
import { useNotices } from './notices';
import { keepSurely, readUnsent } from './unsent';

const patternAt = (id: string): string => `/patterns/${id}`;

/** The shop's patterns, the newest first, and how they are kept: a part of the shop's store. */
export function keptPatterns() {
  const patterns = shallowRef<Pattern[]>([]);

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

  return { patterns, addPattern, takePattern, changePattern, resendPatterns };
}
