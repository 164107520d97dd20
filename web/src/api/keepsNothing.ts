import type { ErrorCode } from '@zero-pour/contracts';
import { shallowRef } from 'vue';

/** Why Zero Pour, which does answer, keeps nothing that is sent: in its own words. Undefined while it keeps, or is not there at all. */
export const keepsNothing = shallowRef<string>();

const WHY: ReadonlySet<string> = new Set<ErrorCode>(['DISK_FULL', 'FOLDER_NOT_WRITTEN', 'DATABASE_STOPPED']);

/** Told of every answer to what was to be kept: of a refusal, or of none. */
export function heardOfKeeping(refusal?: { code: string; message: string }): void {
  if (!refusal) keepsNothing.value = undefined;
  else if (WHY.has(refusal.code)) keepsNothing.value = refusal.message;
}
