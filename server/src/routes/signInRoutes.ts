import { parseOrRefuse, Refusal, signInSchema } from '@zero-pour/contracts';
import { parse } from 'cookie';
import { Router, type CookieOptions, type RequestHandler, type Response } from 'express';
import { rateLimit } from 'express-rate-limit';
import type { NetworkDoor } from '../network/networkDoor';
import { isPasscode } from '../network/passcode';
import { SESSION_DAYS } from '../network/sessions';

/** Bound to the very address by its name: no other place sets or gets it. */
const COOKIE = '__Host-zero-pour';
const COOKIE_OPTIONS: CookieOptions = { secure: true, httpOnly: true, sameSite: 'strict', path: '/' };
const MINUTE_MS = 60_000;
/** Wrong passcodes from one address in a quarter of an hour, and from all together in an hour. */
const TRIES_EACH = 5;
const TRIES_ALL = 30;

const idOf = (response: Response): string => (response.locals as { sessionId: string }).sessionId;

const tries = (limit: number, windowMs: number, all: boolean): RequestHandler =>
  rateLimit({
    limit,
    windowMs,
    skipSuccessfulRequests: true,
    standardHeaders: false,
    legacyHeaders: false,
    ...(all ? { keyGenerator: () => 'all' } : {}),
    handler: (_request, _response, next) => next(new Refusal('TOO_MANY_TRIES')),
  });

/** Signing in and out over the network, and the guard before everything else: without a session nothing of the shop is told. */
export function signInRoutes({
  sessions,
  passcodeHash,
}: Pick<NetworkDoor, 'sessions' | 'passcodeHash'>): Router {
  const router = Router();

  router.post(
    '/sign-in',
    tries(TRIES_EACH, 15 * MINUTE_MS, false),
    tries(TRIES_ALL, 60 * MINUTE_MS, true),
    async (request, response) => {
      // A browser names the page that sends; whoever does not is no page of ours.
      if (request.headers.origin === undefined) throw new Refusal('FOREIGN_ORIGIN');
      const { passcode, name } = parseOrRefuse(signInSchema, request.body);
      const kept = await passcodeHash();
      if (kept === null || !(await isPasscode(passcode, kept))) throw new Refusal('PASSCODE_WRONG');
      const maxAge = SESSION_DAYS * 24 * 60 * MINUTE_MS;
      response
        .cookie(COOKIE, await sessions.begin(name), { ...COOKIE_OPTIONS, maxAge })
        .status(204)
        .end();
    },
  );

  router.use(async (request, response, next) => {
    const token = parse(request.headers.cookie ?? '')[COOKIE];
    const id = token === undefined ? undefined : await sessions.find(token);
    if (id === undefined) throw new Refusal('SIGN_IN');
    response.locals['sessionId'] = id;
    sessions.hold(id, response);
    next();
  });

  router.post('/sign-out', async (_request, response) => {
    await sessions.end(idOf(response), response);
    response.clearCookie(COOKIE, COOKIE_OPTIONS).status(204).end();
  });
  return router;
}
