import {
  numberField,
  pourDocSchema,
  RECORD_SCHEMAS,
  schemaAt,
  settingsSchema,
  SHOP_SCHEMAS,
  type NumberField,
} from '@zero-pour/contracts';

const KEPT = { pour: pourDocSchema, settings: settingsSchema, ...SHOP_SCHEMAS, ...RECORD_SCHEMAS };
type Kept = keyof typeof KEPT;

/** What is said of a number of what is kept, by its path there. Throws where nothing is: a field is not made without. */
export function fieldOf(kept: Kept, path: readonly string[]): NumberField {
  const schema = schemaAt(KEPT[kept], path);
  const field = schema && numberField(schema);
  if (!field) throw new Error(`nothing is said of ${[kept, ...path].join(' › ')}`);
  return field;
}

/** … as a field takes it. Entries of lists and records are stepped into by any name: said('alloy', 'flask', 'heavy', 'lowC'). */
export function said(
  kept: Kept,
  ...path: readonly string[]
): Pick<NumberField, 'label' | 'unit' | 'min' | 'max' | 'digits' | 'hint'> {
  const { whole: _whole, nullable: _nullable, reading: _reading, ...shown } = fieldOf(kept, path);
  return shown;
}
