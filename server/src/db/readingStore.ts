import { Refusal, type KnownPart } from '@zero-pour/contracts';
import { classifyPart } from '@zero-pour/core';
import type { Queryable } from './database';

/** What a job said of an input, as it is kept. */
export interface KeptReading {
  key: string;
  job: string;
  version: number;
  input: unknown;
  output: unknown;
  /** Bytes that the output names. */
  blobs: readonly string[];
}

/** The output under a key, or undefined. */
export async function findReading(db: Queryable, key: string): Promise<unknown> {
  const { rows } = await db.query<{ output: unknown }>('SELECT output FROM reading WHERE key = $1', [key]);
  return rows[0]?.output;
}

/** Keeps a reading; its bytes must be kept already. The same key always says the same: what is there stays. */
export async function keepReading(db: Queryable, reading: KeptReading): Promise<void> {
  const { key, job, version, input, output, blobs } = reading;
  const { rows } = await db.query<{ n: number }>(
    'SELECT count(*)::integer AS n FROM blob WHERE hash = ANY($1)',
    [blobs],
  );
  if (rows[0]!.n < blobs.length) throw new Refusal('NOT_FOUND', { what: 'file with these bytes' });
  await db.query(
    'INSERT INTO reading (key, job, version, input, output) VALUES ($1, $2, $3, $4, $5) ON CONFLICT (key) DO NOTHING',
    [key, job, version, JSON.stringify(input), JSON.stringify(output)],
  );
  await db.query(
    'INSERT INTO reading_blob (key, hash) SELECT $1, unnest($2::text[]) ON CONFLICT DO NOTHING',
    [key, blobs],
  );
}

/** Keeps only the newest readings of a job of one file. */
export async function pruneReadings(db: Queryable, job: string, file: string, keep: number): Promise<void> {
  await db.query(
    `DELETE FROM reading WHERE key IN (
       SELECT key FROM reading WHERE job = $1 AND coalesce(input ->> 'file', input #>> '{part,file}', input #>> '{parts,0,part,file}') = $2
       ORDER BY made_at DESC, key OFFSET $3)`,
    [job, file, keep],
  );
}

/** The measure that was read with an analysis belongs to all patterns of the same bytes and unit. */
export async function keepMeasure(db: Queryable, file: string, measure: { unitMm: number }): Promise<void> {
  await db.query(
    `UPDATE pattern SET measure = $3 WHERE file_hash = $1 AND (measure ->> 'unitMm')::double precision = $2`,
    [file, measure.unitMm, JSON.stringify(measure)],
  );
}

/** Flaws that tell that a part was too thin for what was cast. */
const BREAKS = ['broken-away detail', 'misrun'];

/** Analysed patterns with their thinnest place, and what became of their castings. */
export async function listKnownParts(db: Queryable): Promise<KnownPart[]> {
  const { rows } = await db.query<Omit<KnownPart, 'partClass'> & { histogram: number[] }>(
    `WITH casting AS (
       SELECT pattern_id, count(*)::integer AS castings, count(*) FILTER (WHERE flaws && $1)::integer AS broke,
         count(*) FILTER (WHERE outcome = 'sellable')::integer AS clean
       FROM told_casting GROUP BY pattern_id
     )
     SELECT p.id AS "patternId", a.histogram_mm3 AS histogram, a.thinnest_mm AS "thinnestMm",
       coalesce(c.castings, 0) AS castings, coalesce(c.broke, 0) AS broke, coalesce(c.clean, 0) AS clean
     FROM pattern p
     JOIN LATERAL (
       SELECT r.thinnest_mm, r.histogram_mm3 FROM reading r
       WHERE r.job = 'pattern' AND r.of_file = coalesce(p.piece_hash, p.file_hash)
         AND r.unit_mm = (coalesce(p.sprues -> 'piece', p.measure) ->> 'unitMm')::double precision
       ORDER BY r.version DESC LIMIT 1) a ON true
     LEFT JOIN casting c ON c.pattern_id = p.id
     WHERE a.thinnest_mm IS NOT NULL
     ORDER BY "thinnestMm", p.id`,
    [BREAKS],
  );
  return rows.map(({ histogram, ...part }) => ({ ...part, partClass: classifyPart(histogram).partClass }));
}
