import type { Judgement } from '../judge';
import { quantity, say, type Phrase } from '../numeric';

/** Plate of a printer, mm. */
export interface Plate {
  name: string;
  plateXMm: number;
  plateYMm: number;
  plateZMm: number;
}

/** A wall under this lets the halves bend apart where they are clamped (*shop default*, ours). mm. */
const WALL_LEAST_MM = 4;

/** A block against the plates that there are, lying on its outside either way round, and its thinnest wall. */
export function judgeBlock(
  { sizeMm, thinnestMm }: { sizeMm: readonly [number, number, number]; thinnestMm: number },
  plates: readonly Plate[],
): Judgement[] {
  const [x, y, z] = sizeMm;
  const [long, wide] = [Math.max(x, y), Math.min(x, y)];
  const fits = plates.filter(
    ({ plateXMm: a, plateYMm: b, plateZMm }) =>
      long <= Math.max(a, b) && wide <= Math.min(a, b) && z <= plateZMm,
  );
  const mm = (value: number) => quantity(value, 'mm', 1);
  const size = (then: string): Phrase => say`${mm(x)} by ${mm(y)} by ${mm(z)}${then}`;
  const out: Judgement[] = [];
  const add = (rule: string, weight: Judgement['weight'], lead: string, why: Phrase): void =>
    void out.push({ rule, weight, lead, why });
  if (plates.length === 0)
    add('plate', 'watch', 'No printer on record.', size(': whether it goes on a plate, nobody can say.'));
  else if (fits.length === 0)
    add('plate', 'fix', 'Larger than any plate.', size('. Thinner walls, the part in pieces, or rubber.'));
  else add('plate', 'ok', 'It goes on a plate.', size(`, on ${fits.map(({ name }) => name).join(', ')}.`));
  if (thinnestMm < WALL_LEAST_MM)
    add(
      'mold wall',
      'watch',
      'A thin wall.',
      say`${mm(thinnestMm)} between what is cut out and the outside: it bends where it is clamped.`,
    );
  return out;
}
