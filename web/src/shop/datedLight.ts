import type { Printer } from '@zero-pour/contracts';

/** A printer whose measured light was changed carries the day of the measurement: light falls with age. */
export function datedLight(before: Printer, after: Printer, now: Date): Printer {
  if (before.irradianceMwPerCm2 === after.irradianceMwPerCm2) return after;
  return { ...after, irradianceAt: after.irradianceMwPerCm2 === null ? null : now.toISOString() };
}
