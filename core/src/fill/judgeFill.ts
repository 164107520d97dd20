import type { Judgement } from '../judge';
import { quantity, say, type Phrase } from '../numeric';
import { FILL_LIMITS } from './fillByGates';
import type { FillOffers, FillReading, LastFilled } from './fillPart';

const mm = (value: number) => quantity(value, 'mm', 2);
const times = (value: number) => quantity(value, 'ratio', 1);

/** What of the offers there is, as one phrase. */
function waysOut({ flaskC, metalC, gate }: FillOffers): Phrase {
  const ways: Phrase[] = [];
  if (flaskC !== null) ways.push(say`a flask of ${quantity(flaskC, 'degC')}`);
  if (metalC !== null) ways.push(say`metal of ${quantity(metalC, 'degC')}`);
  if (gate)
    ways.push(say`one more gate of ${quantity(gate.diameterMm, 'mm', 1)} there (then ${times(gate.margin)})`);
  if (ways.length === 0) return say` Neither more heat nor one more gate there is enough: make it thicker.`;
  return [' Ways out: ', ...ways.flatMap((way, n) => (n > 0 ? [', or ', ...way] : way)), '.'];
}

const WHY: Record<LastFilled['because'], (last: LastFilled) => Phrase> = {
  late: ({ widthMm, margin }) =>
    say`Where it is ${mm(widthMm)} thick, the metal has ${times(margin)} times the time that it needs (${times(FILL_LIMITS.good)} wanted).`,
  narrow: ({ widthMm }) =>
    say`The pressure does not press metal through to where it is ${mm(widthMm)} thick: surface tension holds it out. More head, vacuum or a centrifuge.`,
  'no way': ({ widthMm }) =>
    say`No gate's metal leads to where it is ${mm(widthMm)} thick. Set a gate on that body.`,
};

/** Whether a part fills, by its last place. */
export function judgeFill({ last, offers }: FillReading): Judgement[] {
  const { margin } = last;
  if (margin >= FILL_LIMITS.good)
    return [{ rule: 'fill', weight: 'ok', lead: 'It fills.', why: WHY.late(last) }];
  const out = offers ? waysOut(offers) : [];
  return [
    {
      rule: 'fill',
      weight: margin >= FILL_LIMITS.least ? 'watch' : 'fix',
      lead: margin >= FILL_LIMITS.least ? 'It may fill late.' : 'It does not fill.',
      why: [...WHY[last.because](last), ...out],
    },
  ];
}
