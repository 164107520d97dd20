import { jobText, type Job } from '@zero-pour/jobs';

/** What is known of a long computation. *Unread*: nobody has asked yet; that is not *nothing found*. */
export type Reading<T> =
  | { status: 'known'; value: T }
  | { status: 'unread' }
  | { status: 'working'; share: number }
  | { status: 'failed'; sentence: string };

/** The shop's own record while it is not there: it is being asked for, or could not be read. That is not *nothing*. */
export type NotRead = { status: 'unread' } | { status: 'failed'; sentence: string };
export const isNotRead = (record: object): record is NotRead => 'status' in record;

/** Looks up what a job said of an input. */
export interface Readings {
  of: <I, O>(job: Job<I, O>, input: I) => Reading<O>;
}

/** A reading that a plan would use and nobody has made; `text` names it. */
export interface WantedReading {
  text: string;
  job: string;
  input: unknown;
}

/** Where nothing was read. */
export const NO_READINGS: Readings = { of: () => ({ status: 'unread' }) };

/** Readings that note what was asked of them and is not there. */
export function notingReadings(
  from: Readings,
): Readings & { wanted: () => WantedReading[]; peek: Readings['of'] } {
  const wanted = new Map<string, WantedReading>();
  return {
    of(job, input) {
      const found = from.of(job, input);
      const text = jobText(job, input);
      if (found.status === 'unread') wanted.set(text, { text, job: job.name, input });
      return found;
    },
    /** Without wanting it: what is there may be used, what is not is nobody's need. */
    peek: from.of,
    wanted: () => [...wanted.values()],
  };
}
