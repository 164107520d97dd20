import type { Mold } from '@zero-pour/contracts';
import {
  castsWax,
  ROUTES,
  say,
  shotsFor,
  USUAL_LIFE,
  type Judgement,
  type MoldKind,
  type Route,
} from '@zero-pour/core';
import type { PourContext } from '../context';

/** The kinds of mold that a route takes its waxes from. */
const KINDS: Partial<Record<Route, readonly MoldKind[]>> = {
  'wax from a rubber mold': ['rubber'],
  'wax from a silicone mold': ['silicone'],
  'wax from a printed mold': ['flexible resin', 'hard resin'],
};
export const kindsOfRoute = (route: Route): readonly MoldKind[] => KINDS[route] ?? [];

/** The route that takes its waxes from such a mold. */
export const routeOfKind = (kind: MoldKind): Route =>
  ROUTES.find((route) => kindsOfRoute(route).includes(kind))!;

/** Waxes that a mold has given, and how many of them were good. */
export function waxesOf({ shots }: Pick<Mold, 'shots'>): { waxes: number; good: number } {
  return {
    waxes: shots.reduce((sum, shot) => sum + shot.waxes, 0),
    good: shots.reduce((sum, shot) => sum + Math.min(shot.good, shot.waxes), 0),
  };
}

/** Whether a mold serves this pour: its pattern, its state, what it still gives, and how many waxes it takes. */
export function judgeMoldOfPour({ doc, parts }: PourContext, mold: Mold | undefined): Judgement[] {
  if (!castsWax(doc.brief.route)) return [];
  const add = (weight: Judgement['weight'], lead: string, why: Judgement['why']): Judgement => ({
    rule: 'mold',
    weight,
    lead,
    why,
  });
  if (!mold)
    return [
      add(
        'watch',
        'No mold chosen.',
        say`Its waxes come from a mold: choose it, or plan one and make it first.`,
      ),
    ];
  const out: Judgement[] = [];
  if (!kindsOfRoute(doc.brief.route).includes(mold.kind))
    out.push(
      add(
        'fix',
        'Another kind of mold.',
        say`${mold.name} is of ${mold.kind}; the route says: ${doc.brief.route}.`,
      ),
    );
  const part = parts.find(({ pattern }) => pattern.id === mold.patternId);
  if (!part)
    out.push(
      add('fix', 'A mold of another pattern.', say`${mold.name} does not give any pattern of this pour.`),
    );
  const others = parts.filter(({ pattern }) => pattern.id !== mold.patternId);
  if (part && others.length > 0)
    out.push(
      add(
        'watch',
        others.length === 1
          ? 'One pattern has no mold here.'
          : `${others.length} patterns have no mold here.`,
        say`${mold.name} gives ${part.pattern.name} only: what is said of waxes is said of that one.`,
      ),
    );
  if (mold.state === 'worn' || mold.state === 'retired')
    out.push(
      add(
        'fix',
        `The mold is ${mold.state}.`,
        say`Make another, or look at its newest waxes before you trust it.`,
      ),
    );
  else if (mold.state !== 'good')
    out.push(
      add(
        'watch',
        'The mold is not made yet.',
        say`It is ${mold.state}: its making comes before these waxes.`,
      ),
    );
  const { waxes, good } = waxesOf(mold);
  const wanted = part?.count ?? 0;
  const left = USUAL_LIFE[mold.kind] - waxes;
  if (wanted > 0 && left < wanted)
    out.push(
      add(
        'watch',
        'It may be worn before that.',
        say`${String(waxes)} waxes so far; such a mold gives about ${String(USUAL_LIFE[mold.kind])} (shop default).`,
      ),
    );
  const shots = waxes > 0 && wanted > 0 ? shotsFor(wanted, good / waxes) : undefined;
  if (shots !== undefined)
    out.push(
      add(
        'ok',
        `Inject ${String(shots)} for ${String(wanted)}.`,
        say`So many give enough good ones nine times in ten, by ${String(good)} good of ${String(waxes)}.`,
      ),
    );
  else if (wanted > 0 && waxes === 0)
    out.push(add('watch', 'No wax of it on record.', say`How many it takes, nobody can say yet.`));
  return out;
}
