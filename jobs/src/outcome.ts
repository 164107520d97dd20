import { MeshFileError, type MeshErrorCode } from '@zero-pour/core';
import type { JobResult } from './job';

/** What comes out of a runner that stands behind a border: errors do not cross it with what they carry. */
export type RunOutcome =
  | { status: 'done'; output: unknown; blobs: [string, Uint8Array<ArrayBuffer>][] }
  | { status: 'refused'; code: MeshErrorCode; detail: Readonly<Record<string, string | number>> };

/** What an outcome stands for: its result, or the file's fault as it was thrown. */
export function resultOf(outcome: RunOutcome): JobResult<unknown> {
  if (outcome.status === 'refused') throw new MeshFileError(outcome.code, outcome.detail);
  return { output: outcome.output, blobs: new Map(outcome.blobs) };
}
