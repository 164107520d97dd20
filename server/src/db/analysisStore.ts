import { Refusal, type KeptAnalysis, type KnownPart, type Pattern } from '@zero-pour/contracts';
import { classifyPart } from '@zero-pour/core';
import type { Queryable } from './database';

interface Row {
  version: number;
  result: KeptAnalysis['result'];
  shapeHash: string | null;
}

/** The analysis of a pattern's bytes by the given version of the reading, or null. */
export async function findAnalysis(
  db: Queryable,
  pattern: Pattern,
  version: number,
): Promise<KeptAnalysis | null> {
  const { rows } = await db.query<Row>(
    `SELECT version, result, shape_hash AS "shapeHash" FROM pattern_analysis
     WHERE file_hash = $1 AND unit_mm = $2 AND version = $3`,
    [pattern.fileHash, pattern.measure.unitMm, version],
  );
  const row = rows[0];
  if (!row) return null;
  const result =
    row.result.status === 'analysed'
      ? { ...row.result, shapeHash: row.shapeHash ?? row.result.shapeHash }
      : row.result;
  return { version: row.version, measure: pattern.measure, result };
}

/**
 * Keeps an analysis in place of an older one, and its measure with every pattern of the same bytes and unit.
 * Its shape's bytes must be kept already.
 */
export async function keepAnalysis(db: Queryable, pattern: Pattern, kept: KeptAnalysis): Promise<void> {
  const shapeHash = kept.result.status === 'analysed' ? kept.result.shapeHash : null;
  if (shapeHash !== null) {
    const { rows } = await db.query('SELECT 1 FROM blob WHERE hash = $1', [shapeHash]);
    if (rows.length === 0) throw new Refusal('NOT_FOUND', { what: 'file with these bytes' });
  }
  await db.query(
    `INSERT INTO pattern_analysis (file_hash, unit_mm, version, result, shape_hash) VALUES ($1, $2, $3, $4, $5)
     ON CONFLICT (file_hash, unit_mm) DO UPDATE
     SET version = excluded.version, result = excluded.result, shape_hash = excluded.shape_hash, made_at = now()
     WHERE pattern_analysis.version <= excluded.version`,
    [pattern.fileHash, pattern.measure.unitMm, kept.version, JSON.stringify(kept.result), shapeHash],
  );
  await db.query(
    `UPDATE pattern SET measure = $3 WHERE file_hash = $1 AND (measure ->> 'unitMm')::double precision = $2`,
    [pattern.fileHash, pattern.measure.unitMm, JSON.stringify(kept.measure)],
  );
}

/** Analysed patterns with their thinnest place, and what became of their castings. */
export async function listKnownParts(db: Queryable): Promise<KnownPart[]> {
  const { rows } = await db.query<Omit<KnownPart, 'partClass'> & { histogram: number[] }>(
    `SELECT p.id AS "patternId",
       a.result #> '{analysis,thickness,histogramMm3}' AS histogram,
       (a.result #>> '{analysis,thickness,thinnestMm}')::double precision AS "thinnestMm",
       count(c.outcome)::integer AS castings,
       count(*) FILTER (WHERE EXISTS (
         SELECT 1 FROM jsonb_array_elements(c.data -> 'flaws') f
         WHERE f.value ->> 'kind' IN ('broken-away detail', 'misrun')))::integer AS broke,
       count(*) FILTER (WHERE c.outcome = 'sellable')::integer AS clean
     FROM pattern p
     JOIN pattern_analysis a ON a.file_hash = p.file_hash
       AND a.unit_mm = (p.measure ->> 'unitMm')::double precision
     LEFT JOIN pattern_casting c ON c.pattern_id = p.id
     WHERE a.result #>> '{analysis,thickness,thinnestMm}' IS NOT NULL
     GROUP BY p.id, a.result
     ORDER BY "thinnestMm"`,
  );
  return rows.map(({ histogram, ...part }) => ({ ...part, partClass: classifyPart(histogram).partClass }));
}
