import {
  namedPatternsSchema,
  patternPageSchema,
  type ListedPattern,
  type Revisions,
  type Unread,
} from '@zero-pour/contracts';
import { request } from '../api/request';

/** Patterns that the server answered with. */
export interface FetchedPatterns {
  read: ListedPattern[];
  unread: Unread[];
  revisions: Revisions;
}

/** As many are asked for by name at once. */
const NAMED_MOST = 100;

/** Answers one after the other as one. */
const joined = (answers: readonly FetchedPatterns[]): FetchedPatterns => ({
  read: answers.flatMap(({ read }) => read),
  unread: answers.flatMap(({ unread }) => unread),
  revisions: Object.assign({}, ...answers.map(({ revisions }) => revisions)) as Revisions,
});

/** Patterns of some ids, whole; those that are there. */
export async function askNamedPatterns(ids: readonly string[]): Promise<FetchedPatterns> {
  const answers: FetchedPatterns[] = [];
  for (let from = 0; from < ids.length; from += NAMED_MOST) {
    const names = ids.slice(from, from + NAMED_MOST).join(',');
    answers.push(await request(namedPatternsSchema, 'GET', `/patterns?ids=${names}`));
  }
  return joined(answers);
}

/** All patterns as lists have them, the newest first. */
export async function askAllPatterns(): Promise<FetchedPatterns> {
  const pages = [await request(patternPageSchema, 'GET', '/patterns')];
  for (let after = pages[0]!.next; after !== null; after = pages.at(-1)!.next)
    pages.push(await request(patternPageSchema, 'GET', `/patterns?after=${after}`));
  return joined(pages);
}
