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
  const no = (r: typeof now, than: typeof now): boolean =>
    r.peel <= than.peel * AS_BEFORE && r.hang <= than.hang * AS_BEFORE;
  // Every plate that says something of this one: those that carried as much and held, those that carried no more and fell.
  const held = record.filter((plate) => plate.held && no(now, ratios(plate))).length;
  const fell = record.filter((plate) => !plate.held && no(ratios(plate), now)).length;
  const figures = say`The film pulls at ${quantity(load.peakMm2, 'mm2', 0)}, ${quantity(load.heldMm2, 'mm2', 0)} hold it; ${quantity(load.hangingG, 'g', 1)} hang there.`;
  const judge = (weight: Judgement['weight'], lead: string, more: string): Judgement => ({
    rule: 'adhesion',
    weight,
    lead,
    why: [...figures, ` ${more}`],
  });
  const plates = (n: number): string => `${n} ${n === 1 ? 'plate' : 'plates'}`;
  if (held > 0 && fell === 0)
    return judge('ok', 'Held before.', `${plates(held)} that carried as much held here.`);
  if (fell > 0 && held === 0)
    return judge(
      'fix',
      'As much fell off before.',
      `${plates(fell)} that carried no more came off here. ${REMEDY}`,
    );
  if (fell > 0)
    return judge(
      fell >= held ? 'fix' : 'watch',
      'Some held, some fell.',
      `Of such plates here ${held} held and ${fell} came off, though they carried no more. ${REMEDY}`,
    );
  if (now.peel > PEEL_WATCH || now.hang > HANG_WATCH_G_PER_CM2)
    return judge('watch', 'Little holds it.', `More than has been seen to hold here. ${REMEDY}`);
  return judge('ok', 'Enough holds it.', 'Within what usually holds.');
}
