import type { Kiln } from '@zero-pour/contracts';
import { MINUTE_MS, USUAL_MINUTES, type StageKey } from '@zero-pour/core';
import type { Block, BoardRow, MoldRow } from '@zero-pour/plan';

export interface BusyStretch {
  from: number;
  to: number;
  label: string;
}
export interface BusyRow {
  name: string;
  kind: 'kiln' | 'printer' | 'hands';
  kilnId?: string;
  stretches: BusyStretch[];
}

function add(rows: Map<string, BusyRow>, kind: BusyRow['kind'], name: string, stretch: BusyStretch): void {
  const row = rows.get(name) ?? { name, kind, stretches: [] };
  row.stretches.push(stretch);
  rows.set(name, row);
}

/** Work whose beginning is asked of hands by a moment, while its block holds them busy. */
const HELD_BY_BLOCKS = new Set<StageKey>(['brief', 'clean', 'sprue', 'invest', 'result']);
/** How long hands are at a moment that no block holds; at others as at the kiln’s door. */
const HANDS_AT: Partial<Record<StageKey, keyof typeof USUAL_MINUTES>> = { pour: 'melt', print: 'startPrint' };

/** Who and what is busy when: each kiln, each printer in use, and hands. */
export function busyRows(
  boardRows: readonly BoardRow[],
  molds: readonly MoldRow[],
  kilns: readonly Kiln[] = [],
): BusyRow[] {
  const machines = new Map<string, BusyRow>(
    kilns.map(({ id, name }) => [name, { name, kind: 'kiln', kilnId: id, stretches: [] }]),
  );
  const hands: BusyRow = { name: 'Hands', kind: 'hands', stretches: [] };
  const handsOn = ({ from, to, attended = true }: Block): void => {
    if (attended) hands.stretches.push({ from, to, label: '' });
  };
  for (const { times, plan, pour } of boardRows) {
    if (!times) continue;
    const label = String(pour.number);
    const { kiln, printer } = plan.context;
    if (kiln && (times.kilnStarted || !times.poured))
      add(machines, 'kiln', kiln.name, { from: times.kilnIn, to: times.zero, label });
    for (const block of times.blocks) {
      if (block.work === 'print' && printer)
        add(machines, 'printer', printer.name, { from: block.from, to: block.to, label });
      if (block.state === 'planned' && block.work !== 'print') handsOn(block);
    }
    for (const moment of times.moments) {
      if (moment.done || HELD_BY_BLOCKS.has(moment.stage)) continue;
      hands.stretches.push({
        from: moment.at,
        to: moment.at + USUAL_MINUTES[HANDS_AT[moment.stage] ?? 'kilnHand'] * MINUTE_MS,
        label: '',
      });
    }
  }
  for (const { times } of molds)
    for (const block of times.blocks) if (block.state === 'planned') handsOn(block);
  const order = { kiln: 0, printer: 1, hands: 2 };
  const rows = [...machines.values()].sort(
    (a, b) => order[a.kind] - order[b.kind] || a.name.localeCompare(b.name),
  );
  return [...rows, hands];
}

/** As many machines as there is room for, and hands. */
const MOST = 5;
/** Height of a row. */
export const PITCH = 33;
export function shownRows(
  rows: readonly BoardRow[],
  molds: readonly MoldRow[],
  kilns: readonly Kiln[],
): BusyRow[] {
  const all = busyRows(rows, molds, kilns);
  return [...all.slice(0, -1).slice(0, MOST - 1), ...all.slice(-1)];
}
