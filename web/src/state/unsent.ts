import { shallowReactive } from 'vue';
import { RequestError } from '../api/request';
import { useNotKept } from './notKept';
import { forgetBase, recallBase, rememberBase } from './typedOver';
import { dropKept, keptNames, readKept, shopKey, writeKept } from './shopKeys';

const START = 'put.';
const RETRY_AFTER_MS = 3000;
/** A thing that the server stumbled over this often is set aside. */
const STUMBLES_MAX = 3;

/** The last attempt for each address: the next one waits for it, so that an older state never arrives after a newer one. */
const attempts = new Map<string, Promise<unknown>>();

/** Addresses of what is on its way, or waits for the server. */
const onTheWay = shallowReactive(new Set<string>());
/** Whether a thing with this id is not yet with the server. */
export const isOnTheWay = (id: string): boolean => [...onTheWay].some((at) => at.endsWith(`/${id}`));

const keyOf = (at: string): string => shopKey(START + at);
const held = (at: string): string | null => readKept(keyOf(at));
/** Drops what is held, unless something newer took its place. */
function drop(at: string, text: string): void {
  if (held(at) !== text) return;
  dropKept(keyOf(at));
  onTheWay.delete(at);
  forgetBase(at);
}

const wait = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

interface Sending<T> {
  at: string;
  value: T;
  send: (value: T) => Promise<unknown>;
  afterMs: number;
}

/** Whether it is worth sending the same again: nobody answered, or Zero Pour stumbled and may not do so again. */
const isWorthAgain = (error: unknown, stumbles: number): boolean =>
  error instanceof RequestError && (error.isOutage || (error.isStumble && stumbles < STUMBLES_MAX));

async function sendUntilKept<T>({ at, value, send, afterMs }: Sending<T>, text: string): Promise<boolean> {
  if (held(at) !== text) return false;
  if (afterMs > 0) await wait(afterMs);
  let stumbles = 0;
  while (held(at) === text) {
    try {
      await send(value);
      drop(at, text);
      useNotKept().thingDealtWith(at);
      return true;
    } catch (error) {
      if (error instanceof RequestError && error.isStumble) stumbles++;
      if (!isWorthAgain(error, stumbles)) {
        setAside(at, value, error);
        drop(at, text);
        throw error;
      }
      await wait(RETRY_AFTER_MS);
    }
  }
  return false;
}

function setAside(at: string, value: unknown, error: unknown): void {
  const sentence = error instanceof Error ? error.message : String(error);
  const stored = error instanceof RequestError ? (error.stored as Record<string, unknown>) : undefined;
  useNotKept().add({
    of: 'thing',
    at,
    value: value as Record<string, unknown>,
    sentence,
    ...(stored ? { stored } : {}),
  });
}

/**
 * Sends a whole thing to the address it is kept at, `afterMs` from now. Until the server has it, it is held in this
 * browser, so that neither a lost server nor a reload loses it; an outage is waited out. Resolves to whether this very
 * state was kept (false: a newer one took its place); rejects when the server refuses it, which sets it aside.
 */
export function keepSurely<T>(sending: Sending<T>): Promise<boolean> {
  const { at } = sending;
  const text = JSON.stringify(sending.value);
  rememberBase(at);
  writeKept(keyOf(at), text);
  onTheWay.add(at);
  const before = attempts.get(at) ?? Promise.resolve();
  const own = before.catch(() => undefined).then(() => sendUntilKept(sending, text));
  attempts.set(at, own);
  return own;
}

/** Typing is sent when it pauses. */
export const TYPING_PAUSE_MS = 500;

/** A removed thing is not sent any more. */
export function forgetUnsent(at: string): void {
  dropKept(keyOf(at));
  forgetBase(at);
  onTheWay.delete(at);
  useNotKept().thingDealtWith(at);
}

/** What an earlier window could not send, by address, below one path. */
export function readUnsent(path: string): { at: string; value: unknown }[] {
  return keptNames(START + path).flatMap((name) => {
    const at = name.slice(START.length);
    recallBase(at);
    try {
      return [{ at, value: JSON.parse(held(at) ?? '') as unknown }];
    } catch {
      return [];
    }
  });
}
