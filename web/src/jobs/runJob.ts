import { errorSentence } from '@zero-pour/contracts';
import { MeshFileError } from '@zero-pour/core';
import { resultOf, type Job, type JobResult, type RunOutcome } from '@zero-pour/jobs';
import { proxy, transfer, type Remote } from 'comlink';
import { fetchBytes, sentenceOf } from '../api/request';
import type { JobWorker } from './job.worker';
import { inResident } from './residents';
import { inWorker, type WorkOptions } from './workerPool';

export interface RunOptions extends Omit<WorkOptions, 'about'> {
  report?: (step: string, share: number) => void;
  /** Bytes that the page has at hand, by the name that the input gives them. A file is handed over unread: the worker reads it. */
  bytes?: ReadonlyMap<string, Uint8Array | Blob>;
}

/** Progress is shown no more often than this. */
const REPORT_EVERY_MS = 50;

/** Jobs of one part, or of one tree, meet in one worker. */
function partIn(input: unknown): { about?: string } {
  const {
    part,
    parts,
    file = part?.file,
  } = input as {
    part?: { file: string };
    parts?: { part: { file: string } }[];
    file?: string;
  };
  const about = file ?? parts?.map((one) => one.part.file).join(' ');
  return about === undefined ? {} : { about };
}

/**
 * Runs a job in a worker of the page. Rejects with MeshFileError for a bad file, with WorkCancelled when it was called
 * off.
 */
export async function runJob<I, O>(
  job: Job<I, O>,
  input: I,
  options: RunOptions = {},
): Promise<JobResult<O>> {
  const { report, bytes, signal } = options;
  let last = -Infinity;
  const told = proxy((step: string, share: number) => {
    if (signal?.aborted || performance.now() - last < REPORT_EVERY_MS) return;
    last = performance.now();
    report?.(step, share);
  });
  const blob = proxy(async (hash: string) => {
    const own = bytes?.get(hash);
    if (own) return own;
    const fetched = await fetchBytes(hash);
    return transfer(fetched, [fetched.buffer as ArrayBuffer]);
  });
  // A plain copy: what a page holds may be wrapped so that it notices changes.
  const plain = JSON.parse(JSON.stringify(input)) as I;
  const run = (remote: Remote<JobWorker>): Promise<RunOutcome> =>
    remote.run(job.name, plain, blob, told) as Promise<RunOutcome>;
  const { about } = partIn(plain);
  const outcome =
    options.resident && about !== undefined
      ? await inResident(about, run, signal)
      : await inWorker(run, { ...options, ...(about === undefined ? {} : { about }) });
  return resultOf(outcome) as JobResult<O>;
}

/** Why a job gave nothing, for whoever reads the page. */
export const whyNot = (error: unknown): string =>
  error instanceof MeshFileError ? errorSentence(error.code, error.detail) : sentenceOf(error);
