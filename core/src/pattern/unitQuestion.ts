import { FILE_UNITS_MM, type FileUnit } from '../mesh';

/** Largest sides outside these bounds are not jewelry in mm (handbook 01, "Reading files"). */
export const PLAUSIBLE_SIDE_MM = { min: 2, max: 400 } as const;

export interface UnitOption {
  unit: FileUnit;
  sizeMm: readonly [number, number, number];
}

/**
 * The sizes that each unit would give, when a file states no unit and its largest side is implausible as mm;
 * null when mm can be taken.
 */
export function askUnit(size: readonly [number, number, number]): UnitOption[] | null {
  const largest = Math.max(...size);
  if (largest >= PLAUSIBLE_SIDE_MM.min && largest <= PLAUSIBLE_SIDE_MM.max) return null;
  return Object.entries(FILE_UNITS_MM).map(([unit, mm]) => ({
    unit: unit as FileUnit,
    sizeMm: [size[0] * mm, size[1] * mm, size[2] * mm],
  }));
}
