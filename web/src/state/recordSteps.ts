import type { StepRecord } from '@zero-pour/contracts';
import type { PourHandle } from './usePour';
import { markPoured } from './printedAs';
import type { BenchList } from './benchLists';
import { OUT, POURED, QUENCH, SOLID } from './pouringSteps';
import { POWDER_IN } from './timedSteps';

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

/** Longer than a flask can be told to be out: a step that was forgotten. min */
const OUT_MOST_MIN = 60;

/** Keeps what was done of a step. Two steps are moments of the pour itself: powder in water, and the pour. */
export function recordStep(
  handle: PourHandle,
  list: BenchList,
  key: string,
  record: StepRecord | undefined,
): void {
  if (list === 'clean') return recordClean(handle, key, record);
  if (key === POWDER_IN) return handle.set(['invest', 'powderInAt'], record?.doneAt);
  if (list === 'invest') return handle.set(['invest', 'steps', key], record);
  recordPouring(handle, key, record);
}

const minutesFrom = (from: string | undefined, to: string | undefined): number | undefined =>
  from !== undefined && to !== undefined && Date.parse(to) >= Date.parse(from)
    ? Math.round((Date.parse(to) - Date.parse(from)) / 6000) / 10
    : undefined;

/**
 * A step at the furnace. What the clock saw between two of them is kept as it was measured, where nobody typed it: minutes out of
 * the kiln, until the button was solid, until the quench. A step that is taken back takes its own minutes back.
 */
function recordPouring(handle: PourHandle, key: string, record: StepRecord | undefined): void {
  const { flask, set, setInFlask } = handle;
  const { decided } = flask.value.context;
  const before = decided.pour;
  if (key === POURED) {
    const outMin = minutesFrom(before.steps?.[OUT]?.doneAt, record?.doneAt);
    markPoured(handle, record?.doneAt);
    if (outMin !== undefined && outMin <= OUT_MOST_MIN) setInFlask('pour', 'outMin', outMin);
    return;
  }
  set(['flasks', decided.key, 'pour', 'steps', key], record);
  const field = key === SOLID ? 'solidAfterMin' : key === QUENCH ? 'quenchAfterMin' : undefined;
  if (!field) return;
  const was = before.steps?.[key]?.doneAt;
  const kept = before[field];
  // What somebody typed stays: it may be of a watch that was nearer than this press.
  const own = kept?.state === 'measured' && kept.value === minutesFrom(before.pouredAt, was);
  if (kept !== undefined && kept.state !== 'not measured' && !own) return;
  const value = minutesFrom(before.pouredAt, record?.doneAt);
  setInFlask('pour', field, value === undefined ? undefined : { state: 'measured', value });
}
