import { Refusal } from '@zero-pour/contracts';
import { FolderRefusedError } from '../db/migrations';

/** The shop's database lost something: nothing is served from it before somebody decided how to go on. */
export class ShopDamagedError extends Error {
  override readonly name = 'ShopDamagedError';
  constructor(
    sentence: string,
    /** It opens, and what it still has can be gone on with. */
    readonly opens: boolean,
  ) {
    super(sentence);
  }
}

/** SQLSTATEs and words of a database whose files are not as it left them (PostgreSQL, appendix A: XX, 58P01, 58P02). */
const IN_ITS_CODE = /^(XX\w{3}|58P0[12])$/;
const IN_ITS_WORDS =
  /PGlite (is closed|failed)|failed to initialize|RuntimeError|Aborted\(|unreachable|exit\(|ExitStatus|could not (open|read|access)/i;

/** Whether an error means that files of the embedded database are damaged or gone. */
export function meansDamage(error: unknown): boolean {
  if (!(error instanceof Error)) return true;
  const { code } = error as { code?: unknown };
  return IN_ITS_CODE.test(String(code)) || IN_ITS_WORDS.test(`${error.name} ${error.message}`);
}

/** What the database says when its own files are not as it left them, in a sentence that a person can use; any other error as it is. */
export const asDamage = (error: unknown, folder: string): unknown =>
  error instanceof FolderRefusedError ||
  error instanceof ShopDamagedError ||
  error instanceof Refusal ||
  !meansDamage(error)
    ? error
    : new ShopDamagedError(
        `The shop’s database in ${folder} does not open: files of it are damaged, cut off or missing.`,
        false,
      );
