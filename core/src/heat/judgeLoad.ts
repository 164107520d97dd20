import { dutyAt, type KilnPace } from '../burnout';
import type { Judgement } from '../judge';
import { quantity, requirePositive, say } from '../numeric';
import type { HeatRow } from './heatFlask';

/** What flasks take is told over so long: a moment's peak passes unseen in the bricks' own heat. h */
const OVER_H = 1 / 3;

/** When the flasks of a kiln ask the most of it beyond what it has: kW. */
export interface KilnLoad {
  atH: number;
  flasksKw: number;
  /** What the kiln needs for itself then, by its own pace. */
  kilnKw: number;
}

/** Each flask has rows of its own times: straight between two of them. */
function takenAt(rows: readonly HeatRow[], h: number): number {
  let [low, high] = [0, rows.length - 1];
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (rows[middle]!.h <= h) low = middle;
    else high = middle;
  }
  const [a, b] = [rows[low]!, rows[high]!];
  const share = b.h > a.h ? Math.min(1, Math.max(0, (h - a.h) / (b.h - a.h))) : 1;
  return a.takenJ + share * (b.takenJ - a.takenJ);
}

/**
 * The moment at which a kiln and its flasks together need the most of its power. The kiln's own need is by its pace, as if that was found with nothing in
 * it: an upper bound where it was not. All rows are of one kiln curve; O(rows · flasks · log rows).
 */
export function heaviestLoad(
  kiln: KilnPace,
  powerKw: number,
  flasks: readonly (readonly HeatRow[])[],
): KilnLoad | undefined {
  requirePositive('powerKw', powerKw);
  const [first] = flasks;
  if (!first) return undefined;
  let worst: KilnLoad | undefined;
  let back = 0;
  for (let n = 1; n < first.length; n++) {
    const { h, kilnC } = first[n]!;
    while (h - first[back + 1]!.h >= OVER_H) back++;
    const before = first[back]!;
    const hours = h - before.h;
    if (hours < OVER_H / 2) continue;
    const flasksKw = flasks.reduce((sum, rows) => {
      const taken = takenAt(rows, h) - takenAt(rows, before.h);
      return sum + Math.max(0, taken) / (hours * 3.6e6);
    }, 0);
    const kilnKw = powerKw * dutyAt(kiln, (kilnC + before.kilnC) / 2, (kilnC - before.kilnC) / hours);
    if (!worst || flasksKw + kilnKw > worst.flasksKw + worst.kilnKw) worst = { atH: h, flasksKw, kilnKw };
  }
  return worst;
}

/** Whether a kiln carries its flasks through the programme at the pace that is planned. */
export function judgeLoad(
  { name, ...kiln }: KilnPace & { name: string },
  powerKw: number | undefined,
  flasks: readonly (readonly HeatRow[])[],
): Judgement[] {
  if (powerKw === undefined)
    return flasks.length < 2
      ? []
      : [
          {
            rule: 'load',
            weight: 'watch',
            lead: 'Whether the kiln carries them is not known.',
            why: say`${flasks.length} flasks share it; the power of ${name} is not in its record.`,
          },
        ];
  const worst = heaviestLoad(kiln, powerKw, flasks);
  if (!worst) return [];
  const kw = (value: number) => quantity(value, 'kW', 1);
  const why = say`${quantity(worst.atH, 'h', 1)} after kiln in: ${kw(worst.flasksKw)} into ${flasks.length === 1 ? 'the flask' : `${flasks.length} flasks`} and ${kw(worst.kilnKw)} for the kiln itself, of ${kw(powerKw)}`;
  return worst.flasksKw + worst.kilnKw > powerKw
    ? [
        {
          rule: 'load',
          weight: 'watch',
          lead: 'The kiln may lag behind.',
          why: [
            ...why,
            '. If its pace was found empty, it climbs more slowly than is planned: fewer flasks, or a slower climb.',
          ],
        },
      ]
    : [{ rule: 'load', weight: 'ok', lead: 'The kiln carries them.', why: [...why, '.'] }];
}
