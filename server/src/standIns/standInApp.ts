import { deviceRunSchema, idSchema, parseOrRefuse, troublesSchema } from '@zero-pour/contracts';
import express, { Router, type Express } from 'express';
import type { Server } from 'node:http';
import { pino } from 'pino';
import { z } from 'zod';
import { answerErrors } from '../routes/answerErrors';
import { BalanceStandIn, ThermometerStandIn } from './handStandIns';
import { KilnStandIn } from './kilnStandIn';
import type { StandIn } from './standIn';

const READINGS_AT_ONCE = 5000;
const afterSchema = z.coerce.number().int().catch(0);
const putSchema = z.strictObject({ value: z.number().min(-50).max(1400) });

/** What every device answers, and what only a stand-in can be told. */
function deviceRouter(device: StandIn): Router {
  const router = Router();
  router.use((request, _response, next) => {
    // Nobody answers: not even that it refuses. What only a stand-in is told still arrives.
    if (device.linkIsOut && request.path !== '/troubles') return void request.socket.destroy();
    next();
  });
  router.get('/', (_request, response) => void response.json(device.hello()));
  router.get('/readings', (request, response) => {
    response.json({ readings: device.after(afterSchema.parse(request.query['after']), READINGS_AT_ONCE) });
  });
  router.get('/stream', (request, response) => {
    response.set({ 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store' }).flushHeaders();
    const say = (reading: { n: number }): void => {
      if (device.linkIsOut) return void request.socket.destroy();
      response.write(`id: ${reading.n}\ndata: ${JSON.stringify(reading)}\n\n`);
    };
    for (const reading of device.after(afterSchema.parse(request.query['after']), READINGS_AT_ONCE))
      say(reading);
    response.on('close', device.listen(say));
  });
  router.put('/troubles', (request, response) => {
    device.trouble(parseOrRefuse(troublesSchema, request.body));
    response.status(204).end();
  });
  return router;
}

function kilnRouter(kiln: KilnStandIn): Router {
  const router = deviceRouter(kiln);
  router.put('/run/:id', (request, response) => {
    const after = kiln.begin(
      parseOrRefuse(idSchema, request.params.id),
      parseOrRefuse(deviceRunSchema, request.body),
    );
    response.status(after === undefined ? 409 : 200).json({ after: after ?? 0 });
  });
  router.delete('/run/:id', (request, response) => {
    kiln.stop(parseOrRefuse(idSchema, request.params.id));
    response.status(204).end();
  });
  return router;
}

/** A thermometer or balance, and what is under it. */
function handRouter(device: ThermometerStandIn | BalanceStandIn): Router {
  const router = deviceRouter(device);
  router.put('/put', (request, response) => {
    device.put(parseOrRefuse(putSchema, request.body).value);
    response.status(204).end();
  });
  return router;
}

export interface StandIns {
  /** Where they answer: /kiln, /thermometer, /balance. */
  address: string;
  kiln: KilnStandIn;
  close(): Promise<void>;
}

/** Starts a kiln, a thermometer and a balance that are none. Only this machine reaches them. */
export async function startStandIns(port: number): Promise<StandIns> {
  const kiln = new KilnStandIn();
  const devices = [kiln, new ThermometerStandIn(), new BalanceStandIn()] as const;
  const app: Express = express();
  app.disable('x-powered-by');
  app.use(express.json());
  app.use('/kiln', kilnRouter(kiln));
  app.use('/thermometer', handRouter(devices[1]));
  app.use('/balance', handRouter(devices[2]));
  app.use(answerErrors(pino({ level: 'silent' })));
  const server = await new Promise<Server>((resolve, reject) => {
    const started = app.listen(port, '127.0.0.1', (error?: Error) =>
      error ? reject(error) : resolve(started),
    );
  });
  return {
    address: `http://127.0.0.1:${(server.address() as { port: number }).port}`,
    kiln,
    close: () =>
      new Promise((resolve) => {
        for (const device of devices) device.close();
        server.close(() => resolve());
        server.closeAllConnections();
      }),
  };
}
