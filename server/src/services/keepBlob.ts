import type { Queryable } from '../db/database';
import type { BlobFiles } from '../files/blobFiles';

/** Keeps bytes under their hash; bytes that are kept already are not read again. Returns their count. */
export async function keepBlob(
  db: Queryable,
  files: BlobFiles,
  hash: string,
  mediaType: string,
  bytes: AsyncIterable<Uint8Array>,
): Promise<number> {
  const present = await files.size(hash);
  const count = present ?? (await files.keep(hash, bytes));
  await db.query(
    'INSERT INTO blob (hash, bytes, media_type) VALUES ($1, $2, $3) ON CONFLICT (hash) DO NOTHING',
    [hash, count, mediaType],
  );
  return count;
}

export async function blobMediaType(db: Queryable, hash: string): Promise<string | undefined> {
  const { rows } = await db.query<{ media_type: string }>('SELECT media_type FROM blob WHERE hash = $1', [
    hash,
  ]);
  return rows[0]?.media_type;
}
