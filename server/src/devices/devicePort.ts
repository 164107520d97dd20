import {
  deviceHelloSchema,
  deviceReadingSchema,
  deviceReadingsSchema,
  Refusal,
  type DeviceHello,
  type DeviceKind,
  type DeviceReading,
  type DeviceRun,
} from '@zero-pour/contracts';
import { EventSourceParserStream } from 'eventsource-parser/stream';
import { z } from 'zod';

/** A device that does not answer by then is not there. ms */
const ANSWER_MS = 5000;
/** It says something at least every half minute; with less than that in three quarters of one, the link is lost. ms */
const QUIET_MS = 45_000;

/** What is asked of a thermometer or a balance: who is there, and what it reads. */
export interface DevicePort {
  hello(): Promise<DeviceHello>;
  /** Those after the n-th that it still remembers, in order; perhaps not all of them at once. */
  readings(after: number): Promise<DeviceReading[]>;
  /** Tells each reading after the n-th as it comes; resolves when the device hangs up, throws when the link is lost. */
  follow(after: number, tell: (reading: DeviceReading) => void, signal: AbortSignal): Promise<void>;
}

/** A kiln's controller can be given a programme, and stopped. Both are only ever asked for by a press. */
export interface KilnPort extends DevicePort {
  /** Begins a run; the same id again begins nothing. Resolves with the number of the last reading before it. */
  send(runId: string, run: DeviceRun): Promise<number>;
  stop(runId: string): Promise<void>;
}

const sentSchema = z.object({ after: z.number().int().nonnegative() });

/** The address of a device, without a slash at its end. Throws a Refusal unless it is one of a machine. */
export function deviceAddress(typed: string): string {
  const url = URL.canParse(typed) ? new URL(typed) : undefined;
  if (!url || !/^https?:$/.test(url.protocol) || url.username || url.search || url.hash)
    throw new Refusal('DEVICE_ADDRESS', { address: typed });
  return url.href.replace(/\/+$/, '');
}

/** A device over HTTP and server-sent events, as docs/devices.md describes. */
export function httpDevice(address: string, kind: DeviceKind): KilnPort {
  const other = (what: string): Refusal => new Refusal('DEVICE_OTHER', { address, kind, what });
  const silent = (): Refusal => new Refusal('DEVICE_SILENT', { address });

  async function ask(path: string, init: RequestInit = {}): Promise<Response> {
    const signal = init.signal ?? AbortSignal.timeout(ANSWER_MS);
    const response = await fetch(`${address}${path}`, { redirect: 'error', ...init, signal }).catch(() => {
      throw silent();
    });
    if (response.ok) return response;
    if (response.status === 409) throw new Refusal('DEVICE_BUSY');
    throw other(`it answers ${response.status}`);
  }
  async function read<T>(schema: z.ZodType<T>, response: Response): Promise<T> {
    const answer: unknown = await response.json().catch(() => {
      throw other('its answer is no JSON');
    });
    const parsed = schema.safeParse(answer);
    if (parsed.success) return parsed.data;
    const { path, message } = parsed.error.issues[0]!;
    throw other(`${path.join('.') || 'its answer'}: ${message}`);
  }

  return {
    hello: async () => {
      const hello = await read(deviceHelloSchema, await ask('/'));
      if (hello.kind !== kind) throw other(`it is a ${hello.kind}`);
      return hello;
    },
    readings: async (after) =>
      (await read(deviceReadingsSchema, await ask(`/readings?after=${after}`))).readings,
    follow: async (after, tell, signal) => {
      const given = new AbortController();
      let timer: NodeJS.Timeout | undefined;
      const heard = (): void => {
        clearTimeout(timer);
        timer = setTimeout(() => given.abort(), QUIET_MS);
      };
      const leave = (): void => given.abort();
      signal.addEventListener('abort', leave);
      try {
        heard();
        const response = await ask(`/stream?after=${after}`, { signal: given.signal });
        const events = response.body!.pipeThrough(new TextDecoderStream()).pipeThrough(eventStream(heard));
        await readEach(events, given.signal, async ({ data }) => {
          heard();
          tell(await read(deviceReadingSchema, new Response(data)));
        });
        if (given.signal.aborted && !signal.aborted) throw silent();
      } catch (error) {
        if (signal.aborted) return;
        throw error instanceof Refusal ? error : silent();
      } finally {
        clearTimeout(timer);
        signal.removeEventListener('abort', leave);
      }
    },
    send: async (runId, run) => {
      const init = {
        method: 'PUT',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify(run),
      };
      return (await read(sentSchema, await ask(`/run/${runId}`, init))).after;
    },
    stop: async (runId) => void (await ask(`/run/${runId}`, { method: 'DELETE' })),
  };
}

/**
 * Each event of a stream until it ends or is given up. The reader itself is cancelled: once the answer has begun, the signal that was given to
 * the request may have been collected, and is heard by nobody.
 */
async function readEach<T>(
  stream: ReadableStream<T>,
  signal: AbortSignal,
  take: (event: T) => Promise<void>,
): Promise<void> {
  const reader = stream.getReader();
  const cancel = (): void => void reader.cancel().catch(() => undefined);
  signal.addEventListener('abort', cancel);
  try {
    for (;;) {
      const { done, value } = await reader.read();
      if (done || signal.aborted) return;
      await take(value);
    }
  } finally {
    signal.removeEventListener('abort', cancel);
    cancel();
  }
}

/** A comment is a sign of life too. */
const eventStream = (heard: () => void): EventSourceParserStream =>
  new EventSourceParserStream({ onComment: heard });
