import { sha256 } from '@zero-pour/jobs';
import { createStore, del, entries, set, type UseStore } from 'idb-keyval';
import { shallowReactive } from 'vue';
import { noRoomLeft } from './browserRoom';
import { blobAddress, RequestError, sendBytes } from './request';

/** Bytes that wait for the server in this browser, by the shop and their hash. */
interface Waiting {
  shopId: string;
  hash: string;
  bytes: Blob;
}
const AGAIN_MS = 5000;
/** Nobody waits longer for a slow line: it goes on by itself. */
const PATIENCE_MS = 3000;

let opened: UseStore | undefined;
/** Undefined in a browser without a store: then bytes are kept by the server or not at all. */
const store = (): UseStore | undefined =>
  typeof indexedDB === 'undefined' ? undefined : (opened ??= createStore('zero-pour', 'waiting-bytes'));
const keyOf = ({ shopId, hash }: Waiting): string => `${shopId}.${hash}`;

/** Where each waiting picture can be looked at meanwhile. */
const waiting = shallowReactive(new Map<string, string>());
/** Where a kept picture is looked at: in this browser while it waits, else at the server. */
export const photoAddress = (hash: string): string => waiting.get(hash) ?? blobAddress(hash);

function show({ hash, bytes }: Waiting): void {
  if (!waiting.has(hash)) waiting.set(hash, URL.createObjectURL(bytes));
}
async function done(one: Waiting): Promise<void> {
  await del(keyOf(one), store()).catch(() => undefined);
  URL.revokeObjectURL(waiting.get(one.hash) ?? '');
  waiting.delete(one.hash);
}

/** Sends what waits until it is kept, and says when it has to wait; a refusal lets it go, and is handed back. */
async function sendUntilKept(one: Waiting, mustWait: () => void = () => {}): Promise<void> {
  for (;;) {
    try {
      await sendBytes(one.hash, one.bytes);
      return await done(one);
    } catch (error) {
      if (!(error instanceof RequestError) || !error.isOutage) {
        await done(one);
        throw error;
      }
    }
    mustWait();
    await pause(AGAIN_MS);
  }
}
const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

/**
 * Keeps a photo under the hash of its bytes. While the server is away, or slow, they wait in this browser and are sent when it is
 * back, also after a reload. Rejects when the server refuses them, or, in a browser that keeps nothing, when it is away.
 */
export async function keepPhoto(file: File, shopId: string): Promise<{ hash: string; name: string }> {
  const hash = await sha256(await file.arrayBuffer());
  const kept = { hash, name: file.name.slice(0, 255) };
  if (store() === undefined) {
    await sendBytes(hash, file);
    return kept;
  }
  const one = { shopId, hash, bytes: file };
  // A browser without room for it holds it in this window.
  await set(keyOf(one), one, store()).catch(noRoomLeft);
  show(one);
  await new Promise<void>((resolve, reject) => {
    void sendUntilKept(one, resolve).then(resolve, reject);
    setTimeout(resolve, PATIENCE_MS);
  });
  return kept;
}

/** Sends what an earlier window of this browser could not send of this shop; a refusal is handed over. */
export async function resendPhotos(shopId: string, refused: (error: unknown) => void): Promise<void> {
  if (store() === undefined) return;
  const all = await entries<string, Waiting>(store());
  for (const [, one] of all) {
    if (one.shopId !== shopId || waiting.has(one.hash)) continue;
    show(one);
    void sendUntilKept(one).catch(refused);
  }
}
