import type { Segment } from '../burnout';

/** A segment of a programme: climb (null: as the kiln can), target (null: casting temperature), hold. */
export const segment = (rampCPerH: number | null, targetC: number | null, holdH: number): Segment => ({
  name: '',
  rampCPerH,
  targetC,
  holdH,
  flaskWay: 'button up',
  hands: [],
  note: '',
});
