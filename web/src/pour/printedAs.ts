import { plateNow, valueOf } from '@zero-pour/plan';
import type { PourHandle } from '../state/usePour';

/**
 * The print is started, or not after all: from its start plate and scale stand as it was planned then, so that what is
 * learnt later does not rewrite what was printed.
 */
export function markPrintStart({ pour, plan, set }: PourHandle, at: string | undefined): void {
  set(['print', 'startedAt'], at);
  if (at === undefined) {
    set(['scale', 'printedAs'], undefined);
    set(['print', 'plate'], undefined);
    return;
  }
  if (!pour.value.doc.scale.printedAs) fixScale({ pour, plan, set }, at);
  const print = valueOf(plan.value.print);
  if (print && !pour.value.doc.print.plate) set(['print', 'plate'], plateNow(plan.value.context, print));
}

/** At the pour at the latest, unless the prints came from elsewhere. */
export function markPoured({ pour, plan, set }: PourHandle, at: string | undefined): void {
  set(['pour', 'pouredAt'], at);
  const { doc } = pour.value;
  if (at !== undefined && !doc.scale.printedAs && !doc.left.includes('print'))
    fixScale({ pour, plan, set }, at);
}

function fixScale({ plan, set }: PourHandle, at: string): void {
  const scale = valueOf(plan.value.scale);
  if (!scale) return;
  const flaskC = valueOf(plan.value.temperatures)?.flaskC;
  set(['scale', 'printedAs'], { at, percents: scale.percents, ...(flaskC === undefined ? {} : { flaskC }) });
}
