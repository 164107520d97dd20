import type { LookedThrough } from '@zero-pour/contracts';
import type { Logger } from 'pino';
import type { Database } from '../db/database';
import type { BlobFiles } from '../files/blobFiles';
import { lookThrough } from './lookThrough';

const FIRST_MS = 60_000;
const AGAIN_MS = 24 * 3_600_000;

/** Reads all that is kept once a day while others work, and remembers what it found. */
export class ShopLook {
  private readonly over = new AbortController();
  private running: Promise<LookedThrough | null> | null = null;
  private timer: NodeJS.Timeout | undefined;
  /** Null until all was read once since the start. */
  found: LookedThrough | null = null;

  constructor(
    private readonly db: Database,
    private readonly files: BlobFiles,
    private readonly log: Logger,
    private readonly now: () => Date = () => new Date(),
  ) {}

  begin(): void {
    const next = (after: number): void => {
      this.timer = setTimeout(() => void this.lookNow().finally(() => next(AGAIN_MS)), after);
      this.timer.unref();
    };
    this.pause();
    next(FIRST_MS);
  }
  /** Another process does that now. */
  pause(): void {
    clearTimeout(this.timer);
  }

  /** One at a time. Null when it was stopped, or could not be done at all. */
  lookNow(): Promise<LookedThrough | null> {
    this.running ??= lookThrough(this.db, this.files, this.now, this.over.signal)
      .catch((error: unknown) => {
        this.log.error({ err: error }, 'what is kept could not be looked through');
        return null;
      })
      .then((found) => {
        if (found && found.wrongCount > 0)
          this.log.error({ wrong: found.wrong }, 'of what is kept some is damaged');
        return (this.found = found ?? this.found);
      })
      .finally(() => (this.running = null));
    return this.running;
  }

  async stop(): Promise<void> {
    clearTimeout(this.timer);
    this.over.abort();
    await this.running;
  }
}
