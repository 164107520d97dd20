import { formatQuantity, METRIC } from '@zero-pour/core';
import { z } from 'zod';
import { bareSchema, numberField, readingValue, type NumberField, type Reading } from '../quantities';
import type { Fault } from './fault';

function outside(field: NumberField, value: number, path: readonly string[]): Fault[] {
  const { min, max, label, unit } = field;
  if (value >= min && value <= max) return [];
  const said = (n: number): string => formatQuantity({ ...field, unit, value: n }, METRIC);
  return [{ path: [...path], what: label, why: `it lies between ${said(min)} and ${said(max)}` }];
}

/** Entries of a list are named by their keys where they have one, else counted from 1. */
const entryName = (entry: unknown, i: number): string =>
  typeof entry === 'object' && entry !== null && 'key' in entry ? String(entry.key) : String(i + 1);

/**
 * Numbers of a value that lie outside what its schema says of them, wherever they stand in it. What is absent, not known
 * or felt is never wrong. The value is one that the schema accepts.
 */
export function quantityFaults(
  schema: z.core.$ZodType,
  value: unknown,
  path: readonly string[] = [],
): Fault[] {
  if (value === undefined || value === null) return [];
  const field = numberField(schema);
  if (field) {
    const number = field.reading ? readingValue(value as Reading) : (value as number);
    return number === undefined ? [] : outside(field, number, path);
  }
  const of = bareSchema(schema);
  if (of instanceof z.ZodObject)
    return Object.entries(of.shape as Record<string, z.core.$ZodType>).flatMap(([name, below]) =>
      quantityFaults(below, (value as Record<string, unknown>)[name], [...path, name]),
    );
  if (of instanceof z.ZodArray)
    return (value as unknown[]).flatMap((entry, i) =>
      quantityFaults(of.element, entry, [...path, entryName(entry, i)]),
    );
  if (of instanceof z.ZodRecord)
    return Object.entries(value as object).flatMap(([name, entry]) =>
      quantityFaults(of.valueType, entry, [...path, name]),
    );
  return [];
}
