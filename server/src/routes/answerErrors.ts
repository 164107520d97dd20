import { Refusal, StaleRefusal } from '@zero-pour/contracts';
import type { ErrorRequestHandler } from 'express';
import type { Logger } from 'pino';
import { etagOf } from './revision';
import { asRefusal } from '../services/asRefusal';

/** Every failure leaves in the one error shape; what was not foreseen is logged, not shown. */
export function answerErrors(log: Logger): ErrorRequestHandler {
  return (error: unknown, request, response, next) => {
    if (response.headersSent) return next(error);
    const refusal = asRefusal(error) ?? new Refusal('INTERNAL');
    if (refusal.status >= 500) log.error({ err: error, method: request.method, url: request.url });
    if (refusal instanceof StaleRefusal) response.set('ETag', etagOf(refusal.revision));
    response.status(refusal.status).json(refusal.body);
  };
}
