import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { cp, mkdir, mkdtemp, readdir, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { checkpointWhenLong, logBytes } from './db/checkpoints';
import type { Database } from './db/database';
import { openDatabase } from './db/openDatabase';
import { FolderTakenError } from './db/folderTaken';
import { takeLockFile } from './db/lockFile';
import { FolderRefusedError, migrate, readMigrations, type Migration } from './db/migrations';
import { pgliteDatabase } from './db/pgliteDatabase';
import { prepareDemoFolder } from './demoFolder';
import { listPouredPrints } from './db/tellsStore';
import { readShopState } from './services/readShopState';
import { spawnServer } from './testing/serverProcess';

let folder: string;
beforeEach(async () => {
  folder = await mkdtemp(path.join(tmpdir(), 'zero-pour-folders-'));
});
afterEach(() => rm(folder, { recursive: true, force: true }));

describe('a database folder that is not a whole shop’s', () => {
  const at = () => path.join(folder, 'database');

  it('with somebody’s own files is refused in one sentence, and they stay', async () => {
    await mkdir(at());
    await writeFile(path.join(at(), 'ring.stl'), 'solid');
    await expect(openDatabase({ folder: at() })).rejects.toThrow(FolderRefusedError);
    expect(await readFile(path.join(at(), 'ring.stl'), 'utf8')).toBe('solid');
    expect(await readdir(folder)).toEqual(['database']);
  });

  it('that was copied half is refused, and copied whole it opens', async () => {
    const { db } = await openDatabase({ folder: at() });
    await db.close();
    const backup = path.join(folder, 'backup');
    await cp(at(), backup, { recursive: true });
    await rm(path.join(at(), 'PG_VERSION'));
    await expect(openDatabase({ folder: at() })).rejects.toThrow(/PG_VERSION is missing/);
    await rm(path.join(at(), 'global/pg_control'));
    await expect(openDatabase({ folder: at() })).rejects.toThrow(/half-copied/);
    expect((await readdir(at())).length).toBeGreaterThan(10);
    const whole = await openDatabase({ folder: backup });
    await whole.db.close();
  });

  it('of another version of the database is refused', async () => {
    const { db } = await openDatabase({ folder: at() });
    await db.close();
    await writeFile(path.join(at(), 'PG_VERSION'), '17\n');
    await expect(openDatabase({ folder: at() })).rejects.toThrow(/another version of the database \(17/);
  });

  it('that is empty, or was left by a first start that was stopped, becomes a new shop', async () => {
    await mkdir(at());
    await mkdir(path.join(folder, 'database.new-abc123'));
    await writeFile(path.join(folder, 'database.new-abc123', 'half'), '');
    const { db } = await openDatabase({ folder: at() });
    expect((await readShopState(db)).patterns).toEqual([]);
    await db.close();
    expect(await readdir(folder)).toEqual(['database']);
  });

  it('is refused by the real server too, which ends with the sentence', async () => {
    await mkdir(at());
    await writeFile(path.join(at(), 'notes.txt'), 'mine');
    const ended = await spawnServer(folder).first;
    expect(ended).toMatchObject({ code: 1 });
    expect(ended.said).toContain('no whole Zero Pour database');
    expect(ended.said).not.toContain('    at ');
    expect((await readdir(folder)).sort()).toEqual(['database']);
  });
});

describe('the file that holds a folder', () => {
  it('is taken once, and given back', async () => {
    const first = await takeLockFile(folder);
    await expect(takeLockFile(folder)).rejects.toThrow(FolderTakenError);
    await first.release();
    expect(await readdir(folder)).toEqual([]);
    await (await takeLockFile(folder)).release();
  });

  it('of a process that is gone is taken over at once; an unreadable one after it was watched', async () => {
    const { pid } = spawnSync('true');
    const held = await takeLockFile(folder);
    const file = path.join(folder, 'in-use.json');
    const dead = { ...JSON.parse(await readFile(file, 'utf8')), token: 'gone', pid };
    await held.release();
    await writeFile(file, JSON.stringify(dead));
    const began = Date.now();
    await (await takeLockFile(folder)).release();
    await writeFile(file, '');
    await (await takeLockFile(folder)).release();
    // The second had to be watched for its whole time, so both together took longer than the watch of one.
    expect(Date.now() - began).toBeGreaterThan(7000);
    expect(await readdir(folder)).toEqual([]);
  });

  it('beats for somebody of another system, who is not taken for gone', async () => {
    const file = path.join(folder, 'in-use.json');
    let beat = 0;
    const write = () =>
      writeFile(file, JSON.stringify({ token: 'far', pid: 1, world: 'elsewhere', beat: beat++ }));
    await write();
    const timer = setInterval(() => void write(), 1000);
    await expect(takeLockFile(folder)).rejects.toThrow(/process 1\)/);
    clearInterval(timer);
  });

  it('tells its holder when the folder has become another’s', async () => {
    const file = path.join(folder, 'in-use.json');
    let tell: () => void = () => {};
    const lost = new Promise<void>((resolve) => (tell = resolve));
    const held = await takeLockFile(folder, () => tell());
    await rm(file);
    await writeFile(file, JSON.stringify({ token: 'another', pid: 1, world: 'elsewhere', beat: 0 }));
    await lost;
    await held.release();
    expect(JSON.parse(await readFile(file, 'utf8'))).toMatchObject({ token: 'another' });
  });

  it.skipIf(process.platform !== 'linux' || process.getuid?.() !== 0)(
    'holds under a second mount, where the socket has another name',
    async () => {
      const data = path.join(folder, 'data');
      const second = path.join(folder, 'second');
      await mkdir(data);
      await mkdir(second);
      expect(spawnSync('mount', ['--bind', data, second]).status).toBe(0);
      const server = spawnServer(data);
      try {
        expect(await server.first).toHaveProperty('address');
        const other = await spawnServer(second).first;
        expect(other).toMatchObject({ code: 1 });
        expect(other.said).toContain(`already open in another Zero Pour (process ${server.child.pid})`);
      } finally {
        server.child.kill('SIGKILL');
        spawnSync('umount', ['-l', second]);
      }
    },
  );
});

describe('the demo of another day', () => {
  const put = async (day: string): Promise<string> => {
    const demo = path.join(folder, 'demo');
    await mkdir(path.join(demo, 'database'), { recursive: true });
    await writeFile(path.join(demo, 'database', 'typed'), 'into it');
    await writeFile(path.join(demo, 'demo-day.txt'), day);
    await writeFile(path.join(demo, 'in-use.json'), '{}');
    return demo;
  };

  it('is moved aside whole, also a second time, and the new day begins empty', async () => {
    const demo = await put('2026-11-26');
    const aside = await prepareDemoFolder(demo, '2026-11-27');
    expect(aside).toBe(`${demo}-until-2026-11-27`);
    expect(await readFile(path.join(aside!, 'database', 'typed'), 'utf8')).toBe('into it');
    expect((await readdir(demo)).sort()).toEqual(['demo-day.txt', 'in-use.json']);
    expect(await prepareDemoFolder(demo, '2026-11-27')).toBeNull();
    await put('2026-11-20');
    expect(await prepareDemoFolder(demo, '2026-11-27')).toBe(`${demo}-until-2026-11-27-2`);
  });

  it('of the same day is left as it is; a folder that is no demo is refused and untouched', async () => {
    const demo = await put('2026-11-27');
    expect(await prepareDemoFolder(demo, '2026-11-27')).toBeNull();
    await rm(path.join(demo, 'demo-day.txt'));
    await expect(prepareDemoFolder(demo, '2026-11-27')).rejects.toThrow(FolderRefusedError);
    expect((await readdir(demo)).sort()).toEqual(['database', 'in-use.json']);
  });
});

describe('the log', () => {
  it('is folded into the tables when it has grown long, and only then', async () => {
    const { db } = await openDatabase({ folder: path.join(folder, 'database') });
    await db.exec(
      `CREATE TABLE filled AS SELECT repeat(md5(n::text), 100) AS text FROM generate_series(1, 2000) n`,
    );
    const before = await logBytes(db);
    expect(before).toBeGreaterThan(100_000);
    expect(await checkpointWhenLong(db, before + 1_000_000)).toBe(false);
    expect(await checkpointWhenLong(db, before / 2)).toBe(true);
    expect(await logBytes(db)).toBeLessThan(before / 10);
    await db.close();
  });

  it('is flushed: the database runs with its syncs on', async () => {
    const { db } = await openDatabase({ folder: path.join(folder, 'database') });
    const { rows } = await db.query<{ fsync: string }>('SHOW fsync');
    expect(rows[0]!.fsync).toBe('on');
    await db.close();
  });
});

describe('migrations', () => {
  /** What was put into two migrations after they had landed. */
  const ADDED: Record<string, readonly string[]> = {
    '0004_exposure.sql': [
      '  ADD COLUMN print_adds_mm numeric CHECK (print_adds_mm BETWEEN -1 AND 1),\n',
      ' "printAddsMm": null,',
    ],
    '0006_clean.sql': [" p.doc #>> '{brief,route}' AS route,"],
  };
  /** A migration as it first landed; its checksum says that it is the very one. */
  async function firstWording(name: string): Promise<string> {
    const { sql, landed } = (await readMigrations()).find((migration) => migration.name === name)!;
    const first = ADDED[name]!.reduce((text, added) => text.replace(added, ''), sql);
    expect(createHash('sha256').update(first).digest('hex')).toBe(landed[0]);
    return first;
  }

  it('are never reworded once they have landed', async () => {
    for (const { name, checksum, landed } of await readMigrations())
      expect({ name, isTheLanded: landed.at(-1) === checksum }).toEqual({ name, isTheLanded: true });
  });

  /** A database as an earlier commit made it, by the wording of the two that were reworded. */
  async function madeWith(worded: Record<string, string>, upTo: number): Promise<Database> {
    const db = pgliteDatabase(await PGlite.create());
    await db.exec(
      'CREATE TABLE migration (number integer PRIMARY KEY, name text NOT NULL, at timestamptz NOT NULL DEFAULT now())',
    );
    for (const { number, name, sql } of (await readMigrations()).filter((m) => m.number <= upTo)) {
      await db.exec(worded[name] ?? sql);
      await db.query('INSERT INTO migration (number, name) VALUES ($1, $2)', [number, name]);
    }
    return db;
  }

  it.each([
    ['0004_exposure.sql', 4],
    ['0006_clean.sql', 6],
  ])('catch up a folder made with the first wording of %s', async (name, upTo) => {
    const db = await madeWith({ [name]: await firstWording(name) }, upTo);
    await migrate(db, await readMigrations());
    expect((await readShopState(db)).unread).toEqual([]);
    expect(await listPouredPrints(db)).toEqual([]);
    await db.query('SELECT print_adds_mm FROM profile');
    await db.close();
  });

  it('refuse a folder whose steps are not the known ones, and leave it alone', async () => {
    const known = await readMigrations();
    const db = pgliteDatabase(await PGlite.create());
    await migrate(db, known);
    const other: Migration[] = known.map((m) =>
      m.number === 3 ? { ...m, checksum: 'changed', landed: [] } : m,
    );
    await expect(migrate(db, other)).rejects.toThrow(/step 0003_analysis.sql is not the one/);
    expect((await readShopState(db)).patterns).toEqual([]);
    await db.close();
  });
});
