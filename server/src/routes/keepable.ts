import { Refusal } from '@zero-pour/contracts';
import type { RequestHandler } from 'express';

/** Documents are flat: nothing that a page sends is nested deeper. */
const DEPTH_MAX = 40;

/** Why a text cannot be kept as JSON in a database, or null. */
function whyNot(text: string): string | null {
  if (text.includes('\u0000')) return 'it holds a NUL character, which cannot be kept';
  return /\p{Surrogate}/u.test(text)
    ? 'it holds half a character, which cannot be kept: type it again'
    : null;
}

/** Refuses texts that no database keeps, wherever they stand, and nesting that no document has. */
function checkAll(body: unknown): void {
  const waiting: { value: unknown; path: string[] }[] = [{ value: body, path: [] }];
  for (let next = waiting.pop(); next; next = waiting.pop()) {
    const { value, path } = next;
    const refuse = (why: string): never => {
      throw new Refusal('BAD_REQUEST', { where: path.slice(0, 6).join(' › ') || 'the whole', why });
    };
    if (typeof value === 'string') {
      const why = whyNot(value);
      if (why !== null) refuse(why);
    } else if (typeof value === 'object' && value !== null) {
      if (path.length > DEPTH_MAX) refuse('it is nested too deep');
      for (const [key, below] of Object.entries(value)) {
        const why = whyNot(key);
        if (why !== null) refuse(why);
        waiting.push({ value: below, path: [...path, key] });
      }
    }
  }
}

/** What comes in a body or an address is text that can be kept. */
export const keepableOnly: RequestHandler = (request, _response, next) => {
  checkAll(request.body);
  checkAll(request.query);
  next();
};
