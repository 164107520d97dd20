import { INVEST_H, SPRUE_H, HOUR_MS } from '@zero-pour/core';
import type { BoardRow } from '@zero-pour/plan';

export interface BusyStretch {
  from: number;
  to: number;
  label: string;
}
export interface BusyRow {
  name: string;
  kind: 'kiln' | 'printer' | 'hands';
  stretches: BusyStretch[];
}

const TURN_H = 0.25;

function add(rows: Map<string, BusyRow>, kind: BusyRow['kind'], name: string, stretch: BusyStretch): void {
  const row = rows.get(name) ?? { name, kind, stretches: [] };
  row.stretches.push(stretch);
  rows.set(name, row);
}

/** Who and what is busy when: each kiln and printer in use, and hands. */
export function busyRows(boardRows: readonly BoardRow[]): BusyRow[] {
  const machines = new Map<string, BusyRow>();
  const hands: BusyRow = { name: 'Hands', kind: 'hands', stretches: [] };
  for (const { times, plan, pour } of boardRows) {
    if (!times) continue;
    const label = String(pour.number);
    const { kiln, printer } = plan.context;
    if (kiln && (times.kilnStarted || !times.poured))
      add(machines, 'kiln', kiln.name, { from: times.kilnIn, to: times.zero, label });
    for (const block of times.blocks) {
      if (block.stage === 'print' && printer)
        add(machines, 'printer', printer.name, { from: block.from, to: block.to, label });
      if (block.state === 'planned' && block.stage !== 'print')
        hands.stretches.push({ from: block.from, to: block.to, label: '' });
    }
    for (const moment of times.moments) {
      if (moment.done || moment.stage === 'clean' || moment.stage === 'sprue' || moment.stage === 'invest')
        continue;
      const hours = moment.stage === 'pour' ? SPRUE_H : moment.stage === 'print' ? INVEST_H / 3 : TURN_H;
      hands.stretches.push({ from: moment.at, to: moment.at + hours * HOUR_MS, label: '' });
    }
  }
  const order = { kiln: 0, printer: 1, hands: 2 };
  const rows = [...machines.values()].sort(
    (a, b) => order[a.kind] - order[b.kind] || a.name.localeCompare(b.name),
  );
  return [...rows, hands];
}
