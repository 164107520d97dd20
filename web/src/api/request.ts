import {
  apiErrorSchema,
  BUILD_HEADER,
  errorSentence,
  SHOP_HEADER,
  WINDOW_HEADER,
} from '@zero-pour/contracts';
import type { z } from 'zod';
import { FROM_CACHE } from '../../offline/answerApi';
import { learnClock } from '../time/clockOff';
import { learnRevision, revisionAt } from './revisions';
import { heardOfKeeping } from './keepsNothing';
import { signedOut } from './signedOut';
import { reloadFor } from './reloadFor';

/** A refusal by the server, with its sentence; or that no server answered. */
export class RequestError extends Error {
  constructor(
    readonly code: string,
    sentence: string,
    readonly status: number,
    /** What is kept instead, where this was typed over a state that was not seen. */
    readonly stored?: unknown,
  ) {
    super(sentence);
    this.name = 'RequestError';
  }
  /** Something broke in Zero Pour over what was sent. */
  get isStumble(): boolean {
    return this.status === 500;
  }
  /** Nothing is wrong with what was sent: try again later, or once somebody signed in. */
  get isOutage(): boolean {
    return this.status === 0 || (this.status > 500 && this.status < 600) || this.code === 'SIGN_IN';
  }
}

async function refusalOf(response: Response): Promise<RequestError> {
  const body = apiErrorSchema.safeParse(await response.json().catch(() => null));
  if (!body.success) return new RequestError('INTERNAL', errorSentence('INTERNAL'), response.status);
  const { error, stored } = body.data;
  if (error.code === 'SIGN_IN') signedOut.value = true;
  return new RequestError(error.code, error.sentence, response.status, stored);
}

const outage = (sentence: string): RequestError => new RequestError('OFFLINE', sentence, 0);
const KEPT_HERE = 'What you typed is kept in this browser.';

/** Names this window to the server, so that it does not tell it of what it did itself. */
export const WINDOW = crypto.randomUUID();

/** The shop of the first answer is the page's: another one on the same port is not written into. */
let pageShop: string | undefined;

/** Holds an answer to be Zero Pour's, of the shop that this page shows, and the page to be of its build. */
function checkAnswer({ headers }: Response): void {
  const shop = headers.get(SHOP_HEADER);
  if (shop === null) throw outage(`Something else than Zero Pour answers here. ${KEPT_HERE}`);
  // Of a kept answer too: what is typed on that page is that shop's, whoever answers next.
  pageShop ??= shop;
  if (headers.has(FROM_CACHE)) return;
  if (shop !== pageShop) {
    reloadFor(shop);
    throw outage(`Another shop answers here now; this page loads anew. ${KEPT_HERE}`);
  }
  const build = headers.get(BUILD_HEADER);
  if (import.meta.env.PROD && build !== null && build !== 'none' && build !== __BUILD__) reloadFor(build);
}

async function send(path: string, init: RequestInit): Promise<Response> {
  let response: Response;
  const askedAt = Date.now();
  try {
    // Named, so that another shop on this port refuses it before it is written there.
    const headers = new Headers(init.headers);
    headers.set(WINDOW_HEADER, WINDOW);
    if (pageShop !== undefined) headers.set(SHOP_HEADER, pageShop);
    const base = init.method === 'PUT' ? revisionAt(path) : undefined;
    if (base !== undefined) headers.set('If-Match', `"${base}"`);
    response = await fetch(`/api${path}`, { ...init, headers });
  } catch {
    throw outage('Zero Pour does not answer. What you typed is kept in this window.');
  }
  checkAnswer(response);
  if (!response.headers.has(FROM_CACHE)) learnClock(response.headers.get('Date'), askedAt, Date.now());
  const revision = /^"(\d+)"$/.exec(response.headers.get('ETag') ?? '')?.[1];
  if (init.method === 'PUT' && revision !== undefined) learnRevision(path, Number(revision));
  const refusal = response.ok ? undefined : await refusalOf(response);
  if (init.method !== 'GET') heardOfKeeping(refusal);
  if (refusal) throw refusal;
  return response;
}

type Method = 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE';

/** Asks the API and parses the answer; throws RequestError. */
export async function request<T>(
  schema: z.ZodType<T>,
  method: Method,
  path: string,
  body?: unknown,
): Promise<T> {
  const init: RequestInit = { method };
  if (body !== undefined) {
    init.body = JSON.stringify(body);
    init.headers = { 'Content-Type': 'application/json' };
  }
  const response = await send(path, init);
  const parsed = schema.safeParse(await response.json().catch(() => null));
  if (!parsed.success)
    throw outage(`The answer of Zero Pour cannot be read here: reload the page. ${KEPT_HERE}`);
  return parsed.data;
}

/** Sends a text as it stands; what is wrong with it is told by its line. */
export async function requestWithText<T>(schema: z.ZodType<T>, path: string, text: string): Promise<T> {
  const response = await send(path, {
    method: 'POST',
    body: text,
    headers: { 'Content-Type': 'text/plain' },
  });
  return schema.parse(await response.json());
}
/** Sends a file whole. */
export async function requestWithFile<T>(schema: z.ZodType<T>, path: string, file: Blob): Promise<T> {
  const response = await send(path, {
    method: 'POST',
    body: file,
    headers: { 'Content-Type': 'application/octet-stream' },
  });
  return schema.parse(await response.json());
}

export async function requestRemoval(path: string): Promise<void> {
  await send(path, { method: 'DELETE' });
}

/** Signs this device in with the shop's passcode. */
export async function signIn(passcode: string, name: string): Promise<void> {
  const body = JSON.stringify({ passcode, name });
  await send('/sign-in', { method: 'POST', body, headers: { 'Content-Type': 'application/json' } });
  signedOut.value = false;
}
export async function signOut(): Promise<void> {
  await send('/sign-out', { method: 'POST' });
  signedOut.value = true;
}

/** Keeps bytes under their hash. */
export async function sendBytes(hash: string, bytes: Blob): Promise<void> {
  await send(`/blobs/${hash}`, {
    method: 'PUT',
    body: bytes,
    headers: { 'Content-Type': bytes.type || 'application/octet-stream' },
  });
}

export async function fetchBytes(hash: string): Promise<Uint8Array> {
  return new Uint8Array(await (await send(`/blobs/${hash}`, { method: 'GET' })).arrayBuffer());
}

export const blobAddress = (hash: string): string => `/api/blobs/${hash}`;

/** What went wrong, for whoever reads the page. */
export const sentenceOf = (error: unknown): string =>
  error instanceof Error ? error.message : String(error);
