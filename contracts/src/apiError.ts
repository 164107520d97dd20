import { z } from 'zod';
import { placeWords } from './placeWords';
import { ERRORS, errorSentence, type ErrorCode, type ErrorDetail } from './errors';

/** The one shape of every refusal. */
export const apiErrorSchema = z.strictObject({
  error: z.strictObject({
    code: z.string(),
    sentence: z.string(),
  }),
  /** What is kept instead, where a whole thing was written over a state that its writer had not seen. */
  stored: z.unknown().optional(),
});
export type ApiErrorBody = z.infer<typeof apiErrorSchema>;

/** A refusal on its way to the user. */
export class Refusal extends Error {
  constructor(
    readonly code: ErrorCode,
    readonly detail: ErrorDetail = {},
  ) {
    super(errorSentence(code, detail));
    this.name = 'Refusal';
  }
  get status(): number {
    return ERRORS[this.code].status;
  }
  get body(): ApiErrorBody {
    return { error: { code: this.code, sentence: this.message } };
  }
}

/** The thing was changed elsewhere meanwhile: both versions are told, and nothing is written over. */
export class StaleRefusal extends Refusal {
  constructor(
    readonly stored: unknown,
    readonly revision: number,
  ) {
    super('STALE');
    this.name = 'StaleRefusal';
  }
  override get body(): ApiErrorBody {
    return { ...super.body, stored: this.stored };
  }
}

/** Parses with a schema, or refuses with the place and the reason of the first issue. */
export function parseOrRefuse<T>(schema: z.ZodType<T>, value: unknown): T {
  const result = schema.safeParse(value);
  if (result.success) return result.data;
  const issue = result.error.issues[0];
  throw new Refusal('BAD_REQUEST', {
    where: placeWords(issue?.path ?? []),
    why: issue?.message ?? 'not as expected',
  });
}
