import { execFile } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { promisify } from 'node:util';
import { HOSTILE } from '../core/src/testing/hostileMeshes';
import { ms, table } from './table';

const LIMIT = { seconds: 5, bytes: 1e9 };
const ONE = fileURLToPath(new URL('./hostileOne.ts', import.meta.url));

/** Files made to hurt, at full size, each read in a process of its own: time from its bytes to the refusal, and the process's memory with them. */
export async function measureHostile(): Promise<string> {
  const rows: Record<string, string>[] = [];
  for (const [n, { what }] of HOSTILE.entries()) {
    const { stdout } = await promisify(execFile)(process.execPath, ['--import', 'tsx', ONE, String(n)], { timeout: 300_000 }); // prettier-ignore
    const { code, tookMs, bytes, sizeMb } = JSON.parse(stdout) as { code: string; tookMs: number; bytes: number; sizeMb: number }; // prettier-ignore
    const isWithin = tookMs <= LIMIT.seconds * 1000 && bytes <= LIMIT.bytes;
    rows.push({ file: what, size: `${sizeMb.toFixed(1)} MB`, 'what came of it': code, time: ms(tookMs), 'memory beside the file': `${Math.round(bytes / 1e6)} MB`, [`within ${LIMIT.seconds} s and 1 GB`]: isWithin ? 'yes' : 'no' }); // prettier-ignore
  }
  return table(rows);
}
