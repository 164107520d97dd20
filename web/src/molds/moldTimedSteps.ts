import type { Mold } from '@zero-pour/contracts';
import { formatPhrase, formatQuantity, type UnitChoice } from '@zero-pour/core';
import { moldSteps, type MoldThings } from '@zero-pour/plan';
import { ownEnd, type TimedStep } from '../state/timedSteps';

const long = (minutes: number, choice: UnitChoice): string =>
  minutes < 120
    ? formatQuantity({ value: minutes, unit: 'min' }, choice)
    : formatQuantity({ value: minutes / 60, unit: 'h', digits: 1 }, choice);

/** A mold's steps as they are shown, timed and ticked, at the desk and at the bench. */
export const moldTimedSteps = (mold: Mold, things: MoldThings, choice: UnitChoice): TimedStep[] =>
  moldSteps(mold, things).map(({ key, name, how, minutes, attendance, caution, record }) => {
    const seconds = minutes === null ? null : Math.round(minutes * 60);
    return {
      key,
      name,
      note: formatPhrase(how, choice),
      seconds,
      bounds: minutes === null ? 'until done' : long(minutes, choice),
      record,
      late: '',
      caution,
      endsAt: ownEnd(record, seconds),
      beginsItself: attendance === 'none',
    };
  });
