import {
  handDeviceSchema,
  idSchema,
  parseOrRefuse,
  sendRunSchema,
  troublesSchema,
  type DeviceList,
} from '@zero-pour/contracts';
import { Router, type Response } from 'express';
import { readNow } from '../devices/readNow';
import type { KilnWatch } from '../devices/kilnWatch';
import { streamEvents } from './eventStream';
import type { Services } from './services';

/** A page is told at most so often. ms */
const TELL_EVERY_MS = 500;

/** What the shop's kilns read, as it comes, and what a press sends them. */
export function deviceRoutes({ db, devices, standIns }: Services): Router {
  const router = Router();
  const list = (): DeviceList => ({ devices: devices.states(), standIns: standIns ?? null });
  const idOf = (params: { id: string }): string => parseOrRefuse(idSchema, params.id);

  router.get('/devices', (_request, response) => void response.json(list()));
  router.get('/devices/stream', (_request, response) => streamTo(response, devices, list));
  router.get('/readers/:kind', async (request, response) => {
    response.json(await readNow(db, parseOrRefuse(handDeviceSchema, request.params.kind)));
  });
  router.put('/kilns/:id/run', async (request, response) => {
    await devices.send(idOf(request.params), parseOrRefuse(sendRunSchema, request.body));
    response.json(list());
  });
  router.delete('/kilns/:id/run', async (request, response) => {
    await devices.stopRun(idOf(request.params));
    response.status(204).end();
  });
  router.put('/kilns/:id/troubles', async (request, response) => {
    await devices.trouble(idOf(request.params), parseOrRefuse(troublesSchema, request.body));
    response.json(list());
  });
  return router;
}

/** What `state` says, at once and whenever it changed. */
function streamTo(response: Response, devices: KilnWatch, state: () => unknown): void {
  streamEvents(response, devices.stopped, (write) => {
    let later: NodeJS.Timeout | undefined;
    const unlisten = devices.listen(() => {
      later ??= setTimeout(() => {
        later = undefined;
        write(state());
      }, TELL_EVERY_MS);
    });
    write(state());
    return () => {
      unlisten();
      clearTimeout(later);
    };
  });
}
