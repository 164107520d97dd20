import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { BUILT, buildServer } from '../scripts/prepare.mjs';

const root = fileURLToPath(new URL('..', import.meta.url));

export interface StartedShop {
  address: string;
  dataFolder: string;
  /** Milliseconds from starting the process to its first word. */
  startMs: number;
  process: ChildProcess;
  stop(): Promise<void>;
}

let isBuilt = false;
/** What is started is what the sources are now. */
function buildOnce(): void {
  if (!isBuilt) buildServer();
  isBuilt = true;
}

/** Starts the real server as its own process, in a new folder unless one is given. */
export async function startShop(options: {
  demo: boolean;
  dataFolder?: string;
  port?: number;
}): Promise<StartedShop> {
  buildOnce();
  const parent = options.dataFolder ? undefined : await mkdtemp(path.join(tmpdir(), 'zero-pour-'));
  const dataFolder = options.dataFolder ?? path.join(parent!, 'data');
  const began = performance.now();
  const args = [`${BUILT}/main.mjs`, ...(options.demo ? ['--demo'] : [])];
  const child = spawn(process.execPath, args, {
    cwd: root,
    env: { ...process.env, ZP_DATA: dataFolder, ZP_PORT: String(options.port ?? 0) },
  });
  const address = await new Promise<string>((resolve, reject) => {
    let said = '';
    const listen = (chunk: Buffer) => {
      said += chunk.toString();
      const found = /Zero Pour is at (\S+?)[. ]?(?: \(demo shop\))?\. Stop/.exec(said);
      if (found) resolve(found[1]!);
    };
    child.stdout.on('data', listen);
    child.stderr.on('data', listen);
    child.once('exit', (code) => reject(new Error(`the server ended with ${code}: ${said}`)));
  });
  const startMs = performance.now() - began;
  return {
    address,
    dataFolder,
    startMs,
    process: child,
    stop: async () => {
      if (child.exitCode === null && child.signalCode === null) {
        const ended = new Promise((resolve) => child.once('exit', resolve));
        child.kill('SIGTERM');
        await ended;
      }
      if (parent) await rm(parent, { recursive: true, force: true });
    },
  };
}
