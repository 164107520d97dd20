import { patternPageSchema } from '@zero-pour/contracts';
import type { z } from 'zod';
import { request } from '../api/request';

export type PatternPage = z.infer<typeof patternPageSchema>;

/** As many are asked for by name at once. */
const NAMED_MOST = 100;

/** Answers one after the other as one. */
function joined(pages: readonly PatternPage[]): PatternPage {
  return {
    read: pages.flatMap(({ read }) => read),
    unread: pages.flatMap(({ unread }) => unread),
    revisions: Object.assign({}, ...pages.map(({ revisions }) => revisions)) as PatternPage['revisions'],
    next: null,
  };
}

const askPage = (query: string): Promise<PatternPage> =>
  request(patternPageSchema, 'GET', `/patterns${query}`);

/** Patterns of some ids, those that are there. */
export async function askNamedPatterns(ids: readonly string[]): Promise<PatternPage> {
  const pages: PatternPage[] = [];
  for (let from = 0; from < ids.length; from += NAMED_MOST)
    pages.push(await askPage(`?ids=${ids.slice(from, from + NAMED_MOST).join(',')}`));
  return joined(pages);
}

/** All patterns, the newest first. */
export async function askAllPatterns(): Promise<PatternPage> {
  const pages = [await askPage('')];
  for (let after = pages[0]!.next; after !== null; after = pages.at(-1)!.next)
    pages.push(await askPage(`?after=${after}`));
  return joined(pages);
}
