import { wantedMm, type SizeTarget } from '@zero-pour/contracts';
import { patternJob, pieceOf } from '@zero-pour/jobs';
import type { PourContext } from '../context';
import type { Part } from '../part';

/** A size as the file has it, and how that is known. */
export interface DrawnSize {
  mm: number;
  /** Its direction in the file's axes, where it is known. */
  along?: SizeTarget['along'];
  /**
   * *typed*, or *printed*: as it was when the print was started; *file*: read of it; *no file*: there is none yet, so it
   * will be drawn as wanted; else it is taken as drawn as wanted, and nobody has looked (*unread*), the file has no such
   * hole (*not found*) or nothing measures such a size by itself (*unmeasured*).
   */
  from: 'typed' | 'printed' | 'file' | 'no file' | 'unread' | 'not found' | 'unmeasured';
}

export const partOfSize = ({ parts }: PourContext, { lineKey }: SizeTarget): Part | undefined =>
  lineKey === null ? parts[0] : parts.find(({ key }) => key === lineKey);

/** Sizes of files are told to the thousandth. */
const tidy = (mm: number): number => Math.round(mm * 1000) / 1000;

/** How large a wanted size is in the file: what was typed, what was printed, or what the file's own reading says. */
export function drawnSize(context: PourContext, target: SizeTarget): DrawnSize {
  if (target.drawnMm !== undefined) return { mm: target.drawnMm, along: target.along, from: 'typed' };
  const printed = context.doc.scale.printedAs?.drawn?.[target.key];
  if (printed) return { mm: printed.mm, along: target.along ?? printed.along, from: 'printed' };
  const asWanted = (from: DrawnSize['from']): DrawnSize => ({
    mm: wantedMm(target),
    along: target.along,
    from,
  });
  const part = partOfSize(context, target);
  if (!part) return asWanted('no file');
  if (target.of !== 'bore') return asWanted('unmeasured');
  const reading = context.readings.of(patternJob, pieceOf(part.pattern));
  if (reading.status !== 'known') return asWanted('unread');
  const { result } = reading.value;
  const bore = result.status === 'analysed' ? result.analysis.bore : null;
  return bore
    ? { mm: tidy(bore.diameterMm), along: target.along ?? bore.axis, from: 'file' }
    : asWanted('not found');
}
