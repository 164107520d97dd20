import { formatQuantity, METRIC } from '../numeric';

/** A quantity as a sum tells it: without zeros that say nothing. */
export const show = (
  value: number,
  unit: 'g' | 'mm' | 'ml' | 'cm3' | 'degC' | 'kPa',
  digits?: number,
): string =>
  formatQuantity({ value, unit, ...(digits === undefined ? {} : { digits }) }, METRIC).replace(
    /\.0+(?= )/,
    '',
  );
/** A bare number, to three places. */
export const tidy = (value: number): string => String(Number(value.toFixed(3)));
