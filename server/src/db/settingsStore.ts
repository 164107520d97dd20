import {
  DEFAULT_SETTINGS,
  settingsSchema,
  whyUnread,
  type Settings,
  type Unread,
} from '@zero-pour/contracts';
import type { Queryable } from './database';

/** A shop that never said where it is takes the clock of the machine that keeps it. */
const hostTimeZone = (): string => new Intl.DateTimeFormat().resolvedOptions().timeZone;

/** The settings, locked where they are changed next; those that do not read are named, and usual ones stand in. */
export async function readSettings(
  db: Queryable,
  forChange = false,
): Promise<{ settings: Settings; unread: Unread[] }> {
  const usual: Settings = { ...DEFAULT_SETTINGS, timeZone: hostTimeZone() };
  const { rows } = await db.query<{ data: object }>(
    `SELECT data FROM settings${forChange ? ' FOR UPDATE' : ''}`,
  );
  if (!rows[0]) return { settings: usual, unread: [] };
  // Written before shops had a clock of their own: the field is filled in.
  const result = settingsSchema.safeParse({ timeZone: usual.timeZone, ...rows[0].data });
  if (result.success) return { settings: result.data, unread: [] };
  const unread: Unread = {
    kind: 'settings',
    id: null,
    name: 'The shop’s settings',
    why: whyUnread(result.error),
  };
  return { settings: usual, unread: [unread] };
}

export async function keepSettings(db: Queryable, settings: Settings): Promise<void> {
  await db.query(
    'INSERT INTO settings (data) VALUES ($1) ON CONFLICT (only_row) DO UPDATE SET data = excluded.data',
    [JSON.stringify(settings)],
  );
}
