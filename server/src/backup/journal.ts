import { createReadStream } from 'node:fs';
import { appendFile, mkdir, readdir, rm } from 'node:fs/promises';
import path from 'node:path';
import { createInterface } from 'node:readline';
import { z } from 'zod';

const FOLDER = 'since-backup';
const NAME = /^(\d{6})\.jsonl$/;
const nameOf = (n: number): string => `${String(n).padStart(6, '0')}.jsonl`;

const entrySchema = z.strictObject({
  at: z.string(),
  method: z.enum(['POST', 'PUT', 'PATCH', 'DELETE']),
  /** Below /api, with its question. */
  url: z.string(),
  type: z.string().optional(),
  body: z.unknown().optional(),
});
/** A change that was asked for and answered. */
export type JournalEntry = z.infer<typeof entrySchema>;

/** Numbers of the files of a journal, oldest first. */
async function numbersOf(folder: string): Promise<number[]> {
  const names = await readdir(folder).catch((error: NodeJS.ErrnoException) => {
    if (error.code === 'ENOENT') return [];
    throw error;
  });
  return names.flatMap((name) => NAME.exec(name)?.slice(1, 2).map(Number) ?? []).sort((a, b) => a - b);
}

/**
 * Every change that was accepted since the newest backup, as it was asked for, one a line: put over that backup, they give the shop
 * as it was, whatever became of its database. A file is begun with each backup; those before it go when the backup is whole.
 */
export class Journal {
  private last: Promise<void> = Promise.resolve();
  private constructor(
    private readonly folder: string,
    private number: number,
    private readonly onError: (error: unknown) => void,
  ) {}

  static async open(dataFolder: string, onError: (error: unknown) => void): Promise<Journal> {
    const folder = path.join(dataFolder, FOLDER);
    await mkdir(folder, { recursive: true });
    return new Journal(folder, (await numbersOf(folder)).at(-1) ?? 1, onError);
  }

  /** Writes a change down; a disk that refuses is told, and stops nobody's work. */
  note(entry: JournalEntry): void {
    const file = path.join(this.folder, nameOf(this.number));
    const line = `${JSON.stringify(entry)}\n`;
    this.last = this.last.then(() => appendFile(file, line)).catch(this.onError);
  }

  /** What follows goes into a file of its own. Returns how to drop what came before. */
  async begin(): Promise<() => Promise<void>> {
    const first = ++this.number;
    await this.settled();
    return async () => {
      for (const n of await numbersOf(this.folder))
        if (n < first) await rm(path.join(this.folder, nameOf(n)), { force: true });
    };
  }

  /** Until all that was noted is written. */
  settled(): Promise<void> {
    return this.last;
  }
}

/** The changes of a journal, oldest first. A line that was torn while it was written was never answered, and is left out. */
export async function* readJournal(dataFolder: string): AsyncGenerator<JournalEntry> {
  const folder = path.join(dataFolder, FOLDER);
  for (const n of await numbersOf(folder)) {
    for await (const line of createInterface({ input: createReadStream(path.join(folder, nameOf(n))) })) {
      const read = readEntry(line);
      if (read) yield read;
    }
  }
}
function readEntry(line: string): JournalEntry | undefined {
  try {
    return entrySchema.parse(JSON.parse(line));
  } catch {
    return undefined;
  }
}
export const dropJournal = (dataFolder: string): Promise<void> =>
  rm(path.join(dataFolder, FOLDER), { recursive: true, force: true });
