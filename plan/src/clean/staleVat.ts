import { say, type Judgement } from '@zero-pour/core';
import type { PourContext } from '../context';

const DAY_MS = 86_400_000;

/**
 * What the vat's age at the print says of the castings: prints from stale resin look fine and cast badly. Of prints that were
 * there already it is asked of the vat as it stands, since nobody noted what they were printed from.
 */
export function judgeStaleVat({ doc, resin, printer }: PourContext, nowMs: number): Judgement[] {
  const { startedAt, plate } = doc.print;
  if (!resin || resin.vatLifeDays === null) return [];
  const left = doc.left.includes('print') && !startedAt;
  const vat = resin.vats.find((v) => v.printerId === printer?.id);
  const filledAt = plate?.vatFilledAt ?? vat?.filledAt;
  const at = startedAt ? Date.parse(startedAt) : left ? nowMs : undefined;
  // A vat that was filled afterwards was not the one.
  if (filledAt === undefined || at === undefined || Date.parse(filledAt) > at) return [];
  const days = Math.floor((at - Date.parse(filledAt)) / DAY_MS);
  if (days <= resin.vatLifeDays) return [];
  const age = `${days} days, for a life of ${resin.vatLifeDays}`;
  return [
    {
      rule: 'stale vat',
      weight: left ? 'watch' : 'fix',
      lead: left ? 'From a stale vat?' : 'Printed from a stale vat.',
      why: left
        ? say`The vat of ${printer?.name ?? 'the printer'} stands ${age}. If these prints are from it, they may look fine and cast badly: cast one as a test first.`
        : say`It stood ${age}. Such prints look fine and cast badly: cast one as a test before all of them.`,
    },
  ];
}
