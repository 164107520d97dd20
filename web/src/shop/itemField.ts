import {
  numberField,
  schemaAt,
  SHOP_SCHEMAS,
  type NumberField,
  type ShopFields,
  type ShopKind,
} from '@zero-pour/contracts';

interface Entry<K extends ShopKind> {
  field: keyof ShopFields<K> & string;
  /** Heading that this field and those after it stand under. */
  group?: string;
}
type Words =
  { type: 'text'; long?: boolean } | { type: 'choice'; options: readonly string[] } | { type: 'yes' };

/** How one field of a thing of the shop is typed. */
export type ItemField<K extends ShopKind> = Entry<K> &
  ((Words & { label: string; hint?: string }) | ({ type: 'number' } & NumberField));

/** A field in a form's list; of a number the schema says the rest. */
export type ListedField<K extends ShopKind> = Entry<K> & ((Words & { label: string }) | { type: 'number' });

/** Numbers that a kind's schema speaks of and its list does not name. */
const unlisted = <K extends ShopKind>(kind: K, named: readonly string[]): ListedField<K>[] =>
  Object.entries(SHOP_SCHEMAS[kind].shape)
    .filter(([field, schema]) => numberField(schema) && !named.includes(field))
    .map(([field]) => ({ field: field as ListedField<K>['field'], type: 'number' }));

/**
 * The fields of a kind as they are listed, with what the schema says of its numbers. A number that is not named stands
 * before the note, unless it is typed elsewhere: who adds one to the schema need not come here.
 */
export function fieldsOf<K extends ShopKind>(
  kind: K,
  listed: readonly ListedField<K>[],
  elsewhere: readonly (keyof ShopFields<K> & string)[] = [],
): ItemField<K>[] {
  const more = unlisted(kind, [...elsewhere, ...listed.map(({ field }) => field)]);
  const note = listed.filter(({ field }) => field === 'note');
  return [...listed.filter((entry) => !note.includes(entry)), ...more, ...note].map((entry) => {
    if (entry.type !== 'number') return entry;
    const schema = schemaAt(SHOP_SCHEMAS[kind], [entry.field]);
    const said = schema && numberField(schema);
    if (!said) throw new Error(`nothing is said of ${kind} ${entry.field}`);
    return { ...said, ...entry };
  });
}

export const number = <F extends string>(field: F, group?: string) =>
  ({ field, type: 'number', ...(group === undefined ? {} : { group }) }) as const;
export const NAME = { field: 'name', label: 'Name', type: 'text' } as const;
export const NOTE = { field: 'note', label: 'Note', type: 'text', long: true } as const;
