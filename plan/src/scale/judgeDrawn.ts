import {
  quantity,
  RING_SYSTEM_NAMES,
  ringSizesNear,
  say,
  type Judgement,
  type Phrase,
  type RingSystem,
} from '@zero-pour/core';
import type { DrawnSize } from './drawnSize';
import type { PlannedSize } from './plannedSize';

const mm = (value: number) => quantity(value, 'mm', 2);
const nameOf = ({ target }: PlannedSize): string => target.name || 'Size';

const ASSUMED: Partial<Record<DrawnSize['from'], string>> = {
  unread: 'the file is not read yet',
  'not found': 'no round bore was found in the file',
  unmeasured: 'it is not measured in the file',
};

/** Taken as drawn as wanted, and nobody has looked whether it is. */
export const isAssumed = ({ drawnFrom }: PlannedSize): boolean => ASSUMED[drawnFrom] !== undefined;

/** Sizes of which it is not known how the file has them: nothing can be said to hold. */
export function judgeAssumed(sizes: readonly PlannedSize[]): Judgement[] {
  return sizes.map((size) => ({
    rule: `drawn not known ${size.target.key}`,
    weight: 'watch',
    lead: `${nameOf(size)} in the file is not known.`,
    why: say`Taken as drawn at ${mm(size.drawnMm)}, as wanted: ${ASSUMED[size.drawnFrom]!}.${size.drawnFrom === 'unread' ? '' : ' Measure it on the model, or type what the file has.'}`,
  }));
}

/** "US 10¼ (19.99 mm)" where it was asked for as a ring size, else the length. */
function ringOr(diameterMm: number, { target }: PlannedSize, given?: string): Phrase {
  const system: RingSystem | undefined = target.ring?.system;
  const size = given ?? ringSizesNear(diameterMm).find((name) => name.system === system)?.size;
  return system && size ? say`${mm(diameterMm)}, ${RING_SYSTEM_NAMES[system]} ${size}` : [mm(diameterMm)];
}

/** A part that is scaled farther than this is another part: prongs, seats and walls no longer fit (shop default). */
const REDRAW_SHARE = 0.05;

/** Sizes that the file has otherwise than wanted: the whole part is printed larger or smaller for them. */
export function judgeDrawn(sizes: readonly PlannedSize[]): Judgement[] {
  return sizes
    .filter((size) => !isAssumed(size) && Math.abs(size.drawnMm - size.wantedMm) > size.scale.toleranceMm)
    .map((size) => ({
      rule: `drawn otherwise ${size.target.key}`,
      weight: 'watch',
      lead: `The file has another ${nameOf(size).toLowerCase()}.`,
      why: [
        'It is ',
        ...ringOr(size.drawnMm, size),
        '; you want ',
        ...ringOr(size.wantedMm, size, size.target.ring?.size),
        ...say`. Walls and all else change with it by ${quantity(100 * (size.wantedMm / size.drawnMm - 1), 'percent', 1)}.${Math.abs(size.wantedMm / size.drawnMm - 1) > REDRAW_SHARE ? ' Rather redraw it at that size.' : ''}`,
      ],
    }));
}
