import type { Judgement } from '../judge';
import { quantity, say, type Phrase } from '../numeric';
import { FILL_LIMITS } from './fillByGates';
import type { FillOffers, FillReading, LastFilled } from './fillPart';

const mm = (value: number) => quantity(value, 'mm', 2);
const times = (value: number) => quantity(value, 'ratio', 1);

/** The hottest that alloy and class want; hotter is offered with what it does. */
export interface FillLimits {
  flaskHighC: number;
  metalHighC: number;
  /** Figures of the melt came from its composition. */
  estimated: boolean;
}

/** What of the offers there is, as one phrase, each with what it worsens. */
function waysOut({ flaskC, metalC, gate }: FillOffers, { flaskHighC, metalHighC }: FillLimits): Phrase {
  const over = (tempC: number, highC: number, harm: string): Phrase =>
    tempC > highC ? say` (over its ${quantity(highC, 'degC')}: ${harm})` : [];
  const ways: Phrase[] = [];
  if (flaskC !== null)
    ways.push([
      ...say`a flask of ${quantity(flaskC, 'degC')}`,
      ...over(flaskC, flaskHighC, 'rough skin and shrink holes'),
    ]);
  if (metalC !== null)
    ways.push([
      ...say`metal of ${quantity(metalC, 'degC')}`,
      ...over(metalC, metalHighC, 'gas, and fume where there is zinc'),
    ]);
  if (gate)
    ways.push(
      say`one more gate of ${quantity(gate.diameterMm, 'mm', 1)} there (then ${times(gate.margin)}; one more stub to saw off)`,
    );
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
export function judgeFill({ last, offers }: FillReading, limits: FillLimits): Judgement[] {
  const { margin } = last;
  const estimated = limits.estimated
    ? [' The metal’s heat and surface are estimated from its composition.']
    : [];
  if (margin >= FILL_LIMITS.good)
    return [{ rule: 'fill', weight: 'ok', lead: 'It fills.', why: [...WHY.late(last), ...estimated] }];
  const late = margin >= FILL_LIMITS.least;
  return [
    {
      rule: 'fill',
      weight: late ? 'watch' : 'fix',
      lead: late ? 'It may fill late.' : 'It does not fill.',
      why: [...WHY[last.because](last), ...(offers ? waysOut(offers, limits) : []), ...estimated],
    },
  ];
}

/** Whether it fills cannot be reckoned yet: what is missing. */
export const fillUnread = (why: Phrase): Judgement => ({
  rule: 'fill unread',
  weight: 'watch',
  lead: 'Whether it fills is not reckoned yet.',
  why,
});

/** Metal that is poured under its liquidus does not run. */
export const judgeNotLiquid = (metalC: number, liquidusC: number): Judgement => ({
  rule: 'metal not liquid',
  weight: 'stop',
  lead: 'The metal is not liquid.',
  why: say`${quantity(metalC, 'degC')}; it is liquid from ${quantity(liquidusC, 'degC')}.`,
});
