import { Refusal } from '@zero-pour/contracts';

/** What express itself throws while it reads an address or a body. */
function fromHttp(error: { type?: string; status?: number }): Refusal | null {
  if (error.status === 404) return new Refusal('NOT_FOUND', { what: 'such address' });
  if (error.type === 'entity.too.large') return new Refusal('BODY_TOO_LARGE', { limit: '2 MB' });
  if (error.type !== undefined) return new Refusal('BODY_UNREADABLE');
  if (error instanceof URIError) return new Refusal('NOT_FOUND', { what: 'such address' });
  return null;
}

/** Values that the database cannot hold, though they passed the schema: by SQLSTATE (PostgreSQL, appendix A). */
const NOT_HELD: Record<string, string> = {
  '22003': 'a number that is too large',
  '22007': 'a date or time that cannot be',
  '22008': 'a date or time that cannot be',
  '22021': 'a character that cannot be kept',
  '22P02': 'something that is not what its field takes',
  '22P05': 'a character that cannot be kept',
  '23502': 'something that must not be missing',
  '23514': 'a number outside what is possible',
  '54000': 'more than can be kept',
};

function fromSqlState(code: string): Refusal | null {
  if (code in NOT_HELD) return new Refusal('BAD_REQUEST', { where: 'the whole', why: NOT_HELD[code] ?? '' });
  if (code === '53100') return new Refusal('DISK_FULL');
  if (/^(40|53|55|57)/.test(code)) return new Refusal('BUSY');
  if (code === '58030') return new Refusal('FOLDER_NOT_WRITTEN', { what: 'input or output error' });
  return null;
}

/** What a file or a folder answered (errno names of POSIX). */
function fromFile(code: string): Refusal | null {
  if (code === 'ENOSPC' || code === 'EDQUOT') return new Refusal('DISK_FULL');
  if (['EACCES', 'EPERM', 'EROFS', 'EIO', 'EMFILE', 'ENFILE', 'ENOENT'].includes(code))
    return new Refusal('FOLDER_NOT_WRITTEN', { what: code });
  return null;
}

/** The embedded database after it gave itself up: it answers nothing any more until it is opened again. */
const HAS_STOPPED = /PGlite (is closed|failed)|RuntimeError|Aborted\(|unreachable|exit\(/i;
/** A database server that went away, or was never there. */
const IS_AWAY = /^(ECONNREFUSED|ECONNRESET|ENOTFOUND|ETIMEDOUT|EPIPE|57P0[123]|08\w{3})$/;
const LOST_CONNECTION = /Connection terminated|timeout exceeded when trying to connect/;

/** The refusal that an error means to whoever asked, or null when nobody foresaw it. */
export function asRefusal(error: unknown): Refusal | null {
  if (error instanceof Refusal) return error;
  if (!(error instanceof Error)) return null;
  // What express and its file server say of an address comes with a code of the file system too: it is not ours.
  const http = fromHttp(error as never);
  if (http) return http;
  const { code } = error as { code?: unknown };
  if (IS_AWAY.test(String(code)) || LOST_CONNECTION.test(error.message))
    return new Refusal('DATABASE_STOPPED');
  const known = typeof code === 'string' ? (fromSqlState(code) ?? fromFile(code)) : null;
  if (known) return known;
  if (HAS_STOPPED.test(`${error.name} ${error.message}`)) return new Refusal('DATABASE_STOPPED');
  return null;
}
