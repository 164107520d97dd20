import {
  errorSentence,
  hashSchema,
  parseOrRefuse,
  Refusal,
  type AboutShop,
  type ReadingAnswer,
} from '@zero-pour/contracts';
import { MeshFileError } from '@zero-pour/core';
import { blobsOf, fileOf, jobKey, KEEP_NEWEST, keptJob, type KeptJobName } from '@zero-pour/jobs';
import { runInThread } from '@zero-pour/jobs/node';
import { buffer } from 'node:stream/consumers';
import type { Database } from '../db/database';
import { findReading, keepMeasure, keepReading, pruneReadings } from '../db/readingStore';
import type { BlobFiles } from '../files/blobFiles';
import { keepBlob } from './keepBlob';

/** One result that a page or a thread worked out. */
export interface MadeReading {
  job: KeptJobName;
  input: unknown;
  output: unknown;
}

/** Keeps what a job said of an input; both are read by the job's own schemas. Returns its key. */
export async function keepMade(db: Database, { job: name, ...made }: MadeReading): Promise<string> {
  const job = keptJob(name);
  const input = parseOrRefuse(job.input, made.input);
  const output = parseOrRefuse(job.output, made.output);
  const key = await jobKey(job, input);
  const file = fileOf(input);
  await db.transaction(async (tx) => {
    await keepReading(tx, { key, job: name, version: job.version, input, output, blobs: blobsOf(output) });
    await pruneReadings(tx, name, file, KEEP_NEWEST[name]);
    if (name === 'pattern') await keepMeasure(tx, file, (output as { measure: { unitMm: number } }).measure);
  });
  return key;
}

/** Times that are remembered of each job, since the start. */
const TIMES = 100;

interface Run {
  share: number;
  failed?: string;
}

/** Readings that this server works out itself, one at a time, each in a thread of its own. */
export class ReadingRuns {
  private readonly runs = new Map<string, Run>();
  private last: Promise<void> = Promise.resolve();
  private readonly took = new Map<KeptJobName, number[]>();
  private readonly stopped = new AbortController();

  constructor(
    private readonly db: Database,
    private readonly files: BlobFiles,
  ) {}

  /** What is known of a reading; one that nobody has made is begun. What failed is told, and not begun again. */
  async ask(name: KeptJobName, given: unknown): Promise<ReadingAnswer> {
    const job = keptJob(name);
    const input = parseOrRefuse(job.input, given);
    const key = await jobKey(job, input);
    const output = await findReading(this.db, key);
    if (output !== undefined) return { status: 'known', output: output as never };
    const run = this.runs.get(key) ?? this.begin(key, name, input);
    return run.failed === undefined
      ? { status: 'working', share: run.share }
      : { status: 'failed', sentence: run.failed };
  }

  private begin(key: string, name: KeptJobName, input: unknown): Run {
    const run: Run = { share: 0 };
    this.runs.set(key, run);
    this.last = this.last
      .then(() => this.work(name, input, run))
      .then(
        () => void this.runs.delete(key),
        (error: unknown) => void (run.failed = sentenceOf(error)),
      );
    return run;
  }

  /** Seconds that jobs took here since the start. */
  times(): AboutShop['jobs'] {
    return [...this.took].map(([name, all]) => {
      const sorted = [...all].sort((a, b) => a - b);
      return {
        name,
        runs: all.length,
        medianS: sorted[Math.floor(sorted.length / 2)]!,
        longestS: sorted.at(-1)!,
      };
    });
  }

  private async work(job: KeptJobName, input: unknown, run: Run): Promise<void> {
    const began = performance.now();
    const { output, blobs } = await runInThread(keptJob(job), input, {
      blob: (hash) => this.bytesOf(hash),
      report: (_, share) => void (run.share = share),
      signal: this.stopped.signal,
    });
    for (const [hash, bytes] of blobs ?? [])
      await keepBlob(this.db, this.files, hash, 'application/octet-stream', once(bytes));
    await keepMade(this.db, { job, input, output });
    this.took.set(job, [...(this.took.get(job) ?? []), (performance.now() - began) / 1000].slice(-TIMES));
  }

  private async bytesOf(hash: string): Promise<Uint8Array> {
    const size = await this.files.size(parseOrRefuse(hashSchema, hash));
    if (size === null) throw new Refusal('NOT_FOUND', { what: 'file with these bytes' });
    return new Uint8Array(await buffer(this.files.read(hash)));
  }

  /** Ends what runs. */
  async stop(): Promise<void> {
    this.stopped.abort();
    await this.last;
  }
}

function sentenceOf(error: unknown): string {
  if (error instanceof MeshFileError) return errorSentence(error.code, error.detail);
  return error instanceof Refusal ? error.message : errorSentence('READING_FAILED');
}

async function* once(bytes: Uint8Array): AsyncIterable<Uint8Array> {
  yield bytes;
}
