import { formatQuantity, METRIC } from '@zero-pour/core';
import type { z } from 'zod';
import type { Fault } from './fault';
import { numbersOf } from './numbersOf';

/**
 * Numbers of a value that lie outside what its schema says of them, wherever they stand in it. The value is one that the
 * schema accepts.
 */
export function quantityFaults(
  schema: z.core.$ZodType,
  value: unknown,
  path: readonly string[] = [],
): Fault[] {
  return numbersOf(schema, value, path).flatMap(({ path: at, field, value: number }) => {
    const { min, max, label } = field;
    if (number >= min && number <= max) return [];
    const said = (n: number): string => formatQuantity({ ...field, value: n }, METRIC);
    return [{ path: at, what: label, why: `it lies between ${said(min)} and ${said(max)}` }];
  });
}
