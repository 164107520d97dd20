import type { Judgement } from '../judge';
import { quantity, requireNumber, requirePositive, say } from '../numeric';

/** Under the vacuum slurry rises to about so many times its volume (*shop default*, ours): a bowl takes that, or it runs over. */
export const RISE = 2;
/** What hands and pump need, whatever the water: mixing, the bowl's vacuum, pouring one flask, a flask's vacuum. min (handbook 07) */
export const MIX_MIN = 3;
const BOWL_MIN = 1.5;
const POUR_MIN = 1;
const FLASK_MIN = 1.5;

/** A flask of a bowl: what is poured into it. ml */
export interface ToFill {
  name: string;
  slurryMl: number;
}
/** What the shop mixes with; undefined: nobody has said. */
export interface BowlGear {
  bowlMl?: number | undefined;
  /** Flasks that stand under the vacuum at one time. */
  flasksAtOnce?: number | undefined;
}

/** When a flask of a bowl is poured and stands under vacuum, minutes after powder met water. */
export interface BowlTurn {
  name: string;
  pourFromMin: number;
  pouredMin: number;
  vacuumFromMin: number;
  vacuumToMin: number;
}

/**
 * The order in which one bowl fills its flasks, one poured while the one before it is under vacuum; as many under vacuum together as the shop has room
 * for. Minutes after powder met water, by hands that work at their own pace.
 */
export function bowlTurns(names: readonly string[], flasksAtOnce = 1): BowlTurn[] {
  requireNumber('flasksAtOnce', flasksAtOnce, 1, 20);
  const out: BowlTurn[] = [];
  let handsFree = MIX_MIN + BOWL_MIN;
  let pumpFree = 0;
  for (let first = 0; first < names.length; first += flasksAtOnce) {
    const group = names.slice(first, first + flasksAtOnce);
    const began = handsFree;
    handsFree += group.length * POUR_MIN;
    const vacuumFromMin = Math.max(handsFree, pumpFree);
    pumpFree = vacuumFromMin + FLASK_MIN;
    // Hands that close the chamber wait for it.
    handsFree = vacuumFromMin;
    group.forEach((name, n) =>
      out.push({
        name,
        pourFromMin: began + n * POUR_MIN,
        pouredMin: began + (n + 1) * POUR_MIN,
        vacuumFromMin,
        vacuumToMin: pumpFree,
      }),
    );
  }
  return out;
}

/** So much slurry a bowl takes without running over under the vacuum, ml. */
const bowlTakesMl = (bowlMl: number): number => requirePositive('bowlMl', bowlMl) / RISE;

/** The last of so many flasks is under the vacuum before the working time is over. */
function inTime(count: number, workingMin: number, flasksAtOnce: number | undefined): boolean {
  const turns = bowlTurns(
    Array.from({ length: count }, (_, n) => String(n)),
    flasksAtOnce,
  );
  return turns.at(-1)!.vacuumFromMin < workingMin;
}

/**
 * Flasks shared out over as few bowls as hold them and leave time for them, in the order given; each bowl has one flask at least, whether it holds it
 * or not. With `least` bowls wanted, the flasks are shared over so many where there are so many flasks.
 */
export function shareBowls(
  flasks: readonly ToFill[],
  workingMin: number,
  { bowlMl, flasksAtOnce }: BowlGear,
  least = 1,
): ToFill[][] {
  requirePositive('workingMin', workingMin);
  const takesMl = bowlMl === undefined ? Infinity : bowlTakesMl(bowlMl);
  const share = (most: number): ToFill[][] => {
    const bowls: ToFill[][] = [];
    for (const flask of flasks) {
      const bowl = bowls.at(-1);
      const held = bowl?.reduce((sum, { slurryMl }) => sum + slurryMl, 0) ?? Infinity;
      const fits =
        bowl &&
        bowl.length < most &&
        held + flask.slurryMl <= takesMl + 1e-9 &&
        inTime(bowl.length + 1, workingMin, flasksAtOnce);
      if (fits) bowl.push(flask);
      else bowls.push([flask]);
    }
    return bowls;
  };
  const wanted = Math.min(least, flasks.length);
  // As even as it comes: the most flasks in one bowl are made fewer until there are bowls enough.
  let most = Math.max(1, Math.ceil(flasks.length / Math.max(1, wanted)));
  while (most > 1 && share(most).length < wanted) most -= 1;
  return share(most);
}

/** One bowl's slurry against the bowl, and its flasks against the working time. */
export function judgeBowl(
  flasks: readonly ToFill[],
  workingMin: number,
  waterKnown: boolean,
  { bowlMl, flasksAtOnce }: BowlGear,
): Judgement[] {
  const slurryMl = flasks.reduce((sum, flask) => sum + flask.slurryMl, 0);
  return [
    ...judgeRise(slurryMl, bowlMl),
    ...judgeOrder(
      bowlTurns(
        flasks.map(({ name }) => name),
        flasksAtOnce,
      ),
      workingMin,
      waterKnown,
    ),
  ];
}

function judgeRise(slurryMl: number, bowlMl: number | undefined): Judgement[] {
  if (bowlMl === undefined) return [];
  const why = say`${quantity(slurryMl, 'ml', 0)} rise to about ${quantity(RISE * slurryMl, 'ml', 0)} under the vacuum; the bowl holds ${quantity(bowlMl, 'ml', 0)}.`;
  return slurryMl > bowlTakesMl(bowlMl) + 1e-9
    ? [{ rule: 'bowl', weight: 'fix', lead: 'It runs over.', why: [...why, ' Take a larger bowl.'] }]
    : [{ rule: 'bowl', weight: 'ok', lead: 'The bowl holds its rise.', why }];
}

/** Only where several flasks wait for one bowl: one flask has the clock's own steps. */
function judgeOrder(turns: readonly BowlTurn[], workingMin: number, waterKnown: boolean): Judgement[] {
  const last = turns.at(-1);
  if (!last || turns.length < 2) return [];
  const judged = (weight: Judgement['weight'], lead: string, more: string): Judgement[] => [
    {
      rule: 'bowl order',
      weight,
      lead,
      why: [
        ...say`${last.name} is under the vacuum from ${quantity(last.vacuumFromMin, 'min', 1)} to ${quantity(last.vacuumToMin, 'min', 1)}; the working time is ${quantity(workingMin, 'min', 1)}`,
        waterKnown ? '.' : ', if the water is at 22 °C.',
        more,
      ],
    },
  ];
  if (last.vacuumFromMin >= workingMin)
    return judged('fix', 'Too many flasks for one bowl.', ' Mix in more bowls, or take cooler water.');
  if (last.vacuumToMin > workingMin)
    return judged('watch', 'The last flask is late.', ' It sets under the vacuum: no time to lose.');
  return waterKnown
    ? judged('ok', 'The last flask is in time.', '')
    : judged('watch', 'In time at 22 °C.', ' Read the water: warmer sets sooner.');
}
