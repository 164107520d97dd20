import { z } from 'zod';
import { idSchema } from './parts';
import { placeWords } from './placeWords';
import { RECORD_KINDS } from './record/kinds';
import { SHOP_KINDS } from './shop/kinds';

/** A kept thing that this version cannot read: named and left as it is, and nothing else waits for it. */
export const unreadSchema = z.strictObject({
  kind: z.enum(['pour', 'pattern', 'settings', ...SHOP_KINDS, ...RECORD_KINDS]),
  id: idSchema.nullable(),
  /** What it is called, as far as that can be told: "Pour 12". */
  name: z.string(),
  /** Where and why it does not read. */
  why: z.string(),
});
export type Unread = z.infer<typeof unreadSchema>;

/** "Pour 12 cannot be read here (doc › scale is missing). It is kept as it is, …" */
export const unreadSentence = ({ name, why }: Unread): string =>
  `${name} cannot be read here (${why}). It is kept as it is, and is not counted anywhere.`;

/** Why a value does not read, from the first of what its schema found. */
export function whyUnread(error: z.ZodError): string {
  const issue = error.issues[0];
  const place = placeWords(issue?.path ?? []);
  if (issue?.code === 'unrecognized_keys')
    return `${place} holds what is not known here: ${issue.keys.join(', ')}`;
  const isMissing = issue?.code === 'invalid_type' && issue.message.endsWith('received undefined');
  return isMissing ? `${place} is missing` : `${place} is not what belongs there`;
}
