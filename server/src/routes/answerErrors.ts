import { Refusal } from '@zero-pour/contracts';
import type { ErrorRequestHandler } from 'express';
import type { Logger } from 'pino';

/** What express itself throws while it reads a body. */
function bodyRefusal(error: unknown): Refusal | null {
  const { type } = error as { type?: string };
  if (type === 'entity.too.large') return new Refusal('BODY_TOO_LARGE', { limit: '2 MB' });
  return type === undefined ? null : new Refusal('BODY_UNREADABLE');
}

/** Every failure leaves in the one error shape; what was not foreseen is logged, not shown. */
export function answerErrors(log: Logger): ErrorRequestHandler {
  return (error: unknown, request, response, next) => {
    if (response.headersSent) return next(error);
    let refusal = error instanceof Refusal ? error : bodyRefusal(error);
    if (!refusal) {
      log.error({ err: error, method: request.method, url: request.url });
      refusal = new Refusal('INTERNAL');
    }
    response.status(refusal.status).json(refusal.body);
  };
}
