import { idSchema, whyUnread, type Unread } from '@zero-pour/contracts';
import type { z } from 'zod';

/** How rows of a kind are read: as JSON, then by the schema. */
interface Stored<R, T> {
  kind: Unread['kind'];
  schema: z.ZodType<T>;
  jsonOf: (row: R) => unknown;
  nameOf: (row: R) => string;
}

/** What was read, and what was not. */
export interface Listed<T> {
  read: T[];
  unread: Unread[];
}

/** Reads one row; one that does not fit its schema is named instead. */
export function readOne<R extends { id: string }, T>(
  row: R,
  { kind, schema, jsonOf, nameOf }: Stored<R, T>,
): { read: T } | { unread: Unread } {
  const result = schema.safeParse(jsonOf(row));
  if (result.success) return { read: result.data };
  const id = idSchema.safeParse(row.id).data ?? null;
  return { unread: { kind, id, name: nameOf(row), why: whyUnread(result.error) } };
}

/** Reads rows one by one: one that does not read stops none of the others. */
export function readEach<R extends { id: string }, T>(rows: readonly R[], stored: Stored<R, T>): Listed<T> {
  const listed: Listed<T> = { read: [], unread: [] };
  for (const row of rows) {
    const found = readOne(row, stored);
    if ('read' in found) listed.read.push(found.read);
    else listed.unread.push(found.unread);
  }
  return listed;
}
