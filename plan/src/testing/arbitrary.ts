import fc from 'fast-check';
import { z } from 'zod';

/** A JSON schema, as far as the border's schemas use it. */
interface Described {
  type?: string;
  const?: unknown;
  enum?: unknown[];
  anyOf?: Described[];
  oneOf?: Described[];
  properties?: Record<string, Described>;
  required?: string[];
  propertyNames?: Described;
  additionalProperties?: Described | boolean;
  items?: Described | boolean;
  prefixItems?: Described[];
  minItems?: number;
  minimum?: number;
  maximum?: number;
  exclusiveMinimum?: number;
  format?: string;
  pattern?: string;
  minLength?: number;
  maxLength?: number;
}

/** Values of a field by its name, or by that of its parent and its own ("brief.lines"), where the schema alone would never meet another thing's. */
export type Overrides = Record<string, fc.Arbitrary<unknown>>;

/** Most entries of a list or record: what goes wrong goes wrong with a few. */
const FEW = 3;
/** Numbers without a bound of their own lie within this. */
const MOST = 1e6;
const ABOVE = 1e-6;

function numberOf({ type, minimum, maximum, exclusiveMinimum }: Described): fc.Arbitrary<number> {
  const whole = type === 'integer';
  const above = exclusiveMinimum === undefined ? undefined : exclusiveMinimum + (whole ? 1 : ABOVE);
  const min = Math.max(minimum ?? -MOST, above ?? -MOST, -MOST);
  const max = Math.min(maximum ?? MOST, MOST);
  if (whole) return fc.oneof(fc.integer({ min, max }), fc.constantFrom(min, max));
  return fc.oneof(fc.double({ min, max, noNaN: true }), fc.constantFrom(min, max, (min + max) / 2));
}

function stringOf({ format, pattern, minLength = 0, maxLength = 12 }: Described): fc.Arbitrary<string> {
  if (format === 'uuid') return fc.uuid();
  if (format === 'date-time')
    return fc
      .date({ min: new Date('2026-01-01'), max: new Date('2027-12-31'), noInvalidDate: true })
      .map((date) => date.toISOString());
  if (pattern) return fc.stringMatching(new RegExp(pattern));
  return fc.string({ minLength, maxLength: Math.max(minLength, Math.min(maxLength, 12)) });
}

function objectOf(of: Described, overrides: Overrides, name: string): fc.Arbitrary<unknown> {
  const { properties = {}, required = [], propertyNames, additionalProperties } = of;
  if (typeof additionalProperties === 'object') {
    const keys = propertyNames?.enum
      ? fc.constantFrom(...(propertyNames.enum as string[]))
      : stringOf(propertyNames ?? {});
    const values = valuesOf(additionalProperties, overrides, name);
    return fc.dictionary(keys, values, { maxKeys: FEW, noNullPrototype: true });
  }
  const fields = Object.entries(properties).map(([key, field]): [string, fc.Arbitrary<unknown>] => [
    key,
    overrides[`${name}.${key}`] ?? overrides[key] ?? valuesOf(field, overrides, key),
  ]);
  return fc.record(Object.fromEntries(fields), { requiredKeys: required });
}

function arrayOf(of: Described, overrides: Overrides, name: string): fc.Arbitrary<unknown> {
  if (of.prefixItems) return fc.tuple(...of.prefixItems.map((item) => valuesOf(item, overrides, name)));
  const minLength = of.minItems ?? 0;
  const items = typeof of.items === 'object' ? valuesOf(of.items, overrides, name) : fc.constant(null);
  return fc.array(items, { minLength, maxLength: Math.max(FEW, minLength) });
}

function valuesOf(of: Described, overrides: Overrides, name: string): fc.Arbitrary<unknown> {
  if ('const' in of) return fc.constant(of.const);
  if (of.enum) return fc.constantFrom(...of.enum);
  const one = of.anyOf ?? of.oneOf;
  if (one) return fc.oneof(...one.map((option) => valuesOf(option, overrides, name)));
  switch (of.type) {
    case 'object':
      return objectOf(of, overrides, name);
    case 'array':
      return arrayOf(of, overrides, name);
    case 'number':
    case 'integer':
      return numberOf(of);
    case 'string':
      return stringOf(of);
    case 'boolean':
      return fc.boolean();
    case 'null':
      return fc.constant(null);
    default:
      throw new Error(`no values are made for ${name}: ${JSON.stringify(of)}`);
  }
}

/** Values that a schema accepts: made by its bounds, and those that its rules refuse left out. */
export function accepted<T>(schema: z.ZodType<T>, overrides: Overrides = {}): fc.Arbitrary<T> {
  const described = z.toJSONSchema(schema, { unrepresentable: 'any' }) as Described;
  return valuesOf(described, overrides, '').filter(
    (value) => schema.safeParse(value).success,
  ) as fc.Arbitrary<T>;
}
