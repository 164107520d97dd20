import type { BackupStanding } from '@zero-pour/contracts';

const MINUTE = 60_000;
const HOUR = 60 * MINUTE;
/** A day's work is over, or rests, when nothing was kept for so long (*shop default*). */
export const REST_MS = 30 * MINUTE;
/** Two backups by themselves are no nearer to each other. */
const APART_MS = 4 * HOUR;
/** Where work never rests, nothing stays without a backup longer than this. */
const LATEST_MS = 12 * HOUR;
/** One that failed is tried again after this. */
const AGAIN_MS = HOUR;
/** A shop that has no backup at all gets its first one soon. */
const FIRST_REST_MS = 2 * MINUTE;
/** What is without a backup for more than a day and a night is told on the board. */
export const OVERDUE_MS = 30 * HOUR;

export interface BackupFacts {
  isOn: boolean;
  /** Since when something is kept that no backup holds; null: nothing is. */
  since: Date | null;
  /** When something was kept last, as far as this process saw; null: not since it started. */
  changedAt: Date | null;
  last: Date | null;
  failed: Date | null;
  /** Something was taken in that only a backup holds a second time. */
  atOnce: boolean;
}

/** Whether a backup is to be made by itself now. */
export function isBackupDue(
  { isOn, since, changedAt, last, failed, atOnce }: BackupFacts,
  now: Date,
): boolean {
  const ago = (at: Date | null): number => (at === null ? Infinity : now.getTime() - at.getTime());
  if (!isOn || since === null || ago(failed) < AGAIN_MS) return false;
  const rest = last === null ? FIRST_REST_MS : REST_MS;
  if (atOnce || ago(since) >= LATEST_MS) return true;
  return ago(changedAt) >= rest && ago(last) >= APART_MS;
}

/** How it stands, worst first. A clock that was set back makes nothing overdue. */
export function backupStanding(
  { isOn, since, last, failed }: Omit<BackupFacts, 'changedAt' | 'atOnce'>,
  now: Date,
): BackupStanding {
  if (!isOn) return 'off';
  if (failed !== null && (last === null || failed > last)) return 'failed';
  if (since !== null && now.getTime() - since.getTime() > OVERDUE_MS) return 'overdue';
  if (last === null) return 'none';
  return since === null ? 'current' : 'behind';
}
