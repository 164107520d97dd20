import { Refusal } from '@zero-pour/contracts';
import type { ErrorRequestHandler } from 'express';
import type { Logger } from 'pino';
import { asRefusal } from './asRefusal';

/** Every failure leaves in the one error shape; what was not foreseen is logged, not shown. */
export function answerErrors(log: Logger): ErrorRequestHandler {
  return (error: unknown, request, response, next) => {
    if (response.headersSent) return next(error);
    const refusal = asRefusal(error) ?? new Refusal('INTERNAL');
    if (refusal.status >= 500) log.error({ err: error, method: request.method, url: request.url });
    response.status(refusal.status).json(refusal.body);
  };
}
