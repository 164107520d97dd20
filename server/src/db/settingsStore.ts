import {
  DEFAULT_SETTINGS,
  settingsSchema,
  whyUnread,
  type Settings,
  type Unread,
  refuseNewFaults,
  Refusal,
  settingsFaults,
  unreadSentence,
} from '@zero-pour/contracts';
import type { Queryable } from './database';
import { holdBase, type Base } from './revisions';

/** A shop that never said where it is takes the clock of the machine that keeps it. */
const hostTimeZone = (): string => new Intl.DateTimeFormat().resolvedOptions().timeZone;

/** The settings; those that do not read are named, and usual ones stand in. */
export async function readSettings(db: Queryable): Promise<{ settings: Settings; unread: Unread[] }> {
  const usual: Settings = { ...DEFAULT_SETTINGS, timeZone: hostTimeZone() };
  const { rows } = await db.query<{ data: object }>('SELECT data FROM settings');
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

/**
 * Keeps the settings over the state that their writer had before him; returns their revision. Refuses to write over
 * settings that do not read.
 */
export async function keepSettings(db: Queryable, settings: Settings, base: Base): Promise<number> {
  // Locked before it is read, so that revision and content are of one state.
  const { rows } = await db.query<{ revision: number }>('SELECT revision FROM settings FOR UPDATE');
  const { settings: before, unread } = await readSettings(db);
  if (unread[0]) throw new Refusal('UNREADABLE', { sentence: unreadSentence(unread[0]) });
  const held = rows[0] && { value: before, revision: rows[0].revision };
  if (held && !holdBase(held, base, settings)) return held.revision;
  if (base !== 'any') refuseNewFaults(settingsFaults(before), settingsFaults(settings));
  const kept = await db.query<{ revision: number }>(
    `INSERT INTO settings (data) VALUES ($1)
     ON CONFLICT (only_row) DO UPDATE SET data = excluded.data, revision = settings.revision + 1 RETURNING revision`,
    [JSON.stringify(settings)],
  );
  return kept.rows[0]!.revision;
}
