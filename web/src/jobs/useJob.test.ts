// @vitest-environment happy-dom
import { MeshFileError } from '@zero-pour/core';
import { defineJob, jobText, typed, type JobResult } from '@zero-pour/jobs';
import { flushPromises } from '@vue/test-utils';
import { createPinia } from 'pinia';
import { defineComponent } from 'vue';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { mountInApp } from '../testing/mountInApp';
import type { RunOptions } from './runJob';
import { useJob, type JobHandle } from './useJob';
import { WorkCancelled } from './workerPool';

const doubled = defineJob({
  name: 'double',
  version: 1,
  input: typed<{ n: number }>(),
  output: typed<number>(),
});

/** Runs that wait for their end, in the order they were asked for. */
interface Run {
  input: { n: number };
  options: RunOptions;
  end: (result: JobResult<number>) => void;
  fail: (error: Error) => void;
}
const runs: Run[] = [];
vi.mock('./runJob', async (original) => ({
  ...(await original<typeof import('./runJob')>()),
  runJob: (_: unknown, input: { n: number }, options: RunOptions) =>
    new Promise((end, fail) => {
      runs.push({ input, options, end, fail });
      options.signal?.addEventListener('abort', () => fail(new WorkCancelled()));
    }),
}));
beforeEach(() => void runs.splice(0));

function opened(): { handle: JobHandle<{ n: number }, number>; leave: () => void } {
  let handle!: JobHandle<{ n: number }, number>;
  const page = defineComponent({
    setup() {
      handle = useJob(doubled);
      return () => null;
    },
  });
  const wrapper = mountInApp(page, {}, createPinia());
  return { handle, leave: () => wrapper.unmount() };
}

describe('a job of a page', () => {
  it('tells how far it is, then what it found', async () => {
    const { handle } = opened();
    handle.ask({ n: 2 });
    runs[0]!.options.report!('doubling', 0.5);
    expect(handle.state.value).toEqual({ status: 'working', step: 'doubling', share: 0.5 });
    runs[0]!.end({ output: 4 });
    await flushPromises();
    expect(handle.state.value).toEqual({ status: 'done', input: { n: 2 }, output: 4 });
  });

  it('is over once it has answered, or failed: what is told of its progress afterwards changes nothing', async () => {
    const { handle } = opened();
    handle.ask({ n: 2 });
    runs[0]!.end({ output: 4 });
    await flushPromises();
    runs[0]!.options.report!('doubling', 1);
    expect(handle.state.value).toMatchObject({ status: 'done', output: 4 });
    handle.ask({ n: 3 });
    runs[1]!.fail(new Error('broken'));
    await flushPromises();
    runs[1]!.options.report!('doubling', 1);
    expect(handle.state.value).toMatchObject({ status: 'failed' });
  });

  it('ends the older wish with the newer, whose answer alone is shown', async () => {
    const { handle } = opened();
    handle.ask({ n: 1 });
    handle.ask({ n: 2 });
    expect(runs.map(({ options }) => options.signal!.aborted)).toEqual([true, false]);
    runs[0]!.options.report!('late', 1);
    runs[1]!.end({ output: 4 });
    await flushPromises();
    expect(handle.state.value).toMatchObject({ status: 'done', input: { n: 2 } });
  });

  it('does not ask the same twice, unless it failed', async () => {
    const { handle } = opened();
    handle.ask({ n: 3 });
    handle.ask({ n: 3 });
    expect(runs).toHaveLength(1);
    runs[0]!.fail(new MeshFileError('MESH_EMPTY'));
    await flushPromises();
    expect(handle.state.value).toMatchObject({
      status: 'failed',
      sentence: 'The file is empty. Export it again.',
    });
    handle.ask({ n: 3 });
    expect(runs).toHaveLength(2);
  });

  it('stops when it is told to, and when its page is left', async () => {
    const { handle, leave } = opened();
    handle.ask({ n: 4 });
    handle.stop();
    await flushPromises();
    expect(handle.state.value).toEqual({ status: 'idle' });
    handle.ask({ n: 4 });
    leave();
    expect(runs.map(({ options }) => options.signal!.aborted)).toEqual([true, true]);
  });

  it('is named by what it is asked, whatever the order of its fields', () => {
    expect(jobText(doubled, { b: 1, a: [2, { d: null, c: undefined }] })).toBe(
      'double@1 {"a":[2,{"d":null}],"b":1}',
    );
  });
});
