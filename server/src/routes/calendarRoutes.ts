import { idSchema, parseOrRefuse } from '@zero-pour/contracts';
import { Router } from 'express';
import { makeCalendar } from '../services/calendar';
import type { Services } from './services';

/** A calendar to save or to subscribe to: of all pours in work, or of one. */
export function calendarRoutes({ db, shopId }: Services): Router {
  const router = Router();
  router.get('/calendar.ics', async (request, response) => {
    const { pour } = request.query;
    const pourId = pour === undefined ? undefined : parseOrRefuse(idSchema, pour);
    const address = `${request.protocol}://${request.headers.host}`;
    const text = await makeCalendar(db, { shopId, address, pourId, now: Date.now() });
    response.type('text/calendar; charset=utf-8').attachment('zero-pour.ics').send(text);
  });
  return router;
}
