import {
  HOUR_MS,
  quantity,
  say,
  type ClashAnswer,
  type GivenUp,
  type Phrase,
  type Wish,
} from '@zero-pour/core';
import type { FormatMoment } from '../moment';
import { isWithinHours } from './handsOutside';
import { readAnswer, type Proposed, type WeekPlanning } from './weekPlan';
import type { WeekSubject } from './weekJobs';

/** One way out of a clash, in words, and what the shop's weeks are with it. */
export interface WayOut {
  wish: Wish;
  words: Phrase;
  proposed: Proposed[];
  /** Hands of the programme that would be left to run by themselves. */
  anyHour: string[];
  partly: boolean;
}

export interface ClashWords {
  /** What does not go together, one line a wish. */
  wishes: Phrase[];
  ways: WayOut[];
  hopeless: string[];
  sure: boolean;
}

const subjectOf = ({ subjects }: WeekPlanning, key: string): WeekSubject =>
  subjects.find(({ job }) => job.key === key)!;

/** A wish as the person at the bench would say it. */
function wishWords(planning: WeekPlanning, { job: key, kind }: Wish, formatMoment: FormatMoment): Phrase {
  const { of, job, row } = subjectOf(planning, key);
  switch (kind) {
    case 'zero':
      return say`${of} at ${formatMoment(job.wanted!)}`;
    case 'kiln':
      return say`${of} in ${row?.plan.context.kiln?.name ?? 'its kiln'}`;
    case 'holds':
      return say`${of} with its holds as long as they are`;
    case 'hours':
      return say`Somebody there at every hand of ${of}’s kiln`;
    case 'fresh':
      return say`Nothing of ${of} goes off on the way`;
  }
}

const hours = (ms: number) => quantity(Math.abs(ms) / HOUR_MS, 'h', 1);

/** What gives way, by how much. */
function wayWords(
  planning: WeekPlanning,
  { wish }: GivenUp,
  proposed: Proposed[],
  formatMoment: FormatMoment,
): { words: Phrase; anyHour: string[] } {
  // prettier-ignore
  const { of, job } = subjectOf(planning, wish.job);
  const own = proposed.find(({ subject }) => subject.job.key === wish.job)!;
  const plain = (words: Phrase) => ({ words, anyHour: [] as string[] });
  switch (wish.kind) {
    case 'zero': {
      const moved = own.zero - job.wanted!;
      return plain(say`Pour ${of.replace(/^Pour /, '')} at ${formatMoment(own.zero)} instead, ${hours(moved)} ${moved < 0 ? 'earlier' : 'later'}`); // prettier-ignore
    }
    case 'kiln':
      return plain(say`${of} in ${own.kiln?.kiln.name ?? 'another kiln'}`);
    case 'holds': {
      const holds = own.longer.map(
        ({ segment, moreH }) => say`hold ${segment} ${quantity(moreH, 'h', 1)} more`,
      );
      const joined = holds.flatMap((one, n) => (n === 0 ? one : [', ', ...one]));
      return plain(own.kilnIn === undefined ? [...say`${of}: `, ...joined] : [...say`${of}: `, ...joined, ...say`; kiln in ${formatMoment(own.kilnIn)}`]); // prettier-ignore
    }
    case 'hours': {
      const outside = own.kiln?.events.flatMap(({ work }) => {
        const step = own.steps.find(({ key }) => key === work.key);
        return step && work.handsMin > 0 && !isWithinHours(planning.problem, step) ? [{ work, step }] : [];
      }) ?? []; // prettier-ignore
      const words = outside.flatMap(({ work, step }, n) => [...(n === 0 ? [] : [', ']), ...say`${work.name} at ${formatMoment(step.from)}`]); // prettier-ignore
      return { words: [...say`${of}: be there at night, or let it run: `, ...words], anyHour: outside.map(({ work }) => work.key) }; // prettier-ignore
    }
    case 'fresh':
      return plain(say`${of}: let something go past its time, and use it all the same`);
  }
}

/** A clash and every single way out of it that was tried and holds, in words. */
export function clashWords(
  planning: WeekPlanning,
  { clash, beside, changes, hopeless, sure }: ClashAnswer & { status: 'clash' },
  formatMoment: FormatMoment,
): ClashWords {
  return {
    wishes: [
      ...clash.map((wish) => wishWords(planning, wish, formatMoment)),
      ...beside.map((key) => say`${subjectOf(planning, key).of} as it stands`),
    ],
    ways: changes.map((change) => {
      const proposed = readAnswer(planning, change.answer);
      const { words, anyHour } = wayWords(planning, change, proposed, formatMoment);
      return { wish: change.wish, words, anyHour, proposed, partly: change.partly };
    }),
    hopeless: hopeless.map((key) => subjectOf(planning, key).of),
    sure,
  };
}
