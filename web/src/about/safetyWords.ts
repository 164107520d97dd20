import type { Backups, MadeBackup, Safety } from '@zero-pour/contracts';
import { formatMoment } from '../time/formatMoment';

export interface Said {
  tone: 'stop' | 'fix' | 'watch' | 'fine';
  text: string;
  then?: string;
}

/** Bytes as a person reads them. */
export function formatBytes(bytes: number): string {
  if (bytes < 1e5) return `${(bytes / 1e3).toFixed(bytes < 1e4 ? 1 : 0)} kB`;
  if (bytes < 1e9) return `${(bytes / 1e6).toFixed(bytes < 1e7 ? 1 : 0)} MB`;
  return `${(bytes / 1e9).toFixed(1)} GB`;
}

const ofLast = (at: string | null | undefined, now: number): string =>
  at ? ` The last whole one is of ${formatMoment(Date.parse(at), now)}.` : ' There is none that is whole.';
const sinceWhen = (since: string | null, now: number): string =>
  since === null ? 'What was kept since' : `What was kept since ${formatMoment(Date.parse(since), now)}`;

/** How it stands with backups, and what to do. */
export function backupWords(
  { standing, last, failed, since }: Pick<Backups, 'standing' | 'last' | 'failed' | 'since'>,
  now: number,
): Said {
  switch (standing) {
    case 'off':
      return { tone: 'fix', text: 'Backups are turned off.', then: `Nothing is saved a second time by itself.${ofLast(last?.at, now)}` }; // prettier-ignore
    case 'failed':
      return { tone: 'stop', text: 'The last backup failed.', then: `${failed!.why}${ofLast(last?.at, now)} It is tried again every hour.` }; // prettier-ignore
    case 'overdue':
      return { tone: 'stop', text: 'A backup is overdue.', then: `${sinceWhen(since, now)} is in none.${ofLast(last?.at, now)}` }; // prettier-ignore
    case 'none':
      return { tone: 'watch', text: 'There is no backup yet.', then: since === null ? 'The first is made by itself, soon after something is kept.' : 'The first is made by itself within some minutes.' }; // prettier-ignore
    case 'behind':
      return { tone: 'watch', text: `${sinceWhen(since, now)} is in no backup yet.`, then: `One is made when nothing was kept for half an hour.${ofLast(last?.at, now)}` }; // prettier-ignore
    case 'current':
      if (last!.missing > 0)
        return { tone: 'watch', text: `All that is kept is in a backup but ${last!.missing} damaged files.`, then: `It is of ${formatMoment(Date.parse(last!.at), now)}. Drop those files here again.` }; // prettier-ignore
      return { tone: 'fine', text: 'All that is kept is in a backup.', then: `It is of ${formatMoment(Date.parse(last!.at), now)}.` }; // prettier-ignore
  }
}

/** What a backup holds, and how that is known. */
export function holdsWords({ size, pours, entries, bytes, missing, tookS }: MadeBackup): string {
  const lost =
    missing === 0 ? '' : ` ${missing} of them were damaged where they are kept, and are not in it.`;
  return `${formatBytes(size)}: ${pours} pours, ${entries} entries in all and ${bytes} files of bytes, opened and read whole after it was written (${tookS.toFixed(tookS < 10 ? 1 : 0)} s).${lost}`;
}

/** What the board says of safekeeping: nothing, unless somebody should do something. */
export function boardWords(
  { standing, why, since, lastAt, wrongCount, wrong, keptAhead }: Safety,
  now: number,
): string[] {
  const said: string[] = [];
  if (standing === 'failed') said.push(`The last backup failed. ${why ?? ''}${ofLast(lastAt, now)}`);
  if (standing === 'overdue')
    said.push(`A backup is overdue. ${sinceWhen(since, now)} is in none.${ofLast(lastAt, now)}`);
  if (wrongCount > 0) said.push(`${wrongCount === 1 ? 'One thing that is kept cannot' : `${wrongCount} things that are kept cannot`} be read any more. ${wrong ?? ''}`); // prettier-ignore
  if (keptAhead !== null)
    said.push(`The clock of the shop’s machine is wrong, or was: something was kept at ${formatMoment(Date.parse(keptAhead), now)}, which it has not come to. Set it right before anything is timed by it.`); // prettier-ignore
  return said;
}
