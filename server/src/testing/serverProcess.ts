import { spawn, type ChildProcess } from 'node:child_process';
import path from 'node:path';
import { ROOT } from '../root';

/** As people start it: built, which tests see to before they begin. */
export const builtServer = (name: string): string => path.join(ROOT, 'server/dist', `${name}.mjs`);

export interface Started {
  address: string;
  child: ChildProcess;
}
/** It ended instead: its exit code and last words. */
export interface Ended {
  code: number | null;
  said: string;
}

/** Starts the real server in its own process on a folder and a free port; what it says first decides. */
export function spawnServer(folder: string, args: string[] = [], env: Record<string, string> = {}) {
  const child = spawn(process.execPath, [builtServer('main'), ...args], {
    env: { ...process.env, ZP_DATA: folder, ZP_PORT: '0', ...env },
  });
  const first = new Promise<(Started & { said: string }) | Ended>((resolve) => {
    let said = '';
    const hear = (chunk: Buffer): void => {
      said += chunk.toString();
      const found = /is at (http:\/\/[\d.:]+\d)/.exec(said);
      if (found) resolve({ address: found[1]!, child, said });
    };
    child.stdout.on('data', hear);
    child.stderr.on('data', hear);
    child.once('exit', (code) => resolve({ code, said }));
  });
  return { child, first };
}

export const killServer = (child: ChildProcess): Promise<void> =>
  new Promise((resolve) => {
    if (child.exitCode !== null || child.signalCode !== null) return resolve();
    child.once('exit', () => resolve());
    child.kill('SIGKILL');
  });

/** Sends to the API; resolves with the HTTP status. */
export async function sendTo(address: string, method: string, at: string, body: unknown): Promise<number> {
  const raw = body instanceof Uint8Array;
  const response = await fetch(`${address}/api${at}`, {
    method,
    body: raw ? (body as Uint8Array<ArrayBuffer>) : JSON.stringify(body),
    headers: { 'Content-Type': raw ? 'application/octet-stream' : 'application/json' },
  });
  await response.arrayBuffer();
  return response.status;
}
