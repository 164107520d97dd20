import { heightEvidence, oneHeight, quantity, say, sign, type Evidence, type Sign } from '@zero-pour/core';
import { readingValue } from '@zero-pour/contracts';
import type { PourContext } from '../context';
import { valueOf } from '../planned';
import { planLoad } from './plateLoad';

const MS_A_DAY = 86_400_000;

/** Age of the resin in this printer's vat when the print was started. */
function vatSign({ doc, resin, printer }: PourContext): Record<string, Sign> {
  const vat = resin?.vats.find((v) => v.printerId === printer?.id);
  const startedAt = doc.print.startedAt;
  if (!resin || !vat || !startedAt || resin.vatLifeDays === null) return {};
  const days = (Date.parse(startedAt) - Date.parse(vat.filledAt)) / MS_A_DAY;
  if (days < 0) return {};
  return {
    'vat old': sign(days > resin.vatLifeDays, say`${quantity(days, 'days', 0)} in the vat; it keeps ${quantity(resin.vatLifeDays, 'days', 0)}.`), // prettier-ignore
  };
}

/** How the supports were, and how warm the vat was. */
function recordSigns({ doc, resin }: PourContext): Record<string, Sign> {
  const { supports, vatC } = doc.print;
  const warm = readingValue(vatC);
  return {
    ...(supports?.weight
      ? { 'heavy tips': sign(supports.weight === 'heavy', say`Supports were ${supports.weight}.`) }
      : {}),
    ...(warm !== undefined && resin
      ? { 'resin cold': sign(warm < resin.printFromC, say`The vat was at ${quantity(warm, 'degC')}; it prints from ${quantity(resin.printFromC, 'degC')}.`) } // prettier-ignore
      : {}),
  };
}

/** What of the checklist was done, once any of it was ticked; coats that were counted speak by themselves. */
function beforeSigns({ doc, resin, printer }: PourContext): Record<string, Sign> {
  const { before = {}, primingCoats } = doc.print;
  const ticked = Object.keys(before).length > 0;
  if (!resin || !printer) return {};
  return {
    ...(ticked && printer.needsLevelling
      ? { 'not levelled': sign(!before.level, before.level ? say`The plate was levelled.` : say`Levelling was not ticked; this printer needs it.`) } // prettier-ignore
      : {}),
    ...(resin.primingCoats > 0 && (ticked || primingCoats !== undefined)
      ? { 'not primed': primingSign(resin.primingCoats, Boolean(before.prime), primingCoats) }
      : {}),
  };
}

/** Coats that were counted say more than a tick. */
function primingSign(wanted: number, ticked: boolean, coats: number | undefined): Sign {
  if (coats !== undefined)
    return sign(
      coats < wanted,
      say`${coats} priming ${coats === 1 ? 'coat' : 'coats'} on the plate, of ${wanted}.`,
    );
  return sign(
    !ticked,
    ticked ? say`The plate was primed.` : say`Priming was not ticked; this resin wants ${wanted} coats.`,
  );
}

/** What hung there against what held before, once the layers were cut. */
function loadSign(context: PourContext): Record<string, Sign> {
  const judged = valueOf(planLoad(context));
  return judged ? { 'load high': sign(judged.weight !== 'ok', judged.why) } : {};
}

const heightsOf = ({ doc }: Pick<PourContext, 'doc'>): number[] =>
  Object.values(doc.print.pieces).flatMap(({ heightMm }) => heightMm ?? []);

/** The height at which flaws stand on every piece that has one; undefined when they differ, or are fewer than two. */
export const sameHeight = (context: Pick<PourContext, 'doc'>): number | undefined =>
  oneHeight(heightsOf(context));

/** What the record of the print says: vat, supports, checklist, what hung there, where the flaws stand. */
export const printSigns = (context: PourContext): Evidence => ({
  ...vatSign(context),
  ...recordSigns(context),
  ...beforeSigns(context),
  ...loadSign(context),
  ...heightEvidence(heightsOf(context), context.doc.print.pausesMm),
});
