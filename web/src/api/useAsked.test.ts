// @vitest-environment happy-dom
import { flushPromises } from '@vue/test-utils';
import { effectScope, nextTick, shallowRef } from 'vue';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { z } from 'zod';
import { answerJson } from '../testing/answers';
import { useAsked, type Asked } from './useAsked';

/** What was asked of the server, each answered when the test says so. */
const asked: { at: string; answer: (body: unknown, status?: number) => void }[] = [];
beforeEach(() => {
  asked.splice(0);
  vi.stubGlobal(
    'fetch',
    (at: string) =>
      new Promise((done) =>
        asked.push({ at, answer: (body, status = 200) => done(answerJson(body, { status })) }),
      ),
  );
});
afterEach(() => void vi.unstubAllGlobals());

function ask(first: string | undefined) {
  const at = shallowRef(first);
  const scope = effectScope();
  const said = scope.run<Asked<number[]>>(() => useAsked(z.array(z.number()), () => at.value))!;
  return { at, said, stop: () => scope.stop() };
}

describe('a question of a page', () => {
  it('without an address is not asked, and nothing is told', async () => {
    const { said } = ask(undefined);
    await flushPromises();
    expect(asked).toHaveLength(0);
    expect([said.told.value, said.notRead.value]).toEqual([undefined, '']);
  });
  it('is asked anew at another address; an answer to the one before never takes its place', async () => {
    const { at, said } = ask('/one');
    at.value = '/two';
    await nextTick();
    expect(asked.map((one) => one.at)).toEqual(['/api/one', '/api/two']);
    asked[1]!.answer([2]);
    await flushPromises();
    expect(said.told.value).toEqual([2]);
    asked[0]!.answer([1]);
    await flushPromises();
    expect(said.told.value).toEqual([2]);
  });
  it('tells nothing of what was told before while it is asked anew', async () => {
    const { at, said } = ask('/one');
    asked[0]!.answer([1]);
    await flushPromises();
    at.value = '/two';
    await nextTick();
    expect(said.told.value).toBeUndefined();
    at.value = undefined;
    await nextTick();
    asked[1]!.answer([2]);
    await flushPromises();
    expect(said.told.value).toBeUndefined();
  });
  it('that cannot be answered says why, and a late refusal says nothing of the next', async () => {
    const { at, said } = ask('/one');
    asked[0]!.answer({ error: { code: 'BUSY', sentence: 'Zero Pour is busy.' } }, 503);
    await flushPromises();
    expect(said.notRead.value).toBe('Zero Pour is busy.');
    expect(said.told.value).toBeUndefined();
    at.value = '/two';
    await nextTick();
    expect(said.notRead.value).toBe('');
  });
});
