import type { PourDoc } from '@zero-pour/contracts';
import { HOUR_MS, quantity, say, type Phrase } from '@zero-pour/core';
import type { BurnoutPlan } from './burnoutPlan';
import { CRACKED } from './cuts';

/** One way on after something befell a burnout, with its risk. */
export interface WayOn {
  lead: string;
  why: Phrase;
}

/**
 * The ways on once something that cooled the kiln is over: go on as it is, hold longer, pour at once where it is in its soak, or give it
 * up. `now`, ms. None while nothing befell it, or lasts still.
 */
export function waysOn(doc: PourDoc, plan: BurnoutPlan, now: number): WayOn[] {
  const { startedAt } = doc.burnout;
  // While something lasts nothing can be said of what comes after it.
  if (plan.cuts.length === 0 || plan.lasts || startedAt === undefined) return [];
  const { curve, judgements, heat, castingC } = plan;
  const nowH = (now - Date.parse(startedAt)) / HOUR_MS;
  const short = judgements.filter(({ rule, weight }) => rule.startsWith('core') && weight !== 'ok');
  const known = heat?.reading.status === 'known' ? heat.reading.value : undefined;
  const goOn = known
    ? short.length === 0
      ? say`The core still has what it is asked for, by the model of one flask.`
      : say`${short.map(({ lead }) => lead).join(' ')}`
    : say`The core is not reckoned: what is missing is not known.`;
  const out: WayOn[] = [{ lead: `Go on as it is, ready ${quantityLeft(curve.totalH - nowH)}.`, why: goOn }];
  if (short.length > 0 && known)
    out.push({
      lead: 'Hold longer.',
      why: say`What mends this one (above) finds by how much, and when it is ready then.`,
    });
  const soak = curve.segments.at(-1)!;
  const row = known?.rows.findLast(({ h }) => h <= nowH);
  if (row && nowH >= soak.holdFromH && nowH < curve.totalH)
    out.push({ lead: 'Pour now.', why: say`The core is at ${quantity(row.coreC, 'degC')}, to be cast at ${quantity(castingC, 'degC')}: colder fills less, hotter shrinks more.` }); // prettier-ignore
  if (judgements.some(({ rule }) => rule === CRACKED.rule))
    out.push({
      lead: 'Give it up.',
      why: say`A cracked mold can let metal through: what is lost then is more than a flask.`,
    });
  return out;
}

const quantityLeft = (hours: number): string =>
  hours <= 0 ? 'now' : `in ${Math.floor(hours)} h ${String(Math.round((hours % 1) * 60)).padStart(2, '0')}`;
