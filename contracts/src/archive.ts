import { z } from 'zod';
import { kilnRunSchema } from './kilnRun';
import { hashSchema, idSchema, momentSchema } from './parts';
import { patternSchema } from './pattern';
import { pourSchema } from './pour/pour';
import { BENCH_RECORD_SCHEMAS, RECORD_KINDS, type RecordKind } from './record/kinds';
import { settingsSchema } from './settings';
import { SHOP_ITEM_SCHEMAS, SHOP_KINDS, shopKindSchema, type ShopKind } from './shop/kinds';
import { unreadSchema } from './unread';

/** A whole shop as one zip: JSON files, each of one kind, and bytes by their hash. See docs/formats.md. */
export const ARCHIVE_FORMAT = 'zero-pour/archive';
export const ARCHIVE_VERSION = 1;
/** The file that says what the others are; the first in the zip. */
export const HEAD_FILE = 'zero-pour.json';

/** Format and version alone, so that a newer file is told before anything else of it is read. */
export const headLineSchema = z.looseObject({ format: z.string(), version: z.number().int().positive() });

export const archiveHeadSchema = z.strictObject({
  format: z.literal(ARCHIVE_FORMAT),
  version: z.literal(ARCHIVE_VERSION),
  /** The highest number that was given to a pour, also one that is gone. */
  lastPour: z.number().int().nonnegative(),
  /** The JSON files that follow, each with how many entries it has. */
  files: z.record(z.string(), z.number().int().nonnegative()),
  /** Bytes by hash; `missing`: damaged or lost where the shop was kept, so that they are not in the zip. */
  bytes: z.array(
    z.strictObject({
      hash: hashSchema,
      bytes: z.number().int().nonnegative(),
      mediaType: z.string().max(100),
      missing: z.literal(true).optional(),
    }),
  ),
  /** Kept things that do not read; they stand in unread.json as they are, for a person. */
  unread: z.array(unreadSchema),
});
export type ArchiveHead = z.infer<typeof archiveHeadSchema>;

/** A record, and since when it is kept: lists are in that order. */
const keptRecord = (kind: RecordKind) =>
  z.strictObject({ createdAt: momentSchema, record: BENCH_RECORD_SCHEMAS[kind] as z.ZodType });
export interface KeptRecord {
  createdAt: string;
  record: { id: string };
}

const historySchema = z.strictObject({
  kind: shopKindSchema,
  itemId: idSchema,
  at: momentSchema,
  before: z.record(z.string(), z.unknown()),
});
export type KeptHistory = z.infer<typeof historySchema>;

const seconds = z.array(z.number().nonnegative());
const keptRunSchema = z
  .strictObject({
    run: kilnRunSchema,
    atS: seconds,
    tempC: z.array(z.number()),
    setC: z.array(z.number().nullable()),
  })
  .refine(({ atS, tempC, setC }) => tempC.length === atS.length && setC.length === atS.length, {
    message: 'a temperature and a set point for every time',
  });
export type KeptRun = z.infer<typeof keptRunSchema>;

/** What each JSON file of the zip holds: one document, or a list of them. */
export type ArchivePart =
  | { of: 'settings' | 'patterns' | 'history' | 'pour' | 'run' }
  | { of: 'things'; kind: ShopKind }
  | { of: 'records'; kind: RecordKind };

const numbered = (number: number): string => String(number).padStart(5, '0');
/** Where a part stands in the zip. */
export const archivePath = {
  settings: 'settings.json',
  patterns: 'patterns.json',
  history: 'history.json',
  unread: 'unread.json',
  things: (kind: ShopKind): string => `things/${kind}.json`,
  records: (kind: RecordKind): string => `records/${kind}.json`,
  pour: (number: number): string => `pours/${numbered(number)}.json`,
  run: (id: string): string => `kiln-runs/${id}.json`,
  bytes: (hash: string): string => `bytes/${hash}`,
};

/** What a file of the zip is, by where it stands; undefined for one that no archive has. */
export function archivePart(path: string): ArchivePart | undefined {
  if (path === archivePath.settings) return { of: 'settings' };
  if (path === archivePath.patterns) return { of: 'patterns' };
  if (path === archivePath.history) return { of: 'history' };
  if (/^pours\/\d{5,9}\.json$/.test(path)) return { of: 'pour' };
  if (/^kiln-runs\/[0-9a-f-]{36}\.json$/.test(path)) return { of: 'run' };
  const thing = SHOP_KINDS.find((kind) => path === archivePath.things(kind));
  if (thing) return { of: 'things', kind: thing };
  const record = RECORD_KINDS.find((kind) => path === archivePath.records(kind));
  return record && { of: 'records', kind: record };
}

/** The schema of what a part holds. */
export function archiveSchema(part: ArchivePart): z.ZodType {
  switch (part.of) {
    case 'settings':
      return settingsSchema;
    case 'patterns':
      return z.array(patternSchema);
    case 'history':
      return z.array(historySchema);
    case 'pour':
      return pourSchema;
    case 'run':
      return keptRunSchema;
    case 'things':
      return z.array(SHOP_ITEM_SCHEMAS[part.kind] as z.ZodType);
    case 'records':
      return z.array(keptRecord(part.kind));
  }
}
