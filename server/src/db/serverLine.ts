import pg from 'pg';
import { setTimeout as wait } from 'node:timers/promises';

const CHANNEL = 'zero_pour_changes';
/** Held by the one process that follows devices and makes backups, until its connection ends. */
const LEAD = 7_460_003;
const AGAIN_MS = 2000;
const CONNECT_WITHIN_MS = 10_000;
/** A payload of NOTIFY is at most 8000 bytes; addresses are far shorter. */
const NOTICE_BYTES_MOST = 7000;

export interface LineOptions {
  onNotice: (text: string) => void;
  /** This process leads now, or no longer. */
  onLead: (leads: boolean) => void;
}

/**
 * One connection that stays open beside those that questions are asked on: processes on one database tell each other what was kept, and
 * agree on which of them leads. Lost, it is opened again; meanwhile nobody here leads.
 */
export class ServerLine {
  private readonly over = new AbortController();
  private client: pg.Client | undefined;
  private asking: Promise<unknown> = Promise.resolve();
  private readonly running: Promise<void>;

  constructor(
    private readonly connectionString: string,
    private readonly options: LineOptions,
  ) {
    this.running = this.run();
  }

  /** Tells the other processes. Without a line they are told nothing now, and read anew when they hear of the next. */
  notify(text: string): void {
    if (Buffer.byteLength(text) > NOTICE_BYTES_MOST) return;
    this.inTurn((client) => client.query('SELECT pg_notify($1, $2)', [CHANNEL, text])).catch(() => undefined);
  }

  /** One question after the other: a connection takes no two at once. */
  private inTurn<T>(ask: (client: pg.Client) => Promise<T>): Promise<T | undefined> {
    const answer = this.asking.then(() => (this.client ? ask(this.client) : undefined));
    this.asking = answer.catch(() => undefined);
    return answer;
  }

  private async run(): Promise<void> {
    while (!this.over.signal.aborted) {
      await this.once().catch(() => undefined);
      this.client = undefined;
      this.options.onLead(false);
      await this.pause();
    }
  }
  private pause = (): Promise<void> =>
    wait(AGAIN_MS, undefined, { signal: this.over.signal, ref: false }).catch(() => undefined);

  /** Until the connection ends. */
  private async once(): Promise<void> {
    const client = new pg.Client({
      connectionString: this.connectionString,
      keepAlive: true,
      connectionTimeoutMillis: CONNECT_WITHIN_MS,
    });
    const ended = new Promise<void>((resolve) => {
      client.once('end', resolve);
      client.once('error', () => resolve());
    });
    client.on('notification', ({ payload }) => this.options.onNotice(payload ?? ''));
    try {
      await client.connect();
      await client.query(`LISTEN ${CHANNEL}`);
      // A stop that came while the connection was made is not told again.
      if (this.over.signal.aborted) return;
      this.client = client;
      const stop = (): void => void client.end().catch(() => undefined);
      this.over.signal.addEventListener('abort', stop, { once: true });
      void this.tryToLead(ended);
      await ended;
      this.over.signal.removeEventListener('abort', stop);
    } finally {
      await client.end().catch(() => undefined);
    }
  }

  private async tryToLead(ended: Promise<void>): Promise<void> {
    let isOpen = true;
    void ended.then(() => (isOpen = false));
    while (isOpen && !this.over.signal.aborted) {
      const answer = await this.inTurn((one) => one.query<{ got: boolean }>('SELECT pg_try_advisory_lock($1) AS got', [LEAD])).catch(() => undefined); // prettier-ignore
      if (answer?.rows[0]?.got) return this.options.onLead(true);
      await this.pause();
    }
  }

  async stop(): Promise<void> {
    this.over.abort();
    await this.running;
  }
}
