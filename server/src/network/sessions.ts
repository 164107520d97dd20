import type { SignedInDevice } from '@zero-pour/contracts';
import { createHash, randomBytes, randomUUID } from 'node:crypto';
import type { Response } from 'express';
import type { Database } from '../db/database';
import { addSession, endSessions, listSessions, seeSession } from '../db/networkStore';

const DAY_MS = 86_400_000;
/** A device signs in anew after so long, and sooner when it was not used. */
export const SESSION_DAYS = 30;
const IDLE_DAYS = 10;
/** A session that is used is written down as seen at most so often. */
const SEEN_EVERY_MS = 60_000;

const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex');

/** Devices that signed in with the passcode: what each holds is a random token, of which only the hash is kept. */
export class Sessions {
  /** Answers under way by session, so that ending one ends what it listens to. */
  private readonly open = new Map<string, Set<Response>>();
  /** Sessions that were looked up a moment ago. */
  private readonly seen = new Map<string, { id: string; at: number }>();

  private endings = 0;

  constructor(
    private readonly db: Database,
    private readonly now: () => Date,
  ) {}

  private idleSince = (): Date => new Date(this.now().getTime() - IDLE_DAYS * DAY_MS);

  /** Signs a device in; returns the token that it is to hold. */
  async begin(name: string): Promise<string> {
    const token = randomBytes(32).toString('base64url');
    const at = this.now();
    const endsAt = new Date(at.getTime() + SESSION_DAYS * DAY_MS);
    await addSession(this.db, { id: randomUUID(), tokenHash: hashOf(token), name, at, endsAt });
    return token;
  }

  /** Whose a token is; undefined for one that is nobody's, or was ended. */
  async find(token: string): Promise<string | undefined> {
    const hash = hashOf(token);
    const now = this.now().getTime();
    const known = this.seen.get(hash);
    if (known && Math.abs(now - known.at) < SEEN_EVERY_MS) return known.id;
    const { endings } = this;
    const id = await seeSession(this.db, hash, this.now(), this.idleSince());
    // Ended while it was looked up: what was found may be no more.
    if (endings !== this.endings) return this.find(token);
    if (id !== undefined) this.seen.set(hash, { id, at: now });
    return id;
  }

  /** An answer that goes to a session, until it is over. */
  hold(id: string, response: Response): void {
    const held = this.open.get(id) ?? new Set();
    this.open.set(id, held.add(response));
    response.on('close', () => {
      held.delete(response);
      if (held.size === 0) this.open.delete(id);
    });
  }

  list(): Promise<SignedInDevice[]> {
    return listSessions(this.db, this.now(), this.idleSince());
  }

  /** Ends one, or all: what they hold opens nothing any more, and what they listen to stops; the answer that says so does not. */
  async end(id: string | null, answering?: Response): Promise<void> {
    await endSessions(this.db, id, this.now());
    this.endings++;
    this.seen.clear();
    for (const [of, responses] of this.open)
      if (id === null || of === id)
        for (const response of responses) if (response !== answering) response.destroy();
  }
}
