import { z } from 'zod';
import { momentSchema } from './parts';

/** A backup that was made, opened and read whole. */
export const madeBackupSchema = z.strictObject({
  at: momentSchema,
  file: z.string(),
  /** Bytes of the zip. */
  size: z.number().int().nonnegative(),
  pours: z.number().int().nonnegative(),
  entries: z.number().int().nonnegative(),
  /** Files of bytes in it, and those that were damaged where they are kept. */
  bytes: z.number().int().nonnegative(),
  missing: z.number().int().nonnegative(),
  tookS: z.number().nonnegative(),
});
export type MadeBackup = z.infer<typeof madeBackupSchema>;

/** How it stands with backups: overdue and failed ones are told on the board. */
export const BACKUP_STANDINGS = ['off', 'none', 'failed', 'overdue', 'behind', 'current'] as const;
export type BackupStanding = (typeof BACKUP_STANDINGS)[number];

export const backupsSchema = z.strictObject({
  isOn: z.boolean(),
  /** Where they go; beside the shop's own files until somebody says where. */
  folder: z.string(),
  isOwnFolder: z.boolean(),
  standing: z.enum(BACKUP_STANDINGS),
  last: madeBackupSchema.nullable(),
  failed: z.strictObject({ at: momentSchema, why: z.string() }).nullable(),
  /** Since when something is kept that no backup holds; null: nothing is. */
  since: momentSchema.nullable(),
  isRunning: z.boolean(),
  /** Backups in the folder, the newest first. */
  kept: z.array(z.strictObject({ name: z.string(), at: momentSchema, size: z.number().int().nonnegative() })),
});
export type Backups = z.infer<typeof backupsSchema>;

export const setBackupsSchema = z.strictObject({
  isOn: z.boolean(),
  /** A whole path on the machine that serves the shop; null: beside the shop's own files. */
  folder: z.string().trim().min(1).max(1000).nullable(),
});
export const namedBackupSchema = z.strictObject({ name: z.string().min(1).max(100) });

/** What was found when everything that is kept was read and compared. */
export const lookedThroughSchema = z.strictObject({
  at: momentSchema,
  tookS: z.number().nonnegative(),
  /** Documents and files of bytes that were read. */
  documents: z.number().int().nonnegative(),
  files: z.number().int().nonnegative(),
  /** What does not read or is gone, each in a sentence; at most so many. */
  wrong: z.array(z.string()),
  wrongCount: z.number().int().nonnegative(),
});
export type LookedThrough = z.infer<typeof lookedThroughSchema>;

/** What the board says of safekeeping, where something is to be said. */
export const safetySchema = z.strictObject({
  standing: z.enum(BACKUP_STANDINGS),
  /** Why the last backup failed. */
  why: z.string().nullable(),
  since: momentSchema.nullable(),
  lastAt: momentSchema.nullable(),
  /** Things that are kept and cannot be read any more, and the first of them in a sentence. */
  wrongCount: z.number().int().nonnegative(),
  wrong: z.string().nullable(),
  /** The newest moment that something was kept at, where the machine's clock has not reached it. */
  keptAhead: momentSchema.nullable(),
});
export type Safety = z.infer<typeof safetySchema>;

export const aboutShopSchema = z.strictObject({
  version: z.string(),
  migration: z.number().int(),
  node: z.string(),
  database: z.strictObject({ kind: z.enum(['embedded', 'server']), version: z.string(), bytes: z.number() }),
  dataFolder: z.string(),
  startedAt: momentSchema,
  counts: z.record(z.string(), z.number().int()),
  blobs: z.strictObject({ count: z.number().int(), bytes: z.number() }),
  freeBytes: z.number(),
  /** Null until all was read once since the start. */
  looked: lookedThroughSchema.nullable(),
  /** Seconds that long computations took on the server, by name, the latest hundred of each. */
  jobs: z.array(
    z.strictObject({ name: z.string(), runs: z.number().int(), medianS: z.number(), longestS: z.number() }),
  ),
  backups: backupsSchema,
});
export type AboutShop = z.infer<typeof aboutShopSchema>;
