import type { Judgement } from '../judge';
import { formatQuantity, METRIC, quantity, requirePositive, say } from '../numeric';

/** A weight so far from what the volume says, either way, is told (shop default: file, print and scale together). */
const OFF = 0.06;
/** Factors by which a number is wrong when its unit or its point is: a pennyweight is 1.555 g. */
const SLIPS = [
  { factor: 10, what: 'ten times' },
  { factor: 1.55517384, what: '1.555 times' },
] as const;
const SLIP_WITHIN = 0.05;

/**
 * A casting's weight against ρ·V·Π(1+e)³, stubs counted (handbook 08): as it should be, well over, well under, or off by what a
 * slip of point or unit makes. Nothing while it is not weighed. `volumeGuessed`: the file is not closed, so that its volume is an estimate.
 * @throws {InputError} when nothing is expected of it
 */
export function judgeCastWeight(
  weightG: number | undefined,
  expected: { castingG: number; stubsG: number; volumeGuessed?: boolean },
): Judgement[] {
  if (weightG === undefined) return [];
  const { stubsG, volumeGuessed = false } = expected;
  const most = requirePositive('castingG', expected.castingG) + stubsG;
  const one = (
    weight: Judgement['weight'],
    lead: string,
    more: string,
    rule = 'cast weight',
  ): Judgement[] => [
    { rule, weight, lead, why: [...say`${quantity(weightG, 'g', 2)} weighed; ${quantity(expected.castingG, 'g', 2)} by its volume${stubsG > 0 ? `, ${formatQuantity({ value: stubsG, unit: 'g', digits: 2 }, METRIC)} more with its stubs` : ''}.`, more] }, // prettier-ignore
  ];
  const ratio = weightG / expected.castingG;
  for (const { factor, what } of SLIPS)
    for (const by of [factor, 1 / factor])
      if (Math.abs(ratio / by - 1) < SLIP_WITHIN)
        return one('fix', 'Which unit is that?', ` It is ${by > 1 ? what : `${what} less than`} ${by > 1 ? 'what its volume says' : 'its volume'}: is the point right, and are they grams?`, 'cast weight unit'); // prettier-ignore
  if (volumeGuessed)
    return one('watch', 'Nothing to hold it against.', ' The file is not closed: its volume is an estimate.');
  if (weightG > most * (1 + OFF))
    return one('watch', 'Heavier than its volume.', ' Plaster in places too fine for a needle, or stubs: clean, dry, weigh again until it stays.'); // prettier-ignore
  if (weightG < expected.castingG * (1 - OFF))
    return one('watch', 'Lighter than its volume.', ' Misrun, or pores inside: look at thin ends, and saw one through.'); // prettier-ignore
  return one('ok', 'As heavy as its volume says.', '');
}
