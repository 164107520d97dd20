import { MeshFileError, type BooleanEngine, type MeshErrorCode } from '@zero-pour/core';
import { couponFileJob, couponJob } from './coupon';
import type { Job, JobContext, JobResult } from './job';
import { layersJob } from './layers';
import { patternJob } from './pattern';
import { readFileJob } from './readFile';
import { savePartJob } from './savePart';
import { shapeJob } from './shape';
import { standingJob } from './standing';
import { tuneJob } from './tuning';
import { waysJob } from './ways';

/** Every job there is, by name: what a worker is told to run. */
const JOBS: ReadonlyMap<string, Job<unknown, unknown>> = new Map(
  [
    patternJob,
    standingJob,
    shapeJob,
    readFileJob,
    layersJob,
    waysJob,
    couponJob,
    couponFileJob,
    savePartJob,
    tuneJob,
  ].map((job) => [job.name, job as unknown as Job<unknown, unknown>]),
);

/** What comes out of a runner that stands behind a border: errors do not cross it with what they carry. */
export type RunOutcome =
  | { status: 'done'; output: unknown; blobs: [string, Uint8Array<ArrayBuffer>][] }
  | { status: 'refused'; code: MeshErrorCode; detail: Readonly<Record<string, string | number>> };

type Supplies = Pick<JobContext, 'blob' | 'report'> & { engine: () => Promise<BooleanEngine<unknown>> };

/**
 * A runner that keeps what was read of the last part: jobs of one part, one after the other, read it once. A bad file is
 * an outcome; anything else is thrown.
 */
export function makeRunner(): (name: string, input: unknown, supplies: Supplies) => Promise<RunOutcome> {
  let kept: { name: string; made: Promise<unknown> } | undefined;
  const memo = <T>(name: string, make: () => Promise<T>): Promise<T> => {
    if (kept?.name !== name) {
      kept = { name, made: make() };
      // What failed is tried again by the next one.
      kept.made.catch(() => (kept = undefined));
    }
    return kept.made as Promise<T>;
  };
  return async (name, input, supplies) => {
    const job = JOBS.get(name);
    if (!job) throw new Error(`there is no job “${name}”`);
    try {
      const { output, blobs } = await job.run(job.input.parse(input), { ...supplies, memo });
      return { status: 'done', output, blobs: [...(blobs ?? [])] };
    } catch (error) {
      if (error instanceof MeshFileError)
        return { status: 'refused', code: error.code, detail: error.detail };
      throw error;
    }
  };
}

/** What an outcome stands for: its result, or the file's fault as it was thrown. */
export function resultOf(outcome: RunOutcome): JobResult<unknown> {
  if (outcome.status === 'refused') throw new MeshFileError(outcome.code, outcome.detail);
  return { output: outcome.output, blobs: new Map(outcome.blobs) };
}
