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
        keep: `INSERT INTO ${kind} (${columns.join(', ')}) VALUES (${columns.map((_, i) => `$${i + 1}`).join(', ')})
               ON CONFLICT (id) DO UPDATE SET ${updates.join(', ')}`,
        remove: `DELETE FROM ${kind} WHERE id = $1`,
      },
    ];
  }),
) as Record<ShopKind, { list: string; one: string; keep: string; remove: string }>;

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

/** One item; locked for a change that follows, where `forChange`. */
export async function findItem<K extends ShopKind>(
  db: Queryable,
  kind: K,
  id: string,
  forChange = false,
): Promise<ShopItem<K> | undefined> {
  const one = forChange ? `${SQL[kind].one} FOR UPDATE` : SQL[kind].one;
  const { rows } = await db.query<Record<string, unknown>>(one, [id]);
  return rows[0] && toItem<K>(rows[0]);
}

/**
 * Adds or replaces an item, and remembers how it stood; the caller holds both together in a transaction. Refuses a name
 * that another one has, and what cannot be between its fields.
 */
export async function keepItem(db: Queryable, kind: ShopKind, given: unknown): Promise<void> {
  const item = parseOrRefuse<ShopItem<ShopKind>>(SHOP_ITEM_SCHEMAS[kind] as never, given) as Record<
    string,
    unknown
  >;
  const values = fieldsOf(kind).map((field) => {
    const value = item[field];
    return typeof value === 'object' && value !== null ? JSON.stringify(value) : value;
  });
  const before = await findItem(db, kind, item['id'] as string, true);
  const former = SHOP_ITEM_SCHEMAS[kind].safeParse(before);
  refuseNewFaults(
    former.success ? itemFaults(kind, former.data as never) : [],
    itemFaults(kind, item as never),
  );
  try {
    await db.query(SQL[kind].keep, values);
    if (before) await rememberChange(db, kind, before, item);
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
        by: kind === 'resin' || kind === 'printer' ? 'a pour, a profile, a trial or a test set' : 'a pour',
      });
    }
    throw error;
  }
}
