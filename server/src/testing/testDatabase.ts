import { connectToServer } from '../db/serverDatabase';

/** Address of a PostgreSQL server that tests may make databases on; without it they use the embedded one. */
const SERVER = process.env['ZP_TEST_DATABASE_URL'];

/** Runs statements that stand outside of any database of ours. */
async function onServer(statement: string): Promise<void> {
  const db = await connectToServer(SERVER!);
  await db.exec(statement).finally(() => db.close());
}

/** A new, empty database on the server under test; undefined where there is none. */
export async function createTestDatabase(name: string): Promise<string | undefined> {
  if (SERVER === undefined) return undefined;
  await onServer(`CREATE DATABASE ${name}`);
  const url = new URL(SERVER);
  url.pathname = `/${name}`;
  return url.href;
}

export const dropTestDatabase = (address: string): Promise<void> =>
  onServer(`DROP DATABASE ${new URL(address).pathname.slice(1)} WITH (FORCE)`);
