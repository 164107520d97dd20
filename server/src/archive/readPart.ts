import type { ArchivePart } from '@zero-pour/contracts';

/** One file of an archive, read and found to be what it should. */
export interface ReadPart {
  path: string;
  part: ArchivePart;
  content: unknown;
  /** For the line and column of what turns out to be wrong later. */
  text: string;
}
