/**
 * Which state of a whole thing this window has seen, by the address it is kept at: sent along with what is written over
 * it, so that what somebody else changed meanwhile is never written over unseen.
 */
const seen = new Map<string, number>();

export const revisionAt = (at: string): number | undefined => seen.get(at);
export const learnRevision = (at: string, revision: number): void => void seen.set(at, revision);
export function learnRevisions(all: Readonly<Record<string, number>>): void {
  for (const [at, revision] of Object.entries(all)) seen.set(at, revision);
}
