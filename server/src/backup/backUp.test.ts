import { spawn } from 'node:child_process';
import { mkdtemp, readdir, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { writeArchive } from '../archive/writeArchive';
import { checkArchive } from '../archive/readArchive';
import { builtServer } from '../testing/serverProcess';
import { openTestShop, type TestShop } from '../testing/testShop';
import { backUp } from './backUp';
import { backupName } from './keepRule';

let demo: TestShop;
let folder: string;
beforeAll(async () => {
  demo = await openTestShop();
  await demo.ask('POST', '/demo');
  folder = await mkdtemp(path.join(tmpdir(), 'zero-pour-backups-'));
});
afterAll(async () => {
  await demo.close();
  await rm(folder, { recursive: true, force: true });
});
const archive = () => writeArchive(demo.shop.services.db, demo.shop.services.files);
async function whole(): Promise<Buffer> {
  const chunks: Uint8Array[] = [];
  for await (const chunk of archive()) chunks.push(chunk);
  return Buffer.concat(chunks);
}
const NOW = new Date(2026, 10, 30, 18, 30);

describe('a backup', () => {
  it('is a whole zip in its folder, opened and counted, with nothing half written beside it', async () => {
    const made = await backUp(archive(), folder, NOW);
    expect(await readdir(folder)).toEqual([backupName(NOW)]);
    expect(made).toMatchObject({ pours: 15, missing: 0, dropped: [] });
    expect(made.bytes).toBeGreaterThan(0);
    const { file, size, dropped, ...checked } = made;
    expect([await checkArchive(file), dropped]).toEqual([checked, []]);
    expect((await readFile(file)).length).toBe(size);
  });

  it('that was cut off while it was written is none, and the one before it stays', async () => {
    const before = await readFile(path.join(folder, backupName(NOW)));
    async function* cut(): AsyncGenerator<Uint8Array> {
      for await (const chunk of archive()) {
        yield chunk.subarray(0, Math.ceil(chunk.length / 2));
        throw new Error('the disk is gone');
      }
    }
    await expect(backUp(cut(), folder, new Date(2026, 10, 30, 19))).rejects.toThrow('the disk is gone');
    async function* short(): AsyncGenerator<Uint8Array> {
      const all = await whole();
      yield all.subarray(0, all.length - 400);
    }
    await expect(backUp(short(), folder, new Date(2026, 10, 30, 20))).rejects.toThrow('cannot be taken in');
    expect(await readdir(folder)).toEqual([backupName(NOW)]);
    expect(Buffer.compare(await readFile(path.join(folder, backupName(NOW))), before)).toBe(0);
  });

  it('of which one byte is another is found when it is read', async () => {
    const all = await whole();
    const damaged = path.join(folder, 'damaged');
    let found = 0;
    for (const share of [0.3, 0.6, 0.9]) {
      const bytes = Buffer.from(all);
      const at = Math.floor(share * bytes.length * 0.9);
      bytes[at] = bytes[at]! ^ 0x5a;
      await writeFile(damaged, bytes);
      await checkArchive(damaged).catch(() => found++);
    }
    await rm(damaged);
    expect(found).toBe(3);
  });

  it('drops what the rule no longer keeps, and no other file', async () => {
    const old = backupName(new Date(2026, 10, 20, 9));
    const newer = backupName(new Date(2026, 10, 20, 18));
    for (const name of [old, newer, 'notes.txt']) await writeFile(path.join(folder, name), '');
    const { dropped } = await backUp(archive(), folder, NOW);
    expect(dropped).toEqual([old]);
    expect((await readdir(folder)).sort()).toEqual(['notes.txt', backupName(NOW), newer].sort());
  });
});

describe('from the command line', () => {
  /** Beside this process: the shop that it asks is served by this one. */
  const run = (data: string, port: string, ...args: string[]) =>
    new Promise<{ status: number | null; stdout: string; stderr: string }>((resolve) => {
      const child = spawn(process.execPath, [builtServer('backup'), ...args], {
        env: { ...process.env, ZP_DATA: data, ZP_PORT: port, DATABASE_URL: '' },
      });
      const said = { stdout: '', stderr: '' };
      child.stdout.on('data', (chunk: Buffer) => (said.stdout += chunk.toString()));
      child.stderr.on('data', (chunk: Buffer) => (said.stderr += chunk.toString()));
      child.once('close', (status) => resolve({ status, ...said }));
    });

  it('backup, restore, backup are the same to the byte, also of a shop that is open; a full folder is refused', async () => {
    const port = new URL(demo.shop.address).port;
    const [first, second, other] = await Promise.all(['a', 'b', 'c'].map((name) => mkdtemp(path.join(folder, name)))); // prettier-ignore
    const taken = await run(demo.folder, port, 'backup', first!);
    expect([taken.status, taken.stderr]).toEqual([0, '']);
    const [name] = await readdir(first!);
    const file = path.join(first!, name!);
    const data = path.join(other!, 'data');
    const restored = await run(data, '1', 'restore', file);
    expect([restored.status, restored.stderr]).toEqual([0, '']);
    expect(restored.stdout).toContain('15 pours and all else');
    expect(await run(data, '1', 'restore', file)).toMatchObject({ status: 1, stderr: expect.stringContaining('only into an empty one') }); // prettier-ignore
    expect((await run(data, '1', 'backup', second!)).status).toBe(0);
    const [again] = await readdir(second!);
    expect(Buffer.compare(await readFile(path.join(second!, again!)), await readFile(file))).toBe(0);
  });
  it('says how it is asked, and that a file is none', async () => {
    expect(await run(folder, '1', 'restore')).toMatchObject({ status: 1, stderr: expect.stringContaining('npm run restore -- FILE') }); // prettier-ignore
    const data = path.join(folder, 'empty');
    expect(await run(data, '1', 'restore', path.join(folder, 'notes.txt'))).toMatchObject({ status: 1, stderr: expect.stringContaining('it is no zip') }); // prettier-ignore
  });
});
