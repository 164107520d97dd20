import { Refusal } from '@zero-pour/contracts';
import type { Request } from 'express';

/** The revision that a whole thing is written over; null for one that is thought to be new. */
export function baseOf(request: Request): number | null {
  const said = request.get('If-Match');
  if (said === undefined) return null;
  const revision = Number(/^"(\d{1,9})"$/.exec(said)?.[1]);
  if (!Number.isInteger(revision)) throw new Refusal('BODY_UNREADABLE');
  return revision;
}

export const etagOf = (revision: number): string => `"${revision}"`;
