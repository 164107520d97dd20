import { NETWORK_PORT, type SignedInDevice } from '@zero-pour/contracts';
import type { Queryable } from './database';

export interface KeptDoor {
  isOn: boolean;
  address: string | null;
  port: number;
  passcodeHash: string | null;
}

/** How the shop is reached from its network; nobody has said anything: not at all. */
export async function readDoor(db: Queryable): Promise<KeptDoor> {
  const { rows } = await db.query<KeptDoor>(
    'SELECT is_on AS "isOn", address, port, passcode_hash AS "passcodeHash" FROM network_door',
  );
  return rows[0] ?? { isOn: false, address: null, port: NETWORK_PORT, passcodeHash: null };
}

export async function keepDoor(db: Queryable, change: Partial<KeptDoor>): Promise<void> {
  const { isOn, address, port, passcodeHash } = { ...(await readDoor(db)), ...change };
  await db.query(
    `INSERT INTO network_door (is_on, address, port, passcode_hash) VALUES ($1, $2, $3, $4)
     ON CONFLICT (only_row) DO UPDATE SET is_on = excluded.is_on, address = excluded.address, port = excluded.port,
       passcode_hash = excluded.passcode_hash`,
    [isOn, address, port, passcodeHash],
  );
}

interface NewSession {
  id: string;
  tokenHash: string;
  name: string;
  at: Date;
  endsAt: Date;
}
export async function addSession(
  db: Queryable,
  { id, tokenHash, name, at, endsAt }: NewSession,
): Promise<void> {
  await db.query(
    `INSERT INTO network_session (id, token_hash, name, signed_in_at, seen_at, ends_at) VALUES ($1, $2, $3, $4, $4, $5)`,
    [id, tokenHash, name, at.toISOString(), endsAt.toISOString()],
  );
}

/** The session of a token, seen now, unless it ended or was not used for long; undefined for none. */
export async function seeSession(
  db: Queryable,
  tokenHash: string,
  now: Date,
  idleSince: Date,
): Promise<string | undefined> {
  const { rows } = await db.query<{ id: string }>(
    `UPDATE network_session SET seen_at = $2 WHERE token_hash = $1 AND ends_at > $2 AND seen_at > $3 RETURNING id`,
    [tokenHash, now.toISOString(), idleSince.toISOString()],
  );
  return rows[0]?.id;
}

/** Devices that are signed in, the newest first. */
export async function listSessions(db: Queryable, now: Date, idleSince: Date): Promise<SignedInDevice[]> {
  const { rows } = await db.query<
    Record<'id' | 'name', string> & Record<'signedInAt' | 'seenAt' | 'endsAt', Date>
  >(
    `SELECT id, name, signed_in_at AS "signedInAt", seen_at AS "seenAt", ends_at AS "endsAt" FROM network_session
     WHERE ends_at > $1 AND seen_at > $2 ORDER BY signed_in_at DESC`,
    [now.toISOString(), idleSince.toISOString()],
  );
  return rows.map(({ id, name, signedInAt, seenAt, endsAt }) => ({
    id,
    name,
    signedInAt: signedInAt.toISOString(),
    seenAt: seenAt.toISOString(),
    endsAt: endsAt.toISOString(),
  }));
}

/** Ends one session, or all; those that ended by themselves go too. */
export async function endSessions(db: Queryable, id: string | null, now: Date): Promise<void> {
  await db.query('DELETE FROM network_session WHERE $1::uuid IS NULL OR id = $1 OR ends_at <= $2', [
    id,
    now.toISOString(),
  ]);
}
