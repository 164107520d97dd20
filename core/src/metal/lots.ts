import type { Judgement } from '../judge';
import { InputError, quantity, say } from '../numeric';
import type { Composition, Element } from './density';

/** Metal in or out of a lot, g: in is more than 0. */
export interface LotMove {
  massG: number;
}

/** What a balance of a lot tells apart, g: moves are kept to a hundredth, and add up to it. */
const STEP_G = 0.01;

/** What a lot should weigh: all its moves, to a hundredth of a gram however many there are. */
export const stockG = (moves: readonly LotMove[]): number =>
  moves.reduce((sum, { massG }) => sum + Math.round(massG / STEP_G), 0) * STEP_G;

/** Metal of one lot in a charge. */
export interface LotShare {
  massG: number;
  composition: Composition;
  /** How often it was molten; 0 is new. */
  melts: number;
}

export interface MixedMetal {
  massG: number;
  composition: Composition;
  /** Of it, metal that was never molten here. */
  newPercent: number;
  /** Of the oldest of it. */
  melts: number;
}

/** Several lots in one crucible. Throws InputError for no metal at all. */
export function mixLots(shares: readonly LotShare[]): MixedMetal {
  const massG = shares.reduce((sum, share) => sum + share.massG, 0);
  if (!(massG > 0)) throw new InputError('shares', 'metal of more than 0 g', massG);
  const composition: Composition = {};
  for (const share of shares)
    for (const [element, part] of Object.entries(share.composition) as [Element, number][])
      composition[element] = (composition[element] ?? 0) + (part * share.massG) / massG;
  const fresh = shares.filter(({ melts }) => melts === 0).reduce((sum, share) => sum + share.massG, 0);
  const used = shares.filter((share) => share.massG > 0).map(({ melts }) => melts);
  return { massG, composition, newPercent: (100 * fresh) / massG, melts: Math.max(...used) };
}

/** Metals that fineness is told by, the dearest first. */
export const PRECIOUS: readonly Element[] = ['Au', 'Ag'];

/** The metal that an alloy is sold by, with its parts of a thousand; undefined for base metals. */
export function finenessOf(composition: Composition): { of: Element; permille: number } | undefined {
  const of = PRECIOUS.find((element) => (composition[element] ?? 0) >= LEAST_PRECIOUS);
  return of && { of, permille: 1000 * composition[of]! };
}
/** Alloys with less of a precious metal are not sold by it. */
const LEAST_PRECIOUS = 0.3;

/** A mix that is under its alloy by more than this many parts of a thousand is not that alloy: hallmarks know no minus. */
const UNDER_PERMILLE = 0.5;
const OFF_PERMILLE = 5;
/** A charge from lots that is short by less needs no more metal. */
const SHORT_G = 0.05;
/** Reused metal is to be used up after so many melts (*shop default*). */
export const MELTS_MOST = 5;

/** A charge that comes from lots: mass, fineness, and how old the metal is. */
export function judgeLots(
  mixed: MixedMetal,
  wanted: { chargeG: number; composition: Composition; alloyName: string },
): Judgement[] {
  const out: Judgement[] = [];
  const shortG = wanted.chargeG - mixed.massG;
  if (Math.abs(shortG) > SHORT_G)
    out.push({
      rule: 'lots mass',
      weight: shortG > 0 ? 'fix' : 'watch',
      lead: shortG > 0 ? 'Not enough from the lots.' : 'More than the charge.',
      why: say`${quantity(mixed.massG, 'g', 1)} from the lots; the charge is ${quantity(wanted.chargeG, 'g', 1)}.`,
    });
  out.push(judgeFineness(mixed.composition, wanted));
  if (mixed.melts >= MELTS_MOST)
    out.push({
      rule: 'lots melts',
      weight: 'watch',
      lead: 'Often molten.',
      why: say`Some of it was molten ${mixed.melts} times; after ${MELTS_MOST} it goes to the refiner, or is freshened with new.`,
    });
  return out;
}

/** More metal than a lot holds is not weighed out of it. */
export function judgeStock(name: string, massG: number, stock: number): Judgement[] {
  if (massG <= stock + STEP_G / 2) return [];
  const g = (value: number) => quantity(value, 'g', 2);
  return [
    {
      rule: `lots stock ${name}`,
      weight: 'fix',
      lead: 'More than lies there.',
      why: say`${g(massG)} out of ${name}, which should weigh ${g(Math.max(0, stock))}. Take the rest from another lot, or weigh it anew.`,
    },
  ];
}

function judgeFineness(
  composition: Composition,
  { composition: want, alloyName }: { composition: Composition; alloyName: string },
): Judgement {
  const asked = finenessOf(want);
  const [of, permille] = asked
    ? [asked.of, asked.permille]
    : [mostOf(want), 1000 * (want[mostOf(want)] ?? 0)];
  const got = 1000 * (composition[of] ?? 0);
  const why = say`${got.toFixed(1)} parts of a thousand ${of}; ${alloyName} has ${permille.toFixed(1)}.`;
  if (asked && got < permille - UNDER_PERMILLE)
    return { rule: 'lots fineness', weight: 'stop', lead: 'Under its fineness.', why };
  if (Math.abs(got - permille) > OFF_PERMILLE)
    return { rule: 'lots fineness', weight: 'watch', lead: 'Another alloy than planned.', why };
  return { rule: 'lots fineness', weight: 'ok', lead: 'Its fineness is right.', why };
}

const mostOf = (composition: Composition): Element =>
  (Object.entries(composition) as [Element, number][]).reduce(
    (most, [element, part]) => (part > (composition[most] ?? 0) ? element : most),
    'Cu' as Element,
  );
