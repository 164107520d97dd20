import { formatQuantity, METRIC, quantity, say, takesNoAcid, type UnitChoice } from '@zero-pour/core';
import { solidAfter, valueOf, type FlaskPlan, type PourPlan } from '@zero-pour/plan';
import { minutes, type TimedStep } from './timedSteps';

/** Moments of the pour that are kept as facts of it, by the clock: the flask out, the metal in, the button solid, the quench. */
export const OUT = 'out';
export const POURED = 'poured';
export const SOLID = 'solid';
export const QUENCH = 'quench';

/** Steps at the furnace, from the charge to the flask in the water or broken out. */
export function pouringSteps(
  plan: PourPlan,
  flask: FlaskPlan,
  at: number,
  choice: UnitChoice = METRIC,
): TimedStep[] {
  const { alloy, settings } = plan.context;
  const done = flask.context.decided.pour;
  const temperatures = valueOf(flask.temperatures);
  if (!alloy || !temperatures) return [];
  const records = done.steps ?? {};
  const charge = valueOf(flask.charge)?.total.value;
  const { least, most } = alloy.quenchWaitMin;
  const quench = alloy.divest === 'quench';
  const { pouredAt } = done;
  const way = done.way ?? settings.pouring?.way;
  const solid = solidAfter(plan, at);
  const step = (key: string, name: string, note: string, rest: Partial<TimedStep> = {}): TimedStep => ({
    key,
    name,
    note,
    seconds: null,
    bounds: 'until done',
    record: records[key],
    late: '',
    caution: 'pour',
    ...rest,
  });
  const acid = takesNoAcid(alloy.composition) ? ' No acid after it: water and a brush only.' : '';
  return [
    step('charge', 'Weigh the charge', 'Dry metal, by lots; what is damp spits.', charge === undefined ? {} : { big: say`${quantity(charge, 'g', 1)}` }), // prettier-ignore
    step('ready', 'Ready to melt', 'Tools and mold dry, shield and apron on, the way clear; the second person knows what to do.'), // prettier-ignore
    step('melt', 'Melt', alloy.caution, { big: say`${quantity(temperatures.metalC, 'degC')}` }),
    ...(way === 'vacuum'
      ? [step('vacuum', 'Vacuum on', `Gasket whole, rim scraped. Read the gauge: ${formatQuantity({ value: settings.pouring?.vacuumKpa ?? 0, unit: 'kPa' }, choice)} is what the shop pulls.`)] // prettier-ignore
      : way === 'centrifuge'
        ? [step('wound', 'Arm wound, balanced, guard shut', 'Nobody stands in its plane.')]
        : []),
    step(OUT, 'Flask out of the kiln', 'At the last moment: from here on it cools.', {
      big: say`${quantity(temperatures.flaskC, 'degC')}`,
    }),
    step(POURED, 'Pour', 'In one go, without a stop. A flask that cracks or leaks is left alone.', {
      record: pouredAt ? { ...records[POURED], doneAt: pouredAt } : records[POURED],
    }),
    step(SOLID, 'Button solid', `Press when it has lost its shine all over.${solid ? ` About ${solid.min.toFixed(1)} min after the pour, as reckoned.` : ''}`), // prettier-ignore
    step('wait', quench ? 'Wait, then quench' : 'Let it cool, then break it out', 'It stays hot inside long after it looks cold.', {
      seconds: least * 60,
      bounds: minutes(least, most),
      caution: 'quench',
      // Its clock is the pour's.
      endsAt: pouredAt ? Date.parse(pouredAt) + least * 60_000 : undefined,
      lastAt: pouredAt && most > least ? Date.parse(pouredAt) + most * 60_000 : undefined,
    }), // prettier-ignore
    step(QUENCH, quench ? 'Into the water' : 'Break it out', `${quench ? 'Long tongs, face away; steam and spatter. Keep it under until it is quiet.' : 'Gloves and a mask: the plaster is dry and dusts. Wet it first.'}${acid}`, { caution: quench ? 'quench' : 'powder' }), // prettier-ignore
  ];
}
