import {
  itemFaults,
  parseOrRefuse,
  refuseNewFaults,
  Refusal,
  SHOP_ITEM_SCHEMAS,
  SHOP_KINDS,
  SHOP_SCHEMAS,
  emptyShopLists,
  type ShopItem,
  type ShopKind,
  type ShopLists,
  type Unread,
} from '@zero-pour/contracts';
import { isForeignKeyViolation, isUniqueViolation, type Queryable } from './database';
import { rememberChange } from './historyStore';
import { readEach, type Listed } from './readStored';
import { holdBase, type Base } from './revisions';

/** "densityGPerMl" → "density_g_per_ml". */
const columnOf = (field: string): string => field.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`);

const fieldsOf = (kind: ShopKind): string[] => ['id', ...Object.keys(SHOP_SCHEMAS[kind].shape)];

const SQL = Object.fromEntries(
  SHOP_KINDS.map((kind) => {
    const fields = fieldsOf(kind);
    const columns = fields.map(columnOf);
    const selected = fields.map((field, i) => `${columns[i]} AS "${field}"`).join(', ');
    const updates = columns.slice(1).map((column) => `${column} = excluded.${column}`);
    return [
      kind,
      {
        list: `SELECT ${selected} FROM ${kind} ORDER BY lower(name)`,
        one: `SELECT ${selected} FROM ${kind} WHERE id = $1`,
        held: `SELECT ${selected}, revision FROM ${kind} WHERE id = $1 FOR UPDATE`,
        keep: `INSERT INTO ${kind} (${columns.join(', ')}) VALUES (${columns.map((_, i) => `$${i + 1}`).join(', ')})
               ON CONFLICT (id) DO UPDATE SET ${updates.join(', ')}, revision = ${kind}.revision + 1 RETURNING revision`,
        remove: `DELETE FROM ${kind} WHERE id = $1`,
      },
    ];
  }),
) as Record<ShopKind, { list: string; one: string; held: string; keep: string; remove: string }>;

/** A row as an item: moments as ISO text. */
const toItem = <K extends ShopKind>(row: Record<string, unknown>): ShopItem<K> =>
  Object.fromEntries(
    Object.entries(row).map(([field, value]) => [field, value instanceof Date ? value.toISOString() : value]),
  ) as ShopItem<K>;

type ItemRow = Record<string, unknown> & { id: string; name: string };

/** All items of a kind, by name. */
async function listItems<K extends ShopKind>(db: Queryable, kind: K): Promise<Listed<ShopItem<K>>> {
  const { rows } = await db.query<ItemRow>(SQL[kind].list);
  return readEach(rows, {
    kind,
    schema: SHOP_ITEM_SCHEMAS[kind],
    nameOf: ({ name }) => `The ${kind} “${name}”`,
    jsonOf: toItem<K>,
  });
}

export async function listShop(db: Queryable): Promise<{ lists: ShopLists; unread: Unread[] }> {
  const lists = emptyShopLists();
  const unread: Unread[] = [];
  for (const kind of SHOP_KINDS) {
    const listed = await listItems(db, kind);
    Object.assign(lists, { [kind]: listed.read });
    unread.push(...listed.unread);
  }
  return { lists, unread };
}

export async function findItem<K extends ShopKind>(
  db: Queryable,
  kind: K,
  id: string,
): Promise<ShopItem<K> | undefined> {
  const { rows } = await db.query<Record<string, unknown>>(SQL[kind].one, [id]);
  return rows[0] && toItem<K>(rows[0]);
}

/** An item as it stands, locked for a change that follows, with its revision. */
async function holdItem<K extends ShopKind>(
  db: Queryable,
  kind: K,
  id: string,
): Promise<{ value: ShopItem<K>; revision: number } | undefined> {
  const { rows } = await db.query<Record<string, unknown> & { revision: number }>(SQL[kind].held, [id]);
  if (!rows[0]) return undefined;
  const { revision, ...row } = rows[0];
  return { value: toItem<K>(row), revision };
}

/**
 * Adds or replaces an item, and remembers how it stood; the caller holds both together in a transaction. Returns its
 * revision. Refuses a name that another one has, what cannot be between its fields, and to write over a state that the
 * writer had not seen.
 */
export async function keepItem<K extends ShopKind>(
  db: Queryable,
  kind: K,
  given: unknown,
  base: Base,
): Promise<number> {
  const item = parseOrRefuse<ShopItem<K>>(SHOP_ITEM_SCHEMAS[kind], given);
  const held = await holdItem(db, kind, item.id);
  if (held && !holdBase(held, base, item)) return held.revision;
  const former = SHOP_ITEM_SCHEMAS[kind].safeParse(held?.value);
  if (base !== 'any')
    refuseNewFaults(former.success ? itemFaults(kind, former.data) : [], itemFaults(kind, item));
  const fields = item as Record<string, unknown>;
  const values = fieldsOf(kind).map((field) => {
    const value = fields[field];
    return typeof value === 'object' && value !== null ? JSON.stringify(value) : value;
  });
  try {
    const { rows } = await db.query<{ revision: number }>(SQL[kind].keep, values);
    if (held) await rememberChange(db, kind, held.value, fields);
    return rows[0]!.revision;
  } catch (error) {
    if (isUniqueViolation(error)) throw new Refusal('NAME_TAKEN', { what: kind });
    if (isForeignKeyViolation(error))
      throw new Refusal('NOT_FOUND', { what: 'resin or printer of that kind' });
    throw error;
  }
}

/** Removes an item that no pour and no profile names. */
export async function removeItem(db: Queryable, kind: ShopKind, id: string): Promise<void> {
  try {
    await db.query(SQL[kind].remove, [id]);
  } catch (error) {
    if (isForeignKeyViolation(error)) {
      throw new Refusal('STILL_USED', {
        what: 'This',
        by:
          kind === 'resin' || kind === 'printer'
            ? 'a pour, a profile, a trial or a test set'
            : 'a pour or a log',
      });
    }
    throw error;
  }
}
