import { WINDOW_HEADER } from '@zero-pour/contracts';
import { Router, type RequestHandler } from 'express';
import type { ChangesTold } from '../services/changesTold';
import { streamEvents } from './eventStream';

/** Asked with a body, but nothing that other pages show is kept by it. */
const KEEPS_NOTHING = /^\/((readings|blobs|sign-in|network|devices)(\/|$)|safekeeping(\/(backup|look))?$)/;

/** Whatever was kept by an answered request is told to all open pages. */
export const tellChanges =
  (changes: ChangesTold): RequestHandler =>
  (request, response, next) => {
    const { method, path } = request;
    if (method !== 'GET' && method !== 'HEAD' && !KEEPS_NOTHING.test(path))
      response.on('finish', () => {
        if (response.statusCode < 400) changes.tell(path, request.get(WINDOW_HEADER));
      });
    next();
  };

/** What was kept, as it is kept: server-sent events, the first of which says how far it is. */
export function changeRoutes(changes: ChangesTold): Router {
  const router = Router();
  router.get('/changes', (_request, response) =>
    streamEvents(response, changes.stopped, (write) => {
      write(changes.now);
      return changes.listen(write);
    }),
  );
  return router;
}
