import { startOf, type BoardRow } from '../board';
import type { PourContext } from '../context';
import type { FormatMoment } from '../moment';

const DAY_MS = 86_400_000;

/** Whether the resin in the vat is worth leaving there, and why. */
export interface BottleOrLeave {
  lead: string;
  why: string;
}

/**
 * Bottle it, unless the next planned print of this resin on this printer comes before the vat's life is over
 * (handbook 04, "Record"). Undefined where resin or printer is not chosen.
 */
export function bottleOrLeave(
  { resin, printer }: Pick<PourContext, 'resin' | 'printer'>,
  others: readonly BoardRow[],
  now: number,
  formatMoment: FormatMoment,
): BottleOrLeave | undefined {
  if (!resin || !printer) return undefined;
  const next = others
    .filter(({ plan }) => plan.context.printer?.id === printer.id)
    .flatMap((row) => {
      const at = startOf(row, 'print');
      return at === undefined ? [] : [{ at, row }];
    })
    .sort((a, b) => a.at - b.at)[0];
  const lifeDays = resin.vatLifeDays;
  const filled = resin.vats.find((vat) => vat.printerId === printer.id)?.filledAt;
  const lapses = lifeDays === null ? undefined : (filled ? Date.parse(filled) : now) + lifeDays * DAY_MS;
  if (!next) return { lead: 'Bottle it now.', why: `No other print is planned on ${printer.name}.` };
  const { number } = next.row.pour;
  const at = formatMoment(next.at);
  if (next.row.plan.context.resin?.id !== resin.id)
    return { lead: 'Bottle it now.', why: `Pour ${number} prints another resin on ${printer.name}, ${at}.` };
  if (lapses !== undefined && next.at > lapses)
    return { lead: 'Bottle it now.', why: `Pour ${number} prints ${at}, after the vat’s ${lifeDays} days.` };
  return {
    lead: 'It may stay in the vat.',
    why: `Pour ${number} prints with it ${at}. Keep it covered from light.`,
  };
}
