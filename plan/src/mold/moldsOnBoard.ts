import type { Mold } from '@zero-pour/contracts';
import { say, type Judgement } from '@zero-pour/core';
import type { PourContext, Shop } from '../context';
import type { FormatMoment } from '../moment';
import { judgeMoldTimes, judgeUntimed, planMoldTimes, stepsAhead, untimed, type MoldTimes } from './moldWork';

/** A mold on the board: one with a zero of its own that is still to be made. */
export interface MoldRow {
  mold: Mold;
  times: MoldTimes;
}

/** … by zero. */
export function moldRows({ molds = [], lists, patterns, settings }: Shop): MoldRow[] {
  return molds
    .flatMap((mold) => {
      const pattern = patterns.find(({ id }) => id === mold.patternId);
      const resin = lists.resin.find(({ id }) => id === mold.resinId);
      const times = planMoldTimes(mold, { pattern, resin }, settings);
      return times ? [{ mold, times }] : [];
    })
    .sort((a, b) => a.times.zero - b.times.zero);
}

/** What the clock says against the molds on the board, each by its name. */
export const moldConflicts = (
  rows: readonly MoldRow[],
  now: number,
  formatMoment: FormatMoment,
): { row: MoldRow; judgement: Judgement }[] =>
  rows.flatMap((row) =>
    judgeMoldTimes(row.times, now, formatMoment).map((judgement) => ({
      row,
      judgement: { ...judgement, lead: `${row.mold.name}. ${judgement.lead}` },
    })),
  );

/** A mold with a zero of its own must be closed before its waxes are injected; one that the pour contains is counted by its steps. */
export function judgeMoldInTime(
  { mold: things }: PourContext,
  waxAt: number | undefined,
  formatMoment: FormatMoment,
): Judgement[] {
  const ahead = things ? stepsAhead(things.mold, things) : [];
  if (!things || waxAt === undefined || ahead.length === 0) return [];
  const { zeroAt, name } = things.mold;
  if (zeroAt === undefined) return judgeUntimed(untimed(ahead));
  if (Date.parse(zeroAt) <= waxAt) return [];
  return [
    {
      rule: 'mold in time',
      weight: 'fix',
      lead: 'Its mold comes too late.',
      why: say`${name} is closed ${formatMoment(Date.parse(zeroAt))}; its waxes are to begin ${formatMoment(waxAt)}.`,
    },
  ];
}
