import type { StepRecord } from '@zero-pour/contracts';
import type { PourHandle } from './usePour';
import { markPoured } from './printedAs';
import type { BenchList } from './benchLists';
import { POURED, POWDER_IN } from './timedSteps';

/** Keeps what was done of a cleaning step; with the first one the protocol stands as it is. */
export function recordClean(
  { pour, plan, set }: PourHandle,
  key: string,
  record: StepRecord | undefined,
): void {
  const { resin, settings } = plan.value.context;
  if (record && resin && !pour.value.doc.clean.begun)
    set(['clean', 'begun'], {
      name: resin.protocolName,
      version: resin.protocolVersion,
      protocol: resin.protocol,
      cure: settings.cure,
    });
  set(['clean', 'steps', key], record);
}

/** Keeps what was done of a step. Two steps are moments of the pour itself: powder in water, and the pour. */
export function recordStep(
  handle: PourHandle,
  list: BenchList,
  key: string,
  record: StepRecord | undefined,
): void {
  if (list === 'clean') return recordClean(handle, key, record);
  if (key === POWDER_IN) return handle.set(['invest', 'powderInAt'], record?.doneAt);
  if (key === POURED) return markPoured(handle, record?.doneAt);
  if (list === 'invest') return handle.set(['invest', 'steps', key], record);
  handle.set(['flasks', handle.flask.value.context.decided.key, 'pour', 'steps', key], record);
}
