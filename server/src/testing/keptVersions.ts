import { readdirSync, readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { gunzipSync } from 'node:zlib';

/** All rows of a shop's database as a released version left them; tables that others point to come first. */
export interface KeptVersion {
  /** The last step that the version had. */
  migration: number;
  tables: { table: string; rows: object[] }[];
}

const FIXTURES = fileURLToPath(new URL('../../fixtures/', import.meta.url));

/** Every version that was kept, oldest first. */
export const keptVersions = (): KeptVersion[] =>
  readdirSync(FIXTURES)
    .filter((name) => /^rows-\d{4}\.json\.gz$/.test(name))
    .sort()
    .map((name) => JSON.parse(gunzipSync(readFileSync(FIXTURES + name)).toString('utf8')) as KeptVersion);
