import type { Job } from './job';
import { feedJob, placesJob } from './feed';
import { fillJob } from './fill';
import { airJob, hungJob } from './hang';
import { patternJob } from './pattern';
import { standingJob } from './standing';

/** Jobs whose results are kept, by name. */
export const KEPT_JOBS = {
  pattern: patternJob,
  standing: standingJob,
  feed: feedJob,
  'gate places': placesJob,
  fill: fillJob,
  hung: hungJob,
  'hung air': airJob,
} as const;
export type KeptJobName = keyof typeof KEPT_JOBS;
export const KEPT_JOB_NAMES = Object.keys(KEPT_JOBS) as [KeptJobName, ...KeptJobName[]];

/** A kept job by its name, whatever it takes and gives: its own schemas say which. */
export const keptJob = (name: KeptJobName): Job<unknown, unknown> =>
  KEPT_JOBS[name] as unknown as Job<unknown, unknown>;

/** Results of one part that are kept of a job; every turn of a part makes another one. */
export const KEEP_NEWEST: Readonly<Record<KeptJobName, number>> = {
  pattern: 4,
  standing: 40,
  feed: 40,
  'gate places': 40,
  fill: 40,
  hung: 40,
  'hung air': 40,
};

/** The hash of the file that an input is about. */
export function fileOf(input: unknown): string {
  const { file, part, parts } = input as {
    file?: string;
    part?: { file: string };
    /** A tree is kept with the first of its parts. */
    parts?: { part: { file: string } }[];
  };
  return file ?? part?.file ?? parts?.[0]?.part.file ?? '';
}

/** Hashes of the bytes that an output names. */
export function blobsOf(output: unknown): string[] {
  const { result } = output as { result?: { shapeHash?: string } };
  return result?.shapeHash === undefined ? [] : [result.shapeHash];
}
