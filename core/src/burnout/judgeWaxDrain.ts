import type { Judgement } from '../judge';
import { quantity, say } from '../numeric';
import type { Segment } from './programme';

/** Wax runs out between these, with the button down. °C */
const DRAINS_C = [90, 200] as const;
/** … for so long at least (*shop default*, ours). h */
const DRAIN_H = 1;

/** Hours of a hold until somebody turns the flask in it, counted from the stage's begin. */
function drainedH({ holdH, hands }: Segment): number {
  const turn = hands.find(({ what }) => /turn/i.test(what));
  return Math.min(holdH, turn?.afterH ?? Infinity);
}

/** Whether wax has a hold to run out in before the kiln goes on; what is left of it boils and breaks the mold, or burns. */
export function judgeWaxDrain(segments: readonly Segment[]): Judgement[] {
  const [low, high] = DRAINS_C;
  const held = segments.filter(({ targetC }) => targetC !== null && targetC >= low && targetC <= high);
  const holdH = held.reduce((sum, one) => sum + (one.flaskWay === 'button down' ? drainedH(one) : 0), 0);
  if (holdH >= DRAIN_H - 1e-6)
    return [
      {
        rule: 'wax drains',
        weight: 'ok',
        lead: 'The wax can run out.',
        why: say`${quantity(holdH, 'h', 1)} between ${quantity(low, 'degC')} and ${quantity(high, 'degC')}, button down. Catch it, away from flames.`,
      },
    ];
  const turned = held.some(({ flaskWay, holdH: own }) => flaskWay === 'button up' && own >= DRAIN_H);
  return [
    {
      rule: 'wax drains',
      weight: 'watch',
      lead: 'The wax has no time to run out.',
      why: turned
        ? say`It is held there with the button up: stand the flask button down until it has drained.`
        : say`Hold ${quantity(DRAIN_H, 'h', 0)} or more between ${quantity(low, 'degC')} and ${quantity(high, 'degC')}, button down. Wax that stays boils, and burns in the kiln.`,
    },
  ];
}
