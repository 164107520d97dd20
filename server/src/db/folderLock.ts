import { createHash } from 'node:crypto';
import { connect, createServer, type Server } from 'node:net';
import { realpathSync, unlinkSync } from 'node:fs';
import path from 'node:path';
import { FolderTakenError } from './folderTaken';
import { takeLockFile } from './lockFile';

export interface FolderLock {
  release(): Promise<void>;
}

/**
 * A local socket named for the folder: the system lets one process have it and takes it back when that
 * process ends, even by kill -9. Linux: abstract socket; Windows: named pipe; elsewhere: a socket file.
 */
function socketPath(folder: string): string {
  const name = `zero-pour-${createHash('sha256').update(realpathSync(folder)).digest('hex').slice(0, 32)}`;
  if (process.platform === 'linux') return `\0${name}`;
  if (process.platform === 'win32') return `\\\\.\\pipe\\${name}`;
  return path.join(folder, 'lock.sock');
}

function listen(at: string, holder: string): Promise<Server> {
  return new Promise((resolve, reject) => {
    const server = createServer((socket) => socket.end(holder));
    server.once('error', reject);
    server.listen(at, () => resolve(server.unref()));
  });
}

/** What the holder says of itself; null when nobody answers (a socket file left by a killed process). */
function askHolder(at: string): Promise<string | null> {
  return new Promise((resolve) => {
    let text = '';
    const socket = connect(at);
    socket.setTimeout(1000, () => socket.destroy());
    socket.on('data', (chunk) => (text += chunk.toString()));
    socket.on('error', () => resolve(null));
    socket.on('close', () => resolve(text === '' ? null : text));
  });
}

async function takeSocket(folder: string): Promise<FolderLock> {
  const at = socketPath(folder);
  const server = await listen(at, `process ${process.pid}`).catch(async (error: NodeJS.ErrnoException) => {
    if (error.code !== 'EADDRINUSE') throw error;
    const holder = await askHolder(at);
    if (holder !== null || at.startsWith('\0') || at.startsWith('\\\\')) {
      throw new FolderTakenError(folder, holder ?? 'not answering');
    }
    unlinkSync(at);
    return listen(at, `process ${process.pid}`);
  });
  return { release: () => new Promise((resolve) => server.close(() => resolve())) };
}

/**
 * Takes the folder for this process. Throws FolderTakenError when another one has it. The socket decides at once
 * between processes of one system; the file in the folder also between those that do not see each other's sockets.
 * `onLost` is told should the folder become another's all the same: nothing may be written any more.
 */
export async function lockFolder(folder: string, onLost?: () => void): Promise<FolderLock> {
  const socket = await takeSocket(folder);
  try {
    const file = await takeLockFile(folder, onLost);
    return { release: () => file.release().finally(() => socket.release()) };
  } catch (error) {
    await socket.release();
    throw error;
  }
}
