import { apiErrorSchema, errorSentence } from '@zero-pour/contracts';
import type { z } from 'zod';

/** A refusal by the server, with its sentence; or that no server answered. */
export class RequestError extends Error {
  constructor(
    readonly code: string,
    sentence: string,
    readonly status: number,
  ) {
    super(sentence);
    this.name = 'RequestError';
  }
  /** Nothing is wrong with what was sent: try again later. */
  get isOutage(): boolean {
    return this.status === 0 || this.status >= 500;
  }
}

async function refusalOf(response: Response): Promise<RequestError> {
  const body = apiErrorSchema.safeParse(await response.json().catch(() => null));
  if (!body.success) return new RequestError('INTERNAL', errorSentence('INTERNAL'), response.status);
  return new RequestError(body.data.error.code, body.data.error.sentence, response.status);
}

async function send(path: string, init: RequestInit): Promise<Response> {
  let response: Response;
  try {
    response = await fetch(`/api${path}`, init);
  } catch {
    throw new RequestError('OFFLINE', 'Zero Pour does not answer. What you typed is kept in this window.', 0);
  }
  if (!response.ok) throw await refusalOf(response);
  return response;
}

type Method = 'GET' | 'POST' | 'PUT' | 'PATCH';

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
  return schema.parse(await response.json());
}

export async function requestRemoval(path: string): Promise<void> {
  await send(path, { method: 'DELETE' });
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
