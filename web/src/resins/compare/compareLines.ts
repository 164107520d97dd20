import { comparePlate, formatQuantity, type UnitChoice } from '@zero-pour/core';
import type { ComparedProfile, ResinBurnout } from '@zero-pour/plan';

export interface ComparedRow {
  row: ReturnType<typeof comparePlate>;
  compared: Pick<ComparedProfile, 'prints' | 'casts'>;
  burnout: ResinBurnout | undefined;
}
export interface CompareLine {
  name: string;
  cells: string[];
  strong?: boolean;
}

/** What is compared of plates, line by line. */
export function compareLines(
  rows: readonly ComparedRow[],
  copies: number,
  choice: UnitChoice,
): CompareLine[] {
  const hours = (h: number): string => formatQuantity({ value: h, unit: 'h', digits: 1 }, choice);
  const line = (name: string, cell: (of: ComparedRow) => string): CompareLine => ({
    name,
    cells: rows.map(cell),
  });
  /** How many come out, with the range that the record leaves open. */
  const between = ({ mean, low, high }: { mean: number; low: number; high: number }): string =>
    `${(copies * mean).toFixed(1)} (${Math.round(copies * low)} to ${Math.round(copies * high)}) of ${copies}`;
  return [
    line('Plates, one after the other', ({ row }) =>
      row.plates === 0 ? 'does not fit' : String(row.plates),
    ),
    line('Layers', ({ row }) => String(row.layers)),
    line('Hours on the printer', ({ row }) => hours(row.printH)),
    line('Hours of light', ({ row }) => hours(row.lightH)),
    line('Resin', ({ row }) => formatQuantity({ value: row.resinG, unit: 'g', digits: 1 }, choice)),
    line('Resin cost', ({ row }) => row.costs.resin.toFixed(2)),
    line('Printer and screen cost', ({ row }) => (row.costs.printer + row.costs.light).toFixed(2)),
    line('Expected to print', ({ compared }) => between(compared.prints)),
    line('Washing and curing', ({ row }) => hours(row.cleanH)),
    line('Of it hands-on', ({ row }) => `${Math.round(row.handsOnMin)} min`),
    line('Burnout', ({ row, burnout }) =>
      burnout ? burnoutWords(hours(row.burnoutH), burnout, hours) : 'no programme or kiln yet',
    ),
    line('Kiln cost', ({ row }) => row.costs.kiln.toFixed(2)),
    line('Expected good castings', ({ compared: { prints: p, casts: c } }) =>
      between({ mean: p.mean * c.mean, low: p.low * c.low, high: p.high * c.high }),
    ),
    {
      ...line('Cost of a good casting, metal apart', ({ row }) => row.costPerGood.toFixed(2)),
      strong: true,
    },
  ];
}

/** Longer by what is added; one that is wrong for the resin by its ramps says so beside its hours. */
function burnoutWords(all: string, { addedH, suits }: ResinBurnout, hours: (h: number) => string): string {
  if (addedH > 0) return `${all}, ${hours(addedH)} of it added`;
  return suits ? all : `${all}, does not suit it`;
}
