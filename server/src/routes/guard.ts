import { Refusal, SHOP_HEADER } from '@zero-pour/contracts';
import type { RequestHandler } from 'express';

const LOOPBACK = /^(127\.0\.0\.1|localhost|\[::1\])(:\d+)?$/;
/** What a browser says of a request that the page itself made, or that somebody typed as an address. */
const OWN_SITE = new Set(['same-origin', 'none']);

/** Where an application answers: which names it goes by, and how its own pages are addressed. */
export interface Door {
  protocol: 'http' | 'https';
  /** Whether a Host header names this place. */
  isOurs: (host: string) => boolean;
}

/** This machine's own names. */
export const MACHINE_DOOR: Door = { protocol: 'http', isOurs: (host) => LOOPBACK.test(host) };

/** Only own names are answered: a foreign Host is a name that was pointed at this address. */
export const ownNameOnly =
  ({ isOurs }: Door): RequestHandler =>
  (request, _response, next) => {
    const { host } = request.headers;
    if (host === undefined || !isOurs(host)) throw new Refusal('FOREIGN_ORIGIN');
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
export const ownPagesOnly =
  ({ protocol }: Door): RequestHandler =>
  (request, _response, next) => {
    const { host, origin } = request.headers;
    const site = request.headers['sec-fetch-site'];
    if (origin !== undefined && origin !== `${protocol}://${host}`) throw new Refusal('FOREIGN_ORIGIN');
    if (typeof site === 'string' && !OWN_SITE.has(site)) throw new Refusal('FOREIGN_ORIGIN');
    next();
  };
