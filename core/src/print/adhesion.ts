import type { Judgement } from '../judge';
import { quantity, requireNumber, requirePositive, say } from '../numeric';

/** What hangs on the plate, and by what. */
export interface PlateLoad {
  /** Parts with their supports, g. */
  hangingG: number;
  /** Largest layer of all parts together: what the film pulls at, mm². */
  peakMm2: number;
  /** What sticks to the plate, mm²: first layers, or the raft. */
  heldMm2: number;
}

/** A plate of the record: what it carried, and whether it held. */
export interface HeldPlate extends PlateLoad {
  held: boolean;
}

/** Peel area over held area from which the first plates of a resin are watched (shop default). */
const PEEL_WATCH = 4;
/** Hanging mass on the held area, g/cm² (shop default). */
const HANG_WATCH_G_PER_CM2 = 12;
/** Above what has held by this share is still "as before". */
const AS_BEFORE = 1.1;

const ratios = ({ hangingG, peakMm2, heldMm2 }: PlateLoad) => ({
  peel: requireNumber('peakMm2', peakMm2, 0) / requirePositive('heldMm2', heldMm2),
  hang: requireNumber('hangingG', hangingG, 0) / (heldMm2 / 100),
});

const REMEDY = 'A raft, a larger base, a priming coat, or fewer parts.';

/**
 * Whether the first layer carries the plate: pull and mass against the area that sticks, beside what has held on this
 * printer with this resin (handbook 04, "Adhesion").
 */
export function judgeAdhesion(load: PlateLoad, record: readonly HeldPlate[]): Judgement {
  const now = ratios(load);
  const held = record.filter((plate) => plate.held).map(ratios);
  const fell = record.filter((plate) => !plate.held).map(ratios);
  const most = {
    peel: Math.max(0, ...held.map((r) => r.peel)),
    hang: Math.max(0, ...held.map((r) => r.hang)),
  };
  const figures = say`The film pulls at ${quantity(load.peakMm2, 'mm2', 0)}, ${quantity(load.heldMm2, 'mm2', 0)} hold it; ${quantity(load.hangingG, 'g', 1)} hang there.`;
  const judge = (weight: Judgement['weight'], lead: string, more: string): Judgement => ({
    rule: 'adhesion',
    weight,
    lead,
    why: [...figures, ` ${more}`],
  });
  if (held.length > 0 && now.peel <= most.peel * AS_BEFORE && now.hang <= most.hang * AS_BEFORE)
    return judge('ok', 'Held before.', 'No more than a plate of this resin held here.');
  if (fell.some((r) => now.peel >= r.peel && now.hang >= r.hang))
    return judge('fix', 'More than fell off.', `A plate that carried no more came off here. ${REMEDY}`);
  if (now.peel > PEEL_WATCH || now.hang > HANG_WATCH_G_PER_CM2)
    return judge('watch', 'Little holds it.', `More than has been seen to hold here. ${REMEDY}`);
  return judge('ok', 'Enough holds it.', 'Within what usually holds.');
}
