import type { PourDoc } from '@zero-pour/contracts';
import type { CastLine } from './part';

/** What a pour is called: its patterns with counts. */
export function pourTitle({ parts, doc }: { parts: readonly CastLine[]; doc: PourDoc }): string {
  if (parts.length === 0 && doc.scrap?.what) return doc.scrap.what;
  if (parts.length === 0) return doc.brief.note?.split('\n')[0]?.slice(0, 60) ?? 'Nothing chosen yet';
  return parts
    .map(({ pattern, count }) => (count > 1 ? `${pattern.name} ×${count}` : pattern.name))
    .join(', ');
}
