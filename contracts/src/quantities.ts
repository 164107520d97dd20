import type { Unit } from '@zero-pour/core';
import { z } from 'zod';

/** What is said of a number wherever it is typed, shown or refused. */
export interface Said {
  label: string;
  unit: Unit;
  digits?: number;
  hint?: string;
}

/** A number field as its form shows it. */
export interface NumberField extends Said {
  min: number;
  max: number;
  whole: boolean;
  /** Empty means not known. */
  nullable: boolean;
  /** It may be measured, guessed, felt, or not taken at all. */
  reading: boolean;
}

type More = Pick<Said, 'digits' | 'hint'> & { whole?: boolean };
type Kept = Omit<NumberField, 'nullable'>;
const fields = new WeakMap<z.core.$ZodType, Kept>();

function keep<T extends z.ZodType>(schema: T, field: Kept): T {
  fields.set(schema, field);
  return schema;
}
const keptOf = (
  label: string,
  unit: Unit,
  [min, max]: readonly [number, number],
  { whole = false, ...more }: More,
  reading: boolean,
): Kept => ({ label, unit, min, max, whole, reading, ...more });

/**
 * A number with its label, unit and bounds: said here, and read from here by forms, sentences and the border. What is
 * stored is held to the sign and the upper bound only, so that a lower bound that is raised later leaves it readable;
 * quantityFaults holds what is written to both.
 */
export function quantitySchema(
  label: string,
  unit: Unit,
  bounds: readonly [min: number, max: number],
  more: More = {},
): z.ZodNumber {
  const [min, max] = bounds;
  const number = (more.whole ? z.number().int() : z.number()).max(max);
  return keep(min > 0 ? number.positive() : number.min(min), keptOf(label, unit, bounds, more, false));
}

/** A number that somebody at the bench may have measured, guessed, felt, or not taken at all. */
const readingOf = (value: z.ZodNumber) =>
  z.discriminatedUnion('state', [
    z.strictObject({ state: z.literal('measured'), value }),
    z.strictObject({ state: z.literal('guessed'), value }),
    z.strictObject({ state: z.literal('not measured') }),
    /** Temperatures: what the hand or the eye said. */
    z.strictObject({ state: z.literal('felt'), felt: z.enum(['cold', 'right', 'hot']) }),
  ]);
export type Reading = z.infer<ReturnType<typeof readingOf>>;

/** A reading with its label, unit and bounds; quantityFaults holds what is written to them. */
export function readingSchema(
  label: string,
  unit: Unit,
  bounds: readonly [min: number, max: number],
  more: More = {},
): ReturnType<typeof readingOf> {
  return keep(readingOf(z.number()), keptOf(label, unit, bounds, more, true));
}

/** The number of a reading, when it has one. */
export function readingValue(reading: Reading | undefined): number | undefined {
  return reading && 'value' in reading ? reading.value : undefined;
}

/** What a schema is without "may be absent" and "may be null". */
export function bareSchema(schema: z.core.$ZodType): z.core.$ZodType {
  let inner = schema;
  while (inner instanceof z.ZodOptional || inner instanceof z.ZodNullable) inner = inner.unwrap();
  return inner;
}
function takesNull(schema: z.core.$ZodType): boolean {
  if (schema instanceof z.ZodNullable) return true;
  return schema instanceof z.ZodOptional && takesNull(schema.unwrap());
}

/** What is said of the number that a schema is; undefined where it is none, or nothing is said of it. */
export function numberField(schema: z.core.$ZodType): NumberField | undefined {
  const kept = fields.get(bareSchema(schema));
  return kept && { ...kept, nullable: takesNull(schema) };
}

/** The schema at a path: through fields, entries of records by any name, of lists by any key or index. */
export function schemaAt(schema: z.core.$ZodType, path: readonly string[]): z.core.$ZodType | undefined {
  const [step, ...rest] = path;
  if (step === undefined) return schema;
  const at = bareSchema(schema);
  const below =
    at instanceof z.ZodObject
      ? (at.shape as Record<string, z.core.$ZodType>)[step]
      : at instanceof z.ZodArray
        ? at.element
        : at instanceof z.ZodRecord
          ? at.valueType
          : undefined;
  return below && schemaAt(below, rest);
}
