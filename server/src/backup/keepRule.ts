/** Backups are named by the moment at which they were begun, on the machine's own clock. */
const NAME = /^zero-pour backup (\d{4})-(\d{2})-(\d{2}) (\d{2})(\d{2})\.zip$/;

const two = (n: number): string => String(n).padStart(2, '0');
export const backupName = (at: Date): string =>
  `zero-pour backup ${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())} ${two(at.getHours())}${two(at.getMinutes())}.zip`;

/** The moment in a backup's name; undefined for a file that is none. */
export function backupMoment(name: string): Date | undefined {
  const found = NAME.exec(name);
  if (!found) return undefined;
  const [year, month, day, hour, minute] = found.slice(1).map(Number) as [number, number, number, number, number]; // prettier-ignore
  const at = new Date(year, month - 1, day, hour, minute);
  // 31 February is no day.
  return at.getMonth() === month - 1 && at.getDate() === day ? at : undefined;
}

/** So many days, weeks and months back one of each is kept (*shop default*). */
const KEPT = { days: 7, weeks: 5, months: 12 } as const;

const dayOf = (at: Date): string => `${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}`;
const monthOf = (at: Date): string => dayOf(at).slice(0, 7);
/** The Monday of its week. */
const weekOf = (at: Date): string =>
  dayOf(new Date(at.getFullYear(), at.getMonth(), at.getDate() - ((at.getDay() + 6) % 7)));

/**
 * Names of backups that need not be kept any more: the newest of each of the last days, weeks and months that have one stay, and all of
 * today's. Files that are no backups are never among them.
 */
export function backupsToDrop(names: readonly string[], now: Date): string[] {
  const backups = names
    .flatMap((name) => {
      const at = backupMoment(name);
      return at ? [{ name, at }] : [];
    })
    .sort((a, b) => b.at.getTime() - a.at.getTime());
  const kept = new Set(backups.filter(({ at }) => dayOf(at) === dayOf(now)).map(({ name }) => name));
  const keepNewestOf = (periodOf: (at: Date) => string, most: number): void => {
    const periods = new Set<string>();
    for (const { name, at } of backups) {
      if (periods.has(periodOf(at))) continue;
      if (periods.size === most) break;
      periods.add(periodOf(at));
      kept.add(name);
    }
  };
  keepNewestOf(dayOf, KEPT.days);
  keepNewestOf(weekOf, KEPT.weeks);
  keepNewestOf(monthOf, KEPT.months);
  return backups.filter(({ name }) => !kept.has(name)).map(({ name }) => name);
}
