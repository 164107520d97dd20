import type { Backups, MadeBackup, setBackupsSchema } from '@zero-pour/contracts';
import { Refusal } from '@zero-pour/contracts';
import { existsSync } from 'node:fs';
import { mkdir, readdir, rm, stat, writeFile } from 'node:fs/promises';
import path from 'node:path';
import type { Logger } from 'pino';
import type { z } from 'zod';
import { writeArchive } from '../archive/writeArchive';
import type { Database } from '../db/database';
import type { BlobFiles } from '../files/blobFiles';
import { asRefusal } from '../services/asRefusal';
import { backUp } from './backUp';
import { backUpAside, removeCopies } from './backUpAside';
import { Journal, type JournalEntry } from './journal';
import { backupMoment } from './keepRule';
import { backupFolderOf, keepSafekeeping, readSafekeeping, type Safekeeping } from './safekeepingFile';
import { backupStanding, isBackupDue } from './whenDue';

const LOOK_EVERY_MS = 60_000;
/** On a shared database a change is marked again after this. */
const MARKED_MS = 60_000;
/** What is taken in whole, and cannot be asked for again out of a journal. */
const ONLY_IN_BACKUPS = /^\/(archive|demo|safekeeping\/restore)(\?|$)/;

export interface KeeperOptions {
  db: Database;
  files: BlobFiles;
  dataFolder: string;
  shopId: string;
  log: Logger;
  /** Other processes work on the same database, and may keep it just as well. */
  isShared?: boolean;
  now?: () => Date;
}

const dateOf = (at: string | undefined | null): Date | null => (at ? new Date(at) : null);

/** Backups by themselves: after each day's work, into a folder of the user's choice; and what was accepted since the last one. */
export class BackupKeeper {
  private changedAt: Date | null = null;
  private changes = 0;
  private markedAt = 0;
  private running: Promise<MadeBackup> | null = null;
  private writing: Promise<void> = Promise.resolve();
  private timer: NodeJS.Timeout | undefined;
  private readonly now: () => Date;

  private constructor(
    private readonly options: KeeperOptions,
    private readonly journal: Journal,
    private state: Safekeeping,
  ) {
    this.now = options.now ?? (() => new Date());
  }

  /** Takes over what the folder says. */
  static async open(options: KeeperOptions): Promise<BackupKeeper> {
    const { dataFolder, shopId, log } = options;
    const journal = await Journal.open(dataFolder, (error) =>
      log.error({ err: error }, 'a change was not written into the journal'),
    );
    const keeper = new BackupKeeper(options, journal, { ...(await readSafekeeping(dataFolder)), shopId });
    await keepSafekeeping(dataFolder, keeper.state);
    await removeCopies(dataFolder);
    return keeper;
  }

  /** Changes a part of what is known; on a shared database of what others wrote there by now. */
  private change(partOf: (kept: Safekeeping) => Partial<Safekeeping>): Promise<void> {
    this.state = { ...this.state, ...partOf(this.state) };
    return (this.writing = this.writing
      .catch(() => undefined)
      .then(async () => {
        if (this.options.isShared) {
          const kept = await this.readAgain();
          this.state = { ...kept, ...partOf(kept) };
        }
        await keepSafekeeping(this.options.dataFolder, this.state);
      }));
  }
  private async readAgain(): Promise<Safekeeping> {
    const { dataFolder, shopId } = this.options;
    return { ...(await readSafekeeping(dataFolder)), shopId };
  }
  /** What others wrote since. */
  private async catchUp(): Promise<void> {
    await this.writing.catch(() => undefined);
    if (this.options.isShared) this.state = await this.readAgain();
  }

  /** Something was kept by itself, by a device: no journal tells it, the next backup has it. */
  touch(): void {
    this.mark(false);
  }

  /** Something was kept: written down, so that it comes back should the database be lost before the next backup. */
  note(entry: JournalEntry, inJournal = true): void {
    if (inJournal) this.journal.note(entry);
    this.mark(ONLY_IN_BACKUPS.test(entry.url));
  }
  private mark(atOnce: boolean): void {
    const now = this.now();
    this.changedAt = now;
    this.changes++;
    // On a shared database another process may have made a backup since: what is marked here may be so no more.
    const isOld = this.options.isShared && now.getTime() - this.markedAt > MARKED_MS;
    if (this.state.since !== null && (this.state.atOnce || !atOnce) && !isOld) return;
    this.markedAt = now.getTime();
    this.change(({ since, atOnce: was }) => ({
      since: since ?? now.toISOString(),
      atOnce: was || atOnce,
    })).catch((error: unknown) =>
      this.options.log.error({ err: error }, 'what is known of backups was not kept'),
    );
  }
  /** What is another one whenever something was kept, by whomever. */
  private async changeMark(): Promise<string> {
    if (!this.options.isShared) return String(this.changes);
    const { rows } = await this.options.db.query<{ at: string }>(
      'SELECT pg_snapshot_xmax(pg_current_snapshot())::text AS at',
    );
    return rows[0]!.at;
  }

  /** From here on backups are made by themselves; a shop that has things, and no backup, is without one since now. */
  begin(isEmpty: boolean): void {
    if (!isEmpty && this.state.last === null && this.state.since === null) this.mark(false);
    this.pause();
    this.timer = setInterval(() => void this.look(), LOOK_EVERY_MS);
    this.timer.unref();
  }
  /** Another process does that now. */
  pause(): void {
    clearInterval(this.timer);
  }
  /** Makes a backup when one is due. */
  async look(): Promise<void> {
    await this.catchUp();
    if (!this.running && isBackupDue(this.facts(), this.now())) await this.makeNow().catch(() => undefined);
  }
  /** The last backup, and what no backup holds: one that somebody took away holds nothing any more. */
  private standsBy(): Pick<Safekeeping, 'last' | 'since'> {
    const { last, since } = this.state;
    if (last === null || existsSync(last.file)) return { last, since };
    return { last: null, since: since ?? last.at };
  }
  private facts() {
    const { isOn, failed, atOnce } = this.state;
    const { last, since } = this.standsBy();
    return {
      isOn,
      since: dateOf(since),
      changedAt: this.changedAt,
      last: dateOf(last?.at),
      failed: dateOf(failed?.at),
      atOnce,
    };
  }

  get folder(): string {
    return backupFolderOf(this.options.dataFolder, this.state);
  }

  /** One at a time: who asks while one is made gets that one. What fails is remembered, and told on the board. */
  makeNow(): Promise<MadeBackup> {
    this.running ??= this.make().finally(() => (this.running = null));
    return this.running;
  }
  private async make(): Promise<MadeBackup> {
    const { db, files, dataFolder, isShared, log } = this.options;
    const began = this.now();
    try {
      await tryToWrite(this.folder);
      const mark = await this.changeMark();
      const dropBefore = await this.journal.begin();
      const { file, size, pours, entries, bytes, missing } = await (isShared
        ? backUp(writeArchive(db, files), this.folder, began)
        : backUpAside(db, dataFolder, this.folder, began));
      const at = began.toISOString();
      const tookS = (this.now().getTime() - began.getTime()) / 1000;
      const made: MadeBackup = { at, file, size, pours, entries, bytes, missing, tookS };
      // What was kept meanwhile is not in it for sure.
      const isAll = (await this.changeMark()) === mark;
      await this.change(({ atOnce }) => ({ last: made, failed: null, since: isAll ? null : at, atOnce: !isAll && atOnce })); // prettier-ignore
      await dropBefore();
      log.info({ file, size, pours, tookS }, 'a backup was made and read again');
      return made;
    } catch (error) {
      const why = asRefusal(error)?.message ?? (error instanceof Error ? error.message : String(error));
      log.error({ err: error }, 'a backup failed');
      await this.change(() => ({ failed: { at: began.toISOString(), why } })).catch(() => undefined);
      throw error;
    }
  }

  /** Another folder, or none. A folder that cannot be written is refused, and the one before stays. */
  async set({ isOn, folder }: z.infer<typeof setBackupsSchema>): Promise<void> {
    if (folder !== null) {
      if (!path.isAbsolute(folder)) throw new Refusal('BACKUP_FOLDER', { folder, why: 'a whole path is needed, from the root or the drive on' }); // prettier-ignore
      const data = path.join(this.options.dataFolder, path.sep);
      if (path.join(folder, path.sep).startsWith(data)) throw new Refusal('BACKUP_FOLDER', { folder, why: 'it is inside the data folder, and would go with it' }); // prettier-ignore
      await tryToWrite(folder);
    }
    await this.change(() => ({ isOn, folder, failed: null }));
  }

  async tell(): Promise<Backups> {
    await this.catchUp();
    const { isOn, failed, folder } = this.state;
    const { last, since } = this.standsBy();
    return {
      isOn,
      folder: this.folder,
      isOwnFolder: folder === null,
      standing: backupStanding(this.facts(), this.now()),
      last,
      failed,
      since,
      isRunning: this.running !== null,
      kept: await listBackups(this.folder),
    };
  }

  async stop(): Promise<void> {
    clearInterval(this.timer);
    await this.running?.catch(() => undefined);
    await this.journal.settled();
    await this.writing.catch(() => undefined);
  }
}

async function tryToWrite(folder: string): Promise<void> {
  try {
    await mkdir(folder, { recursive: true });
    const file = path.join(folder, `.zero-pour-${process.pid}`);
    await writeFile(file, '');
    await rm(file);
  } catch (error) {
    throw new Refusal('BACKUP_FOLDER', { folder, why: `it cannot be written (${(error as NodeJS.ErrnoException).code ?? 'unknown'})` }); // prettier-ignore
  }
}

/** Backups in a folder, the newest first; a folder that is not there has none. */
export async function listBackups(folder: string): Promise<Backups['kept']> {
  const names = await readdir(folder).catch((error: NodeJS.ErrnoException) => {
    if (error.code === 'ENOENT' || error.code === 'ENOTDIR') return [];
    throw error;
  });
  const kept: Backups['kept'] = [];
  for (const name of names.sort().reverse()) {
    const at = backupMoment(name);
    if (at) kept.push({ name, at: at.toISOString(), size: (await stat(path.join(folder, name))).size });
  }
  return kept;
}
