import { coreHours, plateNow, valueOf } from '@zero-pour/plan';
import { useNotices } from './notices';
import type { PourHandle } from './usePour';

/**
 * The print is started, or not after all: from its start plate and scale stand as it was planned then, so that what is
 * learnt later does not rewrite what was printed.
 */
export function markPrintStart(handle: PourHandle, at: string | undefined): void {
  const { pour, plan, set } = handle;
  set(['print', 'startedAt'], at);
  if (at === undefined) {
    set(['scale', 'printedAs'], undefined);
    set(['print', 'plate'], undefined);
    return;
  }
  if (!pour.value.doc.scale.printedAs) fixScale(handle, at);
  const print = valueOf(plan.value.print);
  if (print && !pour.value.doc.print.plate) set(['print', 'plate'], plateNow(plan.value.context, print));
}

/** How it was poured is kept with it; and the scale at the pour at the latest, unless the prints came from elsewhere. */
export function markPoured(handle: PourHandle, at: string | undefined): void {
  const { pour, setInFlask } = handle;
  setInFlask('pour', 'pouredAt', at);
  const { doc } = pour.value;
  if (at !== undefined) fixPour(handle);
  if (at !== undefined && !doc.scale.printedAs && !doc.left.includes('print')) fixScale(handle, at);
}

/** How it was poured, and the charge as it was reckoned then: settings and plan may be others later. */
function fixPour({ plan, flask, setInFlask }: PourHandle): void {
  const { decided } = flask.value.context;
  const { pouring } = plan.value.context.settings;
  const charge = valueOf(flask.value.charge);
  if (pouring && !decided.pour.way) setInFlask('pour', 'way', pouring.way);
  const core = coreHours(valueOf(plan.value.burnout));
  if (core && !decided.pour.coreH) setInFlask('pour', 'coreH', core);
  if (charge && !decided.pour.chargePlannedG) setInFlask('pour', 'chargePlannedG', charge.total.value);
}

const NOT_FIXED =
  'What was measured here is not read, so the percent that it was printed at is not kept. Type it at Scale, as one number.';

function fixScale({ plan, flask, set }: PourHandle, at: string): void {
  const scale = valueOf(plan.value.scale);
  if (!scale) return;
  // A percent that nobody typed, by a record that could not be read, is not what was printed.
  if (plan.value.context.notRead.sizes && plan.value.context.doc.scale.way !== 'percent') {
    useNotices().wrong(NOT_FIXED);
    return;
  }
  const flaskC = valueOf(flask.value.temperatures)?.flaskC;
  // The file may be changed later; what was printed had these sizes.
  const drawn = Object.fromEntries(
    scale.sizes
      .filter((size) => size.drawnFrom === 'file')
      .map(({ target, drawnMm, along }) => [target.key, { mm: drawnMm, ...(along ? { along } : {}) }]),
  );
  set(['scale', 'printedAs'], {
    at,
    percents: scale.percents,
    ...(flaskC === undefined ? {} : { flaskC }),
    ...(Object.keys(drawn).length > 0 ? { drawn } : {}),
  });
}
