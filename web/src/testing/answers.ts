import { SHOP_HEADER, type Refusal } from '@zero-pour/contracts';

/** The shop that answers in tests. */
export const TEST_SHOP = '0c9a6f8e-6f6c-4c0a-9a43-6f2f5f3f7a11';

/** An answer as Zero Pour gives it, with its shop's name on it. */
export const answerJson = (body: unknown, init: ResponseInit = {}): Response =>
  Response.json(body, { ...init, headers: { [SHOP_HEADER]: TEST_SHOP } });
export const answerNothing = (status: number): Response =>
  new Response(null, { status, headers: { [SHOP_HEADER]: TEST_SHOP } });
export const answerBytes = (bytes: BodyInit): Response =>
  new Response(bytes, { headers: { [SHOP_HEADER]: TEST_SHOP } });
/** What is refused, as the server says it. */
export const answerRefused = ({ code, message, status }: Refusal): Response =>
  answerJson({ error: { code, sentence: message } }, { status });
