import { Refusal, SHOP_HEADER } from '@zero-pour/contracts';
import type { RequestHandler } from 'express';

const LOOPBACK = /^(127\.0\.0\.1|localhost|\[::1\])(:\d+)?$/;
/** What a browser says of a request that the page itself made, or that somebody typed as an address. */
const OWN_SITE = new Set(['same-origin', 'none']);

/**
 * Only this machine's names are answered: a foreign Host is a name that was pointed at this address.
 */
export const ownNameOnly: RequestHandler = (request, _response, next) => {
  const { host } = request.headers;
  if (host === undefined || !LOOPBACK.test(host)) throw new Refusal('FOREIGN_ORIGIN');
  next();
};

/** A page that shows another shop (two take turns on one port) is refused before it writes into this one. */
export const ownShopOnly =
  (shopId: string): RequestHandler =>
  (request, _response, next) => {
    const meant = request.get(SHOP_HEADER);
    if (meant !== undefined && meant !== shopId) throw new Refusal('OTHER_SHOP');
    next();
  };

/**
 * Only pages served from here may ask the API. A page of another port of this machine is as foreign as one from
 * elsewhere: its origin is not ours to the letter, or the browser says that it is another site.
 */
export const ownPagesOnly: RequestHandler = (request, _response, next) => {
  const { host, origin } = request.headers;
  const site = request.headers['sec-fetch-site'];
  if (origin !== undefined && origin !== `http://${host}`) throw new Refusal('FOREIGN_ORIGIN');
  if (typeof site === 'string' && !OWN_SITE.has(site)) throw new Refusal('FOREIGN_ORIGIN');
  next();
};
