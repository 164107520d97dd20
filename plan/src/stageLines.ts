import {
  countOutcomes,
  formatNumber,
  formatQuantity,
  formatValue,
  type StageKey,
  type UnitChoice,
} from '@zero-pour/core';
import { readingValue } from '@zero-pour/contracts';
import { cleaningOf, isOver } from './clean/cleaning';
import { numberCastings, numberPrints } from './context';
import { valueOf } from './planned';
import type { PourPlan } from './planPour';

/** One result of a stage, short enough to stand under its name on the stepper. */
export function stageLine(stage: StageKey, plan: PourPlan, choice: UnitChoice): string {
  const { context, states } = plan;
  const { doc, parts } = context;
  if (states[stage] === 'left') return 'left unknown';
  switch (stage) {
    case 'brief':
      return parts.length === 0
        ? ''
        : `${context.castings} wanted${context.alloy ? `, ${context.alloy.name}` : ''}`;
    case 'pattern': {
      const volume = parts.reduce((sum, p) => sum + p.pattern.measure.volumeMm3 * p.count, 0) / 1000;
      const closed = parts.every((p) => p.pattern.measure.closed);
      return parts.length === 0
        ? ''
        : `${closed ? 'closed' : 'open mesh'}, ${formatQuantity({ value: volume, unit: 'cm3', digits: 2 }, choice)}`;
    }
    case 'resin':
      return context.resin?.name ?? '';
    case 'wayUp': {
      const first = plan.gates[0];
      return first
        ? `${first.gates.count} × ${formatQuantity({ value: first.gates.diameterMm, unit: 'mm', digits: 1 }, choice)}${first.proposed ? ', proposed' : ''}`
        : '';
    }
    case 'scale': {
      const scale = valueOf(plan.scale);
      return scale
        ? `${scale.percent.value >= 100 ? '+' : ''}${formatNumber(scale.percent.value - 100, 2)} %`
        : '';
    }
    case 'print':
      return printLine(plan);
    case 'clean': {
      const steps = cleaningOf(context);
      const done = steps.filter(({ record }) => isOver(record)).length;
      return done > 0 ? `${done} of ${steps.length} steps` : '';
    }
    case 'sprue':
      return context.flask ? `${context.castings} in ${context.flask.name}` : '';
    case 'invest': {
      const mix = valueOf(plan.mix);
      return mix
        ? `${formatValue({ ...mix.powder, digits: 0 }, choice)} + ${formatQuantity(mix.water, choice)}`
        : '';
    }
    case 'burnout': {
      const burnout = valueOf(plan.burnout);
      return burnout ? formatQuantity({ value: burnout.curve.totalH, unit: 'h' }, choice) : '';
    }
    case 'pour':
      return pourLine(plan, choice);
    case 'result': {
      const count = countOutcomes(numberCastings(parts).map((p) => doc.result.castings[p.number]?.outcome));
      return count.judged > 0 ? `${count.sellable} of ${count.total} sellable` : '';
    }
  }
}

function printLine(plan: PourPlan): string {
  const { doc, parts } = plan.context;
  const pieces = numberPrints(parts, doc.print.spares);
  const judged = pieces.filter((p) => doc.print.pieces[p.number] !== undefined);
  if (judged.length > 0)
    return `${judged.filter((p) => doc.print.pieces[p.number]?.outcome === 'good').length} of ${pieces.length} good`;
  const print = valueOf(plan.print);
  return print
    ? formatQuantity({ value: print.hours.value, unit: 'h' }, { temperature: 'C', weight: 'g', length: 'mm' })
    : '';
}

function pourLine(plan: PourPlan, choice: UnitChoice): string {
  const temperatures = valueOf(plan.temperatures);
  if (!temperatures) return '';
  const { flaskRead, metalRead } = plan.context.doc.pour;
  const flask = readingValue(flaskRead) ?? temperatures.flaskC;
  const metal = readingValue(metalRead) ?? temperatures.metalC;
  return `${formatValue({ value: flask, unit: 'degC' }, choice)} / ${formatQuantity({ value: metal, unit: 'degC' }, choice)}`;
}
