import { keptReadingSchema, readingAnswerSchema } from '@zero-pour/contracts';
import { jobKey, jobText, passingJob, type Job } from '@zero-pour/jobs';
import type { Reading, Readings, WantedReading } from '@zero-pour/plan';
import { defineStore } from 'pinia';
import { shallowReactive } from 'vue';
import { z } from 'zod';
import { request, RequestError, sendBytes } from '../api/request';
import { runJob, whyNot, type RunOptions } from './runJob';
import { WorkCancelled } from './workerPool';

/** How often the server is asked again for what it is working out. */
const ASK_EVERY_MS = 1500;

type State = Reading<unknown>;

/** Of no file, and kept nowhere: made here, and forgotten with the page. */
async function makePassing(
  job: Job<unknown, unknown>,
  input: unknown,
  settle: (state: State) => void,
): Promise<void> {
  try {
    const { output } = await runJob(job, input);
    settle({ status: 'known', value: output });
  } catch (error) {
    settle({ status: 'failed', sentence: whyNot(error) });
  }
}

/** What long computations said: kept ones from the server, others made here and kept there, or made by the server. */
export const useReadings = defineStore('readings', () => {
  const states = shallowReactive(new Map<string, State>());
  const looked = new Map<string, Promise<State>>();

  const of = <I, O>(job: Job<I, O>, input: I): Reading<O> =>
    (states.get(jobText(job, input)) as Reading<O> | undefined) ?? { status: 'unread' };
  const known: Readings = { of };

  /** Asks once for what is kept. */
  async function look<I, O>(job: Job<I, O>, input: I): Promise<Reading<O>> {
    const text = jobText(job, input);
    const standing = states.get(text);
    if (standing?.status === 'known') return standing as Reading<O>;
    const found = looked.get(text) ?? fetchKept(text, job as Job<unknown, unknown>, input);
    looked.set(text, found);
    found.catch(() => looked.delete(text));
    return (await found) as Reading<O>;
  }
  async function fetchKept(text: string, job: Job<unknown, unknown>, input: unknown): Promise<State> {
    const key = await jobKey(job, input);
    const { output } = await request(keptReadingSchema, 'GET', `/readings/${key}`);
    if (output === null) return { status: 'unread' };
    const state: State = { status: 'known', value: output };
    states.set(text, state);
    return state;
  }

  async function keep<I, O>(
    job: Job<I, O>,
    input: I,
    output: O,
    blobs: Iterable<[string, Uint8Array<ArrayBuffer>]>,
  ): Promise<void> {
    for (const [hash, bytes] of blobs) await sendBytes(hash, new Blob([bytes]));
    const body = { job: job.name, input, output };
    await request(z.unknown(), 'PUT', `/readings/${await jobKey(job, input)}`, body);
  }

  /** What a job says of an input: as it is kept, else worked out in a worker of this page and kept. */
  async function make<I, O>(job: Job<I, O>, input: I, options: RunOptions = {}): Promise<O> {
    const text = jobText(job, input);
    const before = states.get(text);
    states.set(text, before?.status === 'known' ? before : { status: 'working', share: 0 });
    try {
      // Without the server it is worked out all the same.
      const kept = await look(job, input).catch((): Reading<O> => ({ status: 'unread' }));
      if (kept.status === 'known') return kept.value;
      if (options.signal?.aborted) throw new WorkCancelled();
      const { output, blobs } = await runJob(job, input, options);
      states.set(text, { status: 'known', value: output });
      looked.delete(text);
      // Whoever asked has it, whether or not there is a server to keep it: without one it is worked out anew another day.
      await keep(job, input, output, blobs ?? []).catch((error: unknown) => {
        if (!(error instanceof RequestError && error.isOutage)) throw error;
      });
      return output;
    } catch (error) {
      if (states.get(text)?.status !== 'known') fail(text, error);
      throw error;
    }
  }
  function fail(text: string, error: unknown): void {
    if (error instanceof WorkCancelled) states.delete(text);
    else states.set(text, { status: 'failed', sentence: whyNot(error) });
  }

  /** Lets the server work out what a plan wants; what fails is said, and asked for again when the page is opened anew. */
  async function order({ job, input, text }: WantedReading): Promise<void> {
    if (states.has(text)) return;
    states.set(text, { status: 'working', share: 0 });
    const passing = passingJob(job);
    if (passing) return makePassing(passing, input, (state) => states.set(text, state));
    try {
      for (;;) {
        const answer = await request(readingAnswerSchema, 'POST', '/readings', { job, input });
        if (answer.status !== 'working') {
          states.set(text, answer.status === 'known' ? { status: 'known', value: answer.output } : answer);
          return;
        }
        if (states.get(text)?.status === 'known') return;
        states.set(text, answer);
        await new Promise((resolve) => setTimeout(resolve, ASK_EVERY_MS));
      }
    } catch {
      // Nobody answers: it is wanted again by the next plan.
      if (states.get(text)?.status === 'working') states.delete(text);
    }
  }

  return { known, of, look, make, order };
});
