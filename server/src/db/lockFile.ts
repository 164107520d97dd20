import { randomUUID } from 'node:crypto';
import { readFileSync, readlinkSync, unlinkSync } from 'node:fs';
import { link, open, readFile, rename, rm, type FileHandle } from 'node:fs/promises';
import { hostname } from 'node:os';
import path from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { z } from 'zod';
import { FolderTakenError } from './folderTaken';

const LOCK_FILE = 'in-use.json';
const BEAT_MS = 1000;
/** A holder whose file stays the same for so long is gone: no single question to the database holds a server up so long. */
const WATCH_MS = 8000;
const TRIES = 5;

/** Who holds the folder. `beat` counts on while he lives. */
const holderSchema = z.object({
  token: z.string(),
  pid: z.number().int(),
  /** Where the pid means something: the process namespace of one boot of one machine. */
  world: z.string(),
  beat: z.number().int(),
});
type Holder = z.infer<typeof holderSchema>;

/** Processes with the same word here can see each other by their pid. */
function processWorld(): string {
  try {
    const boot = readFileSync('/proc/sys/kernel/random/boot_id', 'utf8').trim();
    return `${boot} ${readlinkSync('/proc/self/ns/pid')}`;
  } catch {
    return hostname();
  }
}

function isAlive(pid: number): boolean {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return (error as NodeJS.ErrnoException).code !== 'ESRCH';
  }
}

async function readHolder(file: string): Promise<{ text: string; holder: Holder | null } | null> {
  const text = await readFile(file, 'utf8').catch((error: NodeJS.ErrnoException) => {
    if (error.code === 'ENOENT') return null;
    throw error;
  });
  if (text === null) return null;
  try {
    return { text, holder: holderSchema.parse(JSON.parse(text)) };
  } catch {
    // Empty after a power cut, or written this very moment: only watching tells.
    return { text, holder: null };
  }
}

/** Whether the holder is gone: at once where his pid can be looked up, else by watching whether his file still beats. */
async function isGone(file: string, seen: { text: string; holder: Holder | null }): Promise<boolean> {
  const { holder } = seen;
  if (holder?.world === processWorld() && !isAlive(holder.pid)) return true;
  for (let waited = 0; waited < WATCH_MS; waited += BEAT_MS / 2) {
    await wait(BEAT_MS / 2);
    const now = await readHolder(file);
    if (now === null) return true;
    if (now.text !== seen.text) return false;
  }
  return true;
}

/** Takes a dead holder's file out of the way; when it is not his any more, it is put back. */
async function clearDead(file: string, text: string, token: string): Promise<void> {
  const aside = `${file}.${token}`;
  try {
    await rename(file, aside);
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'ENOENT') return;
    throw error;
  }
  if ((await readFile(aside, 'utf8')) !== text) await link(aside, file).catch(() => undefined);
  await rm(aside, { force: true });
}

export interface LockFile {
  release(): Promise<void>;
}

/** Writes the beat until released; when the file has become somebody else's, `onLost` is told. */
function keepBeating(handle: FileHandle, file: string, holder: Holder, onLost: () => void): LockFile {
  let beat = holder.beat;
  const timer = setInterval(() => void tick().catch(() => undefined), BEAT_MS);
  timer.unref();
  async function tick(): Promise<void> {
    const text = JSON.stringify({ ...holder, beat: ++beat });
    await handle.truncate(0);
    await handle.write(text, 0);
    const now = await readHolder(file);
    if (now?.holder && now.holder.token !== holder.token) {
      clearInterval(timer);
      onLost();
    }
  }
  return {
    release: async () => {
      clearInterval(timer);
      await handle.close();
      const now = await readHolder(file);
      if (now?.holder?.token === holder.token) unlinkSync(file);
    },
  };
}

/**
 * A file in the folder that says who has it open. It holds where a local socket does not reach: the same folder seen
 * from a container, under a second mount, or over a network share. Throws FolderTakenError while another one is alive;
 * a file that a killed process left is taken over.
 */
export async function takeLockFile(folder: string, onLost: () => void = () => {}): Promise<LockFile> {
  const file = path.join(folder, LOCK_FILE);
  const holder: Holder = { token: randomUUID(), pid: process.pid, world: processWorld(), beat: 0 };
  const own = `${file}.${holder.token}.own`;
  const handle = await open(own, 'w+');
  try {
    await handle.writeFile(JSON.stringify(holder));
    for (let attempt = 0; attempt < TRIES; attempt++) {
      // A link is made whole or not at all, and never over a file that is there.
      const taken = await link(own, file).then(
        () => true,
        (error: NodeJS.ErrnoException) => {
          if (error.code === 'EEXIST') return false;
          throw error;
        },
      );
      if (taken) return keepBeating(handle, file, holder, onLost);
      const seen = await readHolder(file);
      if (seen === null) continue;
      if (!(await isGone(file, seen)))
        throw new FolderTakenError(folder, seen.holder ? `process ${seen.holder.pid}` : 'not saying which');
      await clearDead(file, seen.text, holder.token);
    }
    throw new FolderTakenError(folder, 'several starting at once');
  } catch (error) {
    await handle.close();
    throw error;
  } finally {
    await rm(own, { force: true });
  }
}
