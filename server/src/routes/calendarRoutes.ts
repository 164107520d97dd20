import { idSchema, keySchema, parseOrRefuse } from '@zero-pour/contracts';
import { Router } from 'express';
import { makeCalendar } from '../services/calendar';
import type { Services } from './services';

/** A calendar to save or to subscribe to: of all pours in work, of one, or for one person. */
export function calendarRoutes({ db, shopId }: Services): Router {
  const router = Router();
  router.get('/calendar.ics', async (request, response) => {
    const { pour, person } = request.query;
    const pourId = pour === undefined ? undefined : parseOrRefuse(idSchema, pour);
    const who = person === undefined ? undefined : parseOrRefuse(keySchema, person);
    const address = `${request.protocol}://${request.headers.host}`;
    const text = await makeCalendar(db, { shopId, address, pourId, person: who, now: Date.now() });
    response.type('text/calendar; charset=utf-8').attachment('zero-pour.ics').send(text);
  });
  return router;
}
