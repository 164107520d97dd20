import { RequestError } from '../api/request';

const PREFIX = 'zero-pour.put.';
const RETRY_AFTER_MS = 3000;

/** The last attempt for each address: the next one waits for it, so that an older state never arrives after a newer one. */
const attempts = new Map<string, Promise<unknown>>();

const held = (at: string): string | null => localStorage.getItem(PREFIX + at);
/** Drops what is held, unless something newer took its place. */
function drop(at: string, text: string): void {
  if (held(at) === text) localStorage.removeItem(PREFIX + at);
}

const wait = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

interface Sending<T> {
  at: string;
  value: T;
  send: (value: T) => Promise<unknown>;
  afterMs: number;
}

async function sendUntilKept<T>({ at, value, send, afterMs }: Sending<T>, text: string): Promise<boolean> {
  if (held(at) !== text) return false;
  if (afterMs > 0) await wait(afterMs);
  while (held(at) === text) {
    try {
      await send(value);
      drop(at, text);
      return true;
    } catch (error) {
      if (!(error instanceof RequestError && error.isOutage)) {
        drop(at, text);
        throw error;
      }
      await wait(RETRY_AFTER_MS);
    }
  }
  return false;
}

/**
 * Sends a whole thing to the address it is kept at, `afterMs` from now. Until the server has it, it is held in this
 * browser, so that neither a lost server nor a reload loses it; an outage is waited out. Resolves to whether this very
 * state was kept (false: a newer one took its place); rejects when the server refuses it.
 */
export function keepSurely<T>(sending: Sending<T>): Promise<boolean> {
  const { at } = sending;
  const text = JSON.stringify(sending.value);
  localStorage.setItem(PREFIX + at, text);
  const before = attempts.get(at) ?? Promise.resolve();
  const own = before.catch(() => undefined).then(() => sendUntilKept(sending, text));
  attempts.set(at, own);
  return own;
}

/** Typing is sent when it pauses. */
export const TYPING_PAUSE_MS = 500;

/** A removed thing is not sent any more. */
export const forgetUnsent = (at: string): void => localStorage.removeItem(PREFIX + at);

/** What an earlier window could not send, by address, below one path. */
export function readUnsent(path: string): { at: string; value: unknown }[] {
  return Object.keys(localStorage)
    .filter((key) => key.startsWith(PREFIX + path))
    .flatMap((key) => {
      try {
        return [
          { at: key.slice(PREFIX.length), value: JSON.parse(localStorage.getItem(key) ?? '') as unknown },
        ];
      } catch {
        return [];
      }
    });
}
