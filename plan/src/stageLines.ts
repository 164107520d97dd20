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
import { castPieces, printedPieces } from './pieces';
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
      return flasksLine(plan);
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
      const count = countOutcomes(castPieces(context).map(({ key }) => doc.result.castings[key]?.outcome));
      return count.judged > 0 ? `${count.sellable} of ${count.total} sellable` : '';
    }
  }
}

/** "4 in 76 × 102", for each flask. */
const flasksLine = ({ flasks }: PourPlan): string =>
  flasks
    .flatMap(({ context: { flask, castings } }) => (flask ? `${castings} in ${flask.name}` : []))
    .join(', ');

function printLine(plan: PourPlan): string {
  const { doc } = plan.context;
  const pieces = printedPieces(plan.context);
  const judged = pieces.filter((p) => doc.print.pieces[p.key] !== undefined);
  if (judged.length > 0)
    return `${judged.filter((p) => doc.print.pieces[p.key]?.outcome === 'good').length} of ${pieces.length} good`;
  const print = valueOf(plan.print);
  return print
    ? formatQuantity({ value: print.hours.value, unit: 'h' }, { temperature: 'C', weight: 'g', length: 'mm' })
    : '';
}

function pourLine(plan: PourPlan, choice: UnitChoice): string {
  const first = plan.flasks[0];
  const temperatures = first && valueOf(first.temperatures);
  if (!temperatures) return '';
  const { flaskRead, metalRead } = first.context.decided.pour;
  const flask = readingValue(flaskRead) ?? temperatures.flaskC;
  const metal = readingValue(metalRead) ?? temperatures.metalC;
  return `${formatValue({ value: flask, unit: 'degC' }, choice)} / ${formatQuantity({ value: metal, unit: 'degC' }, choice)}`;
}
