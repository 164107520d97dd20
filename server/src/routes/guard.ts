import { Refusal } from '@zero-pour/contracts';
import type { RequestHandler } from 'express';

const LOOPBACK = /^(127\.0\.0\.1|localhost|\[::1\])(:\d+)?$/;

/**
 * Only pages served from here may ask: a foreign Host (a name pointed at this address) or a foreign Origin
 * (another page in the same browser) is refused.
 */
export const ownPagesOnly: RequestHandler = (request, _response, next) => {
  const { host, origin } = request.headers;
  if (host === undefined || !LOOPBACK.test(host)) throw new Refusal('FOREIGN_ORIGIN');
  if (origin !== undefined && !LOOPBACK.test(origin.replace(/^https?:\/\//, '')))
    throw new Refusal('FOREIGN_ORIGIN');
  next();
};
