import { usualPrinter, usualResin, type Printer, type Resin } from '@zero-pour/contracts';
import type { TuningThings } from '@zero-pour/plan';

/** Ids that read well in failures. */
export const uuid = (n: number): string => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
export const RESIN: Resin = {
  ...usualResin('wax-rich'),
  id: uuid(1),
  name: 'Skerry Wax 55',
  primingCoats: 2,
};
export const PRINTER: Printer = { ...usualPrinter(), id: uuid(2), name: 'Printer A' };
export const THINGS: TuningThings = { resin: RESIN, printer: PRINTER, layerMm: 0.05 };
export const NOW = new Date('2026-11-25T10:00:00Z');
