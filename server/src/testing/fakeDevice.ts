import type { DeviceReading } from '@zero-pour/contracts';
import express from 'express';
import { randomUUID } from 'node:crypto';
import type { Server } from 'node:http';

export const HELLO = {
  format: 'zero-pour-device',
  version: 1,
  kind: 'kiln',
  deviceId: randomUUID(),
  name: 'Kiln of a test',
  now: new Date().toISOString(),
};

/** A device that says what a test gives it, and remembers what it was asked. */
export async function fakeDevice(hello: unknown = HELLO) {
  const asked: string[] = [];
  let answersRun = true;
  const readings: DeviceReading[] = [];
  const tell = new Set<(reading: DeviceReading) => void>();
  const app = express();
  app.use((request, _response, next) => {
    asked.push(`${request.method} ${request.path}`);
    next();
  });
  app.get('/', (_request, response) => void response.json(hello));
  app.get('/readings', (request, response) => {
    const after = Number(request.query['after']);
    response.json({
      readings: after < 0 ? readings.slice(-1) : readings.filter(({ n }) => n > after),
    });
  });
  app.get('/stream', (request, response) => {
    response.set('Content-Type', 'text/event-stream').flushHeaders();
    const write = (reading: DeviceReading): void =>
      void response.write(`data: ${JSON.stringify(reading)}\n\n`);
    readings.filter(({ n }) => n > Number(request.query['after'])).forEach(write);
    tell.add(write);
    response.on('close', () => tell.delete(write));
  });
  app.put('/run/:id', (request, response) => {
    if (answersRun) response.json({ after: readings.length });
    else request.socket.destroy();
  });
  app.delete('/run/:id', (_request, response) => void response.status(204).end());
  const server = await new Promise<Server>((resolve) => {
    const started = app.listen(0, '127.0.0.1', () => resolve(started));
  });
  return {
    address: `http://127.0.0.1:${(server.address() as { port: number }).port}`,
    asked,
    /** From now on it hears of a run, and its answer is lost on the way. */
    loseAnswers: (): void => void (answersRun = false),
    /** Says one more reading, with the next number unless another is given. */
    say: (given: Partial<DeviceReading>): void => {
      const reading: DeviceReading = {
        n: (readings.at(-1)?.n ?? 0) + 1,
        at: new Date().toISOString(),
        value: 20,
        set: null,
        runId: null,
        segment: null,
        steady: true,
        ...given,
      };
      readings.push(reading);
      tell.forEach((write) => write(reading));
    },
    close: () =>
      new Promise<void>((resolve) => {
        server.close(() => resolve());
        server.closeAllConnections();
      }),
  };
}
