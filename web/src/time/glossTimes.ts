import { GLOSS_AFTER_MIN, MINUTE_MS } from '@zero-pour/core';
import { clockTime } from './shopClock';

/** When the gloss is to go off, from powder in water on: "10:31 to 10:34". */
export const glossTimes = (powderInAt: number, workingMin: number): string =>
  GLOSS_AFTER_MIN.map((after) => clockTime(powderInAt + (workingMin + after) * MINUTE_MS, 'HH:mm')).join(
    ' to ',
  );
