import type { DeviceReading } from '@zero-pour/contracts';

/** Between two readings in a row the device's own clock goes no further than this. s */
const STEP_MOST_S = 120;

/** A span of time as it is said: "2 h 10 min", "40 s". */
function span(seconds: number): string {
  const min = Math.round(seconds / 60);
  if (min < 1) return `${Math.round(seconds)} s`;
  return min < 60 ? `${min} min` : `${Math.floor(min / 60)} h ${min % 60} min`;
}

/** What is wrong with the times of two readings in a row; undefined: nothing. A number that is left out is a hole, not a jump. */
export function clockJump(
  before: DeviceReading | null,
  now: DeviceReading,
  pace: number,
): string | undefined {
  if (before === null || now.n !== before.n + 1) return undefined;
  const movedS = (Date.parse(now.at) - Date.parse(before.at)) / 1000;
  if (movedS < 0)
    return `The device’s clock went back by ${span(-movedS)}: what it reads is not written down until it is past that time again.`;
  return movedS > STEP_MOST_S * Math.max(1, pace / 60)
    ? `The device’s clock jumped ahead by ${span(movedS)} between two readings: what is written down has a hole there.`
    : undefined;
}
