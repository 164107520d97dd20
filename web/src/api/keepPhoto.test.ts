// @vitest-environment happy-dom
import { Refusal } from '@zero-pour/contracts';
import { sha256 } from '@zero-pour/jobs';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { answerNothing, answerRefused, TEST_SHOP } from '../testing/answers';
import { sayNoRoom } from './browserRoom';
import { keepPhoto, photoAddress, resendPhotos } from './keepPhoto';

const kept = new Map<string, unknown>();
let isFull = false;
vi.mock('idb-keyval', () => ({
  createStore: () => ({}),
  set: async (key: string, value: unknown) => {
    if (isFull) throw new DOMException('full', 'QuotaExceededError');
    kept.set(key, value);
  },
  del: async (key: string) => void kept.delete(key),
  entries: async () => [...kept],
}));

const SHOP = TEST_SHOP;
type Answer = 'kept' | 'away' | 'refused';
let answers: Answer[] = [];
const sent: string[] = [];
const said: string[] = [];
const photo = (text: string): File => new File([text], 'ring.jpg', { type: 'image/jpeg' });

beforeEach(() => {
  vi.useFakeTimers();
  kept.clear();
  [isFull, answers, sent.length, said.length] = [false, [], 0, 0];
  sayNoRoom((sentence) => said.push(sentence));
  vi.stubGlobal('indexedDB', {});
  vi.stubGlobal('fetch', async (address: string) => {
    sent.push(address);
    const answer = answers.shift() ?? 'kept';
    if (answer === 'away') throw new TypeError('Failed to fetch');
    if (answer === 'kept') return answerNothing(201);
    return answerRefused(new Refusal('BODY_TOO_LARGE', { limit: '50 MB' }));
  });
}); // prettier-ignore
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

describe('a photo', () => {
  it('is named by its bytes, sent, and not held here any longer', async () => {
    const hash = await sha256(new TextEncoder().encode('one').buffer);
    expect(await keepPhoto(photo('one'), SHOP)).toEqual({ hash, name: 'ring.jpg' });
    expect(sent).toEqual([`/api/blobs/${hash}`]);
    expect([kept.size, said, photoAddress(hash)]).toEqual([0, [], `/api/blobs/${hash}`]);
  });

  it('waits here while the server is away, can be looked at, and goes when it is back, once', async () => {
    answers = ['away', 'away'];
    const { hash } = await keepPhoto(photo('two'), SHOP);
    expect([...kept.keys()]).toEqual([`${SHOP}.${hash}`]);
    expect(photoAddress(hash)).toMatch(/^blob:/);
    await vi.advanceTimersByTimeAsync(11_000);
    expect([kept.size, sent.length, said]).toEqual([0, 3, []]);
  });

  it('finds no room here: that is said, and it goes from this window all the same', async () => {
    isFull = true;
    answers = ['away'];
    const { hash } = await keepPhoto(photo('three'), SHOP);
    expect(said).toEqual([expect.stringContaining('in this window only')]);
    expect([kept.size, photoAddress(hash)]).toEqual([0, expect.stringMatching(/^blob:/)]);
    await vi.advanceTimersByTimeAsync(6000);
    expect([sent.length, photoAddress(hash)]).toEqual([2, `/api/blobs/${hash}`]);
  });

  it('that the server refuses is handed back with its sentence, and not sent again', async () => {
    answers = ['refused'];
    await expect(keepPhoto(photo('four'), SHOP)).rejects.toThrow('larger than can be kept here (50 MB)');
    await vi.advanceTimersByTimeAsync(20_000);
    expect([kept.size, sent.length]).toEqual([0, 1]);
  });
});

describe('photos of an earlier window', () => {
  it('are sent where they are of this shop; a refusal is told', async () => {
    const of = (shopId: string, hash: string) => kept.set(`${shopId}.${hash}`, { shopId, hash, bytes: new Blob(['x']) });
    of(SHOP, 'a1');
    of('another', 'b2');
    of(SHOP, 'c3');
    answers = ['kept', 'refused'];
    const refused = vi.fn();
    await resendPhotos(SHOP, refused);
    await vi.advanceTimersByTimeAsync(100);
    expect(sent).toEqual(['/api/blobs/a1', '/api/blobs/c3']);
    expect(refused).toHaveBeenCalledOnce();
    expect([...kept.keys()]).toEqual(['another.b2']);
  }); // prettier-ignore
});
