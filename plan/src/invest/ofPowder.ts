import type { Powder } from '@zero-pour/contracts';
import { helpForOrdinary, HOUR_MS, type BoricAsk, type OrdinaryHelp } from '@zero-pour/core';
import type { PourContext } from '../context';
import { burntResin } from '../givens';

/** How the pour's print would stand in its powder. */
export const ordinaryMix = ({ doc, programme }: PourContext, powder: Powder) => ({
  ratio: doc.invest.ratio ?? powder.ratioUsual,
  ratioLeast: powder.ratioLeast,
  ratioUsual: powder.ratioUsual,
  school: doc.invest.boric.school,
  segments: doc.burnout.segments ?? programme?.segments,
});

/** What one press would change so that ordinary powder bears this pour's print; undefined where nothing is to be changed. */
export function planOrdinaryHelp(context: PourContext): OrdinaryHelp | undefined {
  const { powder } = context;
  if (!powder || powder.grade !== 'standard' || !burntResin(context)) return undefined;
  const help = helpForOrdinary(ordinaryMix(context, powder));
  return Object.keys(help).length > 0 ? help : undefined;
}

/** What the resin's maker asks for in the mix; undefined where its record does not say, or wax is burnt. */
export function askedBoric(context: PourContext): BoricAsk | undefined {
  const resin = burntResin(context);
  return resin?.boricSchool == null
    ? undefined
    : { by: resin.name, school: resin.boricSchool, percent: resin.boricPercent ?? undefined };
}

/** Minutes from powder in water to the gloss going off; undefined where one of them was not seen. */
export function glossMin({ doc: { invest } }: PourContext): number | undefined {
  const { powderInAt, glossOffAt } = invest;
  if (powderInAt === undefined || glossOffAt === undefined) return undefined;
  const hours = (Date.parse(glossOffAt) - Date.parse(powderInAt)) / HOUR_MS;
  return hours > 0 ? hours * 60 : undefined;
}

/** Hours that the filled flask stood before the kiln; undefined until it is in, or where nobody said when it was filled. */
export function stoodH({ doc: { invest, burnout } }: PourContext): number | undefined {
  if (invest.doneAt === undefined || burnout.startedAt === undefined) return undefined;
  const hours = (Date.parse(burnout.startedAt) - Date.parse(invest.doneAt)) / HOUR_MS;
  return hours >= 0 ? hours : undefined;
}
