import type { Cause, CauseTest } from './rankCauses';

/* How tables of causes are written down. */

export const test = (sign: string, pBad: number, pElse: number, group?: string): CauseTest =>
  group === undefined ? { sign, pBad, pElse } : { sign, pBad, pElse, group };

export const cause = (key: string, name: string, prior: number, ...tests: CauseTest[]): Cause => ({
  key,
  name,
  prior,
  tests,
});
