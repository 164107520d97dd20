import { fsyncSync } from 'node:fs';
import { PGlite } from '@electric-sql/pglite';
import { NodeFS } from '@electric-sql/pglite/nodefs';

/** The part of the database's own file layer that is mended here. */
interface FileLayer {
  NODEFS: {
    stream_ops: { fsync?: (stream: { nfd: number }) => number };
    tryFSOperation<T>(operation: () => T): T;
  };
}
type InitArguments = Parameters<NodeFS['init']>;

/**
 * The database's files in a folder, with a real fsync.
 *
 * As it ships, the embedded PostgreSQL is started with -F and its file layer has no `fsync`, so nothing is ever
 * flushed and a power cut leaves a folder that does not open. The file layer asks each stream for an `fsync` and takes
 * a missing one for success: given one, PostgreSQL's own order holds again. The log is flushed before a commit is
 * answered, data before a checkpoint is recorded, folders after a rename (docs/decisions/0004).
 */
export class SyncedFiles extends NodeFS {
  override async init(...[pg, options]: InitArguments): ReturnType<NodeFS['init']> {
    const { emscriptenOpts } = await super.init(pg, options);
    const giveFsync = (module: unknown): void => {
      const { NODEFS } = module as FileLayer;
      NODEFS.stream_ops.fsync = ({ nfd }) => {
        NODEFS.tryFSOperation(() => fsyncSync(nfd));
        return 0;
      };
    };
    return { emscriptenOpts: { ...emscriptenOpts, preRun: [...(emscriptenOpts.preRun ?? []), giveFsync] } };
  }
}

/** PostgreSQL's usual start without -F; the log is flushed by the one call that the file layer has. */
export const SYNCED_START = [
  ...PGlite.defaultStartParams.filter((parameter) => parameter !== '-F'),
  ...['-c', 'wal_sync_method=fsync'],
];
