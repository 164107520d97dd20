import { jobText, KEPT_JOB_NAMES, type Job, type JobResult } from '@zero-pour/jobs';
import { useDebounceFn } from '@vueuse/core';
import { onScopeDispose, shallowRef, type ShallowRef } from 'vue';
import { useReadings } from './readingStore';
import { runJob, whyNot, type RunOptions } from './runJob';
import { WorkCancelled } from './workerPool';

export type JobState<I, O> =
  | { status: 'idle' }
  | { status: 'working'; step: string; share: number }
  | { status: 'done'; input: I; output: O }
  | { status: 'failed'; input: I; sentence: string };

export interface JobHandle<I, O> {
  state: ShallowRef<JobState<I, O>>;
  /**
   * Asks; a newer wish ends the one before, and the same wish is not asked twice. `bytes`: what the input names and the page has
   * at hand.
   */
  ask: (input: I, bytes?: RunOptions['bytes']) => void;
  /** Ends what runs; what is known stays. */
  stop: () => void;
  /** Forgets what is known too. */
  clear: () => void;
}

interface UseJobOptions extends Pick<RunOptions, 'urgent' | 'background' | 'resident'> {
  /** Typing asks for several in a row: waits until it stops. */
  waitMs?: number;
}

const isKept = (name: string): boolean => (KEPT_JOB_NAMES as readonly string[]).includes(name);

/** A job that a page asks for over and over: the answer to the newest wish, or how far it is. */
export function useJob<I, O>(job: Job<I, O>, { waitMs = 0, ...how }: UseJobOptions = {}): JobHandle<I, O> {
  const readings = useReadings();
  const state: ShallowRef<JobState<I, O>> = shallowRef({ status: 'idle' });
  let running: AbortController | undefined;
  let asked = '';
  let left = false;

  function stop(): void {
    running?.abort();
    running = undefined;
    if (state.value.status === 'working') [state.value, asked] = [{ status: 'idle' }, ''];
  }
  function clear(): void {
    stop();
    [state.value, asked] = [{ status: 'idle' }, ''];
  }
  onScopeDispose(() => {
    left = true;
    running?.abort();
  });

  const work = (input: I, options: RunOptions): Promise<JobResult<O>> =>
    isKept(job.name)
      ? readings.make(job, input, options).then((output) => ({ output }))
      : runJob(job, input, options);

  async function run(input: I, bytes?: RunOptions['bytes']): Promise<void> {
    if (left) return;
    running?.abort();
    const own = (running = new AbortController());
    // Progress comes by a port of its own, and may come after the answer.
    let over = false;
    const report = (step: string, share: number): void => {
      if (running === own && !over) state.value = { status: 'working', step, share };
    };
    report('', 0);
    try {
      const { output } = await work(input, {
        ...how,
        ...(bytes ? { bytes } : {}),
        report,
        signal: own.signal,
      });
      over = true;
      if (running === own) state.value = { status: 'done', input, output };
    } catch (error) {
      over = true;
      if (error instanceof WorkCancelled || running !== own) return;
      state.value = { status: 'failed', input, sentence: whyNot(error) };
    }
  }
  const begin = waitMs > 0 ? useDebounceFn(run, waitMs) : run;

  function ask(input: I, bytes?: RunOptions['bytes']): void {
    const text = jobText(job, input);
    if (text === asked && state.value.status !== 'failed') return;
    asked = text;
    // An answer to an earlier wish is none.
    state.value = { status: 'working', step: '', share: 0 };
    void begin(input, bytes);
  }
  return { state, ask, stop, clear };
}
