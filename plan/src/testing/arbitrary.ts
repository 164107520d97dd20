import fc from 'fast-check';
import type { z } from 'zod';

/** What a schema of the border says of itself, as far as values are made from it. */
interface Def {
  type: string;
  shape?: Record<string, Schema>;
  innerType?: Schema;
  element?: Schema;
  keyType?: Schema;
  valueType?: Schema;
  entries?: Record<string, string>;
  values?: unknown[];
  options?: Schema[];
  items?: Schema[];
  out?: Schema;
  in?: Schema;
}
interface Schema {
  _zod: { def: Def; bag: Record<string, unknown> };
}

/** Values of a field by its name, or by that of its parent and its own ("brief.lines"), where the schema alone would never meet another thing's. */
export type Overrides = Record<string, fc.Arbitrary<unknown>>;

/** Most entries of a list or record: what goes wrong goes wrong with a few. */
const FEW = 3;
/** Numbers without a bound of their own lie within this. */
const MOST = 1e6;

function numberOf({ bag }: Schema['_zod']): fc.Arbitrary<number> {
  const whole = bag['format'] === 'safeint' || bag['format'] === 'int32';
  const above = bag['exclusiveMinimum'] as number | undefined;
  const low = above ?? (bag['minimum'] as number | undefined) ?? -MOST;
  const high = (bag['maximum'] as number | undefined) ?? MOST;
  if (whole)
    return fc.integer({ min: Math.ceil(above === undefined ? low : low + 1), max: Math.min(high, MOST) });
  const least = above === undefined ? low : low + 1e-6;
  const [min, max] = [Math.max(least, -MOST), Math.min(high, MOST)];
  return fc.oneof(fc.double({ min, max, noNaN: true }), fc.constantFrom(min, max, (min + max) / 2));
}

function stringOf({ bag }: Schema['_zod']): fc.Arbitrary<string> {
  if (bag['format'] === 'uuid') return fc.uuid();
  if (bag['format'] === 'datetime')
    return fc
      .date({ min: new Date('2026-01-01'), max: new Date('2027-12-31'), noInvalidDate: true })
      .map((date) => date.toISOString());
  const [pattern] = [...((bag['patterns'] as Set<RegExp> | undefined) ?? [])];
  if (pattern) return fc.stringMatching(pattern);
  const minLength = (bag['minimum'] as number | undefined) ?? 0;
  return fc.string({ minLength, maxLength: Math.min((bag['maximum'] as number | undefined) ?? 12, 12) });
}

function objectOf(shape: Record<string, Schema>, overrides: Overrides, name: string): fc.Arbitrary<unknown> {
  const fields = Object.entries(shape).map(([key, schema]): [string, fc.Arbitrary<unknown>] => [
    key,
    overrides[`${name}.${key}`] ?? overrides[key] ?? valuesOf(schema, overrides, key),
  ]);
  const requiredKeys = Object.keys(shape).filter((key) => shape[key]!._zod.def.type !== 'optional');
  return fc.record(Object.fromEntries(fields), { requiredKeys });
}

/** Values that a schema accepts, but for its rules between fields. Throws for a kind of schema that it does not know. */
function valuesOf(schema: Schema, overrides: Overrides, name = ''): fc.Arbitrary<unknown> {
  const { def, bag } = schema._zod;
  switch (def.type) {
    case 'object':
      return objectOf(def.shape!, overrides, name);
    case 'optional':
    case 'readonly':
      return valuesOf(def.innerType!, overrides, name);
    case 'nullable':
      return fc.option(valuesOf(def.innerType!, overrides, name));
    case 'pipe':
      return valuesOf(def.out!, overrides, name);
    case 'array':
      return fc.array(valuesOf(def.element!, overrides), {
        minLength: (bag['minimum'] as number | undefined) ?? 0,
        maxLength: Math.max(FEW, (bag['minimum'] as number | undefined) ?? 0),
      });
    case 'tuple':
      return fc.tuple(...def.items!.map((item) => valuesOf(item, overrides)));
    case 'record': {
      const keys = valuesOf(def.keyType!, overrides) as fc.Arbitrary<string>;
      return fc.dictionary(keys, valuesOf(def.valueType!, overrides), {
        maxKeys: FEW,
        noNullPrototype: true,
      });
    }
    case 'union':
      return fc.oneof(...def.options!.map((option) => valuesOf(option, overrides)));
    case 'enum':
      return fc.constantFrom(...Object.values(def.entries!));
    case 'literal':
      return fc.constantFrom(...def.values!);
    case 'boolean':
      return fc.boolean();
    case 'number':
      return numberOf(schema._zod);
    case 'string':
      return stringOf(schema._zod);
    default:
      throw new Error(`no values are made of a ${def.type}`);
  }
}

/** Values that a schema accepts: made by its bounds, and those that its rules refuse left out. */
export const accepted = <T>(schema: z.ZodType<T>, overrides: Overrides = {}): fc.Arbitrary<T> =>
  valuesOf(schema as unknown as Schema, overrides).filter(
    (value) => schema.safeParse(value).success,
  ) as fc.Arbitrary<T>;
