import { SHOP_KINDS, type FindHit } from '@zero-pour/contracts';
import { distance } from 'fastest-levenshtein';
import { escapeLike, type Queryable } from './database';

const LIMIT = 30;
/** Words are looked for one by one, each anywhere; more than this are a pasted text. */
const WORDS_MOST = 8;

const like = (word: string): string => `%${escapeLike(word)}%`;
/** Of every word a condition, with the word's own parameter. */
const all = (words: readonly string[], condition: (parameter: string, word: string) => string): string =>
  words.map((word, i) => `(${condition(`$${i + 1}`, word)})`).join(' AND ');
/** Whether "pour 22" has the word; put together and looked into for years of pours it took longer than all else. */
const inNumber = (parameter: string, word: string): string =>
  'pour'.includes(word) ? 'true' : /^\d+$/.test(word) ? `p.number::text LIKE ${parameter}` : 'false';

const NAMED_RECORDS = ['mold', 'recipe', 'metalLot'] as const;
const NOTED_RECORDS = ['sizeSeries', 'trial', 'testSetRun', 'cureTest'] as const;

/** Pours by number, pattern, metal, resin, flaws and notes: what they are called is gathered for those that are found alone. */
const poursSql = (words: readonly string[]): string => `
  SELECT 'pour' AS kind, p.id::text, 'Pour ' || p.number AS title,
    concat_ws(' · ', coalesce((SELECT string_agg(t.name, ', ' ORDER BY t.name) FROM pour_pattern pp JOIN pattern t ON t.id = pp.pattern_id
      WHERE pp.pour_id = p.id), p.doc #>> '{scrap,what}'), a.name) AS line, 1 AS rank, -p.number AS place
  FROM (SELECT * FROM pour p WHERE NOT p.discarded AND ${all(
    words,
    (
      word,
      typed,
    ) => `${inNumber(word, typed)} OR p.id IN (SELECT pour_id FROM pour_words WHERE words LIKE lower(${word}))
      OR p.alloy_id IN (SELECT id FROM alloy WHERE name ILIKE ${word})
      OR p.resin_id IN (SELECT id FROM resin WHERE name ILIKE ${word})
      OR p.id IN (SELECT pp.pour_id FROM pour_pattern pp JOIN pattern t ON t.id = pp.pattern_id WHERE t.name ILIKE ${word})`,
  )} ORDER BY p.number DESC LIMIT ${LIMIT}) p LEFT JOIN alloy a ON a.id = p.alloy_id`;

/** Everything else that has a name, a note or a text. */
const restSql = (words: readonly string[]): string =>
  [
    `SELECT 'pattern', id::text, name, file_name, 2, 0 FROM pattern
     WHERE ${all(words, (word) => `name ILIKE ${word} OR file_name ILIKE ${word} OR note ILIKE ${word}`)}`,
    ...SHOP_KINDS.map(
      (kind) => `SELECT '${kind}', id::text, name, left(note, 80), 3, 0 FROM ${kind}
       WHERE ${all(words, (word) => `name ILIKE ${word} OR note ILIKE ${word}`)}`,
    ),
    `SELECT kind, id::text, doc ->> 'name', left(coalesce(doc ->> 'note', ''), 80), 4, 0 FROM bench_record
     WHERE kind IN (${NAMED_RECORDS.map((kind) => `'${kind}'`).join(', ')})
       AND ${all(words, (word) => `doc ->> 'name' ILIKE ${word} OR doc ->> 'note' ILIKE ${word}`)}`,
    `SELECT 'slip', id::text, left(doc ->> 'text', 80), '', 5, 0 FROM bench_record
     WHERE kind = 'slip' AND ${all(words, (word) => `doc ->> 'text' ILIKE ${word}`)}`,
    `SELECT b.kind, b.id::text, r.name, left(coalesce(b.doc ->> 'note', ''), 80), 6, 0 FROM bench_record b
       JOIN resin r ON r.id = b.resin_id
     WHERE b.kind IN (${NOTED_RECORDS.map((kind) => `'${kind}'`).join(', ')})
       AND ${all(words, (word) => `r.name ILIKE ${word} OR b.doc ->> 'note' ILIKE ${word}`)}`,
  ].join(' UNION ALL ');

async function exactly(db: Queryable, words: readonly string[]): Promise<FindHit[]> {
  const { rows } = await db.query<FindHit & { id: string }>(
    `SELECT kind, id, title, coalesce(line, '') AS line FROM (
       ${poursSql(words)} UNION ALL ${restSql(words)}) AS hits (kind, id, title, line, rank, place)
     ORDER BY rank, place, title LIMIT ${LIMIT}`,
    words.map(like),
  );
  return rows;
}

/** Every word of a name and of what pours are found by. Asked for only where nothing was found. */
async function vocabulary(db: Queryable): Promise<string[]> {
  const names = [
    'SELECT name AS text FROM pattern',
    ...SHOP_KINDS.map((kind) => `SELECT name FROM ${kind}`),
    `SELECT coalesce(doc ->> 'name', doc ->> 'text') FROM bench_record`,
  ].join(' UNION ALL ');
  const { rows } = await db.query<{ text: string | null }>(`${names} UNION ALL SELECT word FROM known_word`);
  // Taken apart here: the database takes ten times as long for it.
  const all = rows.flatMap(({ text }) => text?.toLowerCase().split(/[^\p{L}\p{N}]+/u) ?? []);
  return [...new Set(all.filter((word) => word.length >= SHORTEST))];
}
/** A shorter word is too like too many. */
const SHORTEST = 4;
/** Letters that may be wrong, by the length of the word. */
const slips = (word: string): number => (word.length < SHORTEST ? 0 : word.length < 7 ? 1 : 2);

/** The word of the shop that is nearest to one that was typed; undefined where none is near enough. */
function nearest(word: string, known: readonly string[]): string | undefined {
  let best: string | undefined;
  let least = slips(word) + 1;
  for (const one of known) {
    if (Math.abs(one.length - word.length) >= least) continue;
    const apart = distance(word, one);
    if (apart < least) [best, least] = [one, apart];
  }
  return best;
}

/**
 * Pours, patterns, things and records that have all of the words, each anywhere in what they are called or what was noted. Where
 * nothing has them, words that are nearly those are taken, and told.
 */
export async function findByWords(
  db: Queryable,
  text: string,
): Promise<{ hits: FindHit[]; instead: string | null }> {
  const words = text.toLowerCase().split(/\s+/).filter(Boolean).slice(0, WORDS_MOST);
  if (words.length === 0) return { hits: [], instead: null };
  const hits = await exactly(db, words);
  if (hits.length > 0) return { hits, instead: null };
  const known = await vocabulary(db);
  const near = words.map((word) => (known.some((one) => one.includes(word)) ? word : nearest(word, known)));
  if (near.includes(undefined) || near.join(' ') === words.join(' ')) return { hits: [], instead: null };
  const nearly = await exactly(db, near as string[]);
  return { hits: nearly, instead: nearly.length > 0 ? near.join(' ') : null };
}
