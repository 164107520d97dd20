import { DEFAULT_SETTINGS, settingsSchema, type Settings } from '@zero-pour/contracts';
import type { Queryable } from './database';

export async function readSettings(db: Queryable): Promise<Settings> {
  const { rows } = await db.query<{ data: unknown }>('SELECT data FROM settings');
  return rows[0] ? settingsSchema.parse(rows[0].data) : DEFAULT_SETTINGS;
}

export async function keepSettings(db: Queryable, settings: Settings): Promise<void> {
  await db.query(
    'INSERT INTO settings (data) VALUES ($1) ON CONFLICT (only_row) DO UPDATE SET data = excluded.data',
    [JSON.stringify(settings)],
  );
}
