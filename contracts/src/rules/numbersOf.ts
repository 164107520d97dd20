import { z } from 'zod';
import { bareSchema, numberField, readingValue, type NumberField, type Reading } from '../quantities';

/** A number of a value with what is said of it, and where it stands. */
export interface KeptNumber {
  path: string[];
  field: NumberField;
  value: number;
}

/** Entries of a list are named by their keys where they have one, else counted from 1. */
const entryName = (entry: unknown, i: number): string =>
  typeof entry === 'object' && entry !== null && 'key' in entry ? String(entry.key) : String(i + 1);

/**
 * Every number of a value that something is said of, wherever it stands. What is absent, not known or felt is none. The
 * value is one that the schema accepts.
 */
export function numbersOf(
  schema: z.core.$ZodType,
  value: unknown,
  path: readonly string[] = [],
): KeptNumber[] {
  if (value === undefined || value === null) return [];
  const field = numberField(schema);
  if (field) {
    const number = field.reading ? readingValue(value as Reading) : (value as number);
    return number === undefined ? [] : [{ path: [...path], field, value: number }];
  }
  const of = bareSchema(schema);
  if (of instanceof z.ZodObject)
    return Object.entries(of.shape as Record<string, z.core.$ZodType>).flatMap(([name, below]) =>
      numbersOf(below, (value as Record<string, unknown>)[name], [...path, name]),
    );
  if (of instanceof z.ZodArray)
    return (value as unknown[]).flatMap((entry, i) =>
      numbersOf(of.element, entry, [...path, entryName(entry, i)]),
    );
  if (of instanceof z.ZodRecord)
    return Object.entries(value as object).flatMap(([name, entry]) =>
      numbersOf(of.valueType, entry, [...path, name]),
    );
  return [];
}
