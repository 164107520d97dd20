import type { FlaskRoom, HungTree, Miss } from './hangTree';

/** What is wanted of the flasks: the first that is given, the smallest that takes all, or as few as do. */
export const FLASK_WISHES = ['here', 'smallest', 'fewest'] as const;
export type FlaskWish = (typeof FLASK_WISHES)[number];

/** Trees in flasks of these kinds, and what found no room in any. */
export interface ChosenFlasks {
  /** `room`: which of the kinds of flask. */
  trees: { room: number; tree: HungTree }[];
  left: number[];
  /** Where nothing hangs: the least miss, and in which kind of flask. */
  miss: (Miss & { room: number }) | null;
  /** For each kind that hangs in none of the flasks even alone: the least miss, and in which kind of flask. */
  cannot: ((Miss & { room: number }) | null)[];
}

/** Flasks of one pour are few: the kiln holds no more. */
const FLASKS_MOST = 12;

const volumeOf = ({ innerDiameterMm, heightMm }: FlaskRoom): number => innerDiameterMm ** 2 * heightMm;

/** Shares an order out over flasks. `hang`: hangs as many as fit in one. */
export function chooseFlasks(
  rooms: readonly FlaskRoom[],
  counts: readonly number[],
  wish: FlaskWish,
  hang: (room: FlaskRoom, counts: readonly number[]) => HungTree,
): ChosenFlasks {
  const bySize = rooms.map((_, n) => n).sort((a, b) => volumeOf(rooms[a]!) - volumeOf(rooms[b]!));
  const order = wish === 'here' ? bySize.filter((n) => n === 0) : bySize;
  const trees: ChosenFlasks['trees'] = [];
  let left = [...counts];
  let miss: ChosenFlasks['miss'] = null;
  const alone = counts.map((): (Miss & { room: number }) | null | undefined => undefined);
  const most = wish === 'fewest' ? FLASKS_MOST : 1;
  while (trees.length < most && left.some((n) => n > 0)) {
    let best: { room: number; tree: HungTree } | undefined;
    for (const room of order) {
      const tree = hang(rooms[room]!, left);
      left.forEach((count, kind) => {
        if (count > 0) alone[kind] = nearer(alone[kind], tree.cannot[kind] ?? null, room);
      });
      if (tree.miss && (!miss || tree.miss.mm < miss.mm)) miss = { ...tree.miss, room };
      if (tree.pieces.length > (best?.tree.pieces.length ?? 0)) best = { room, tree };
      // The smallest that takes all of it.
      if (tree.pieces.length > 0 && tree.left.every((n) => n === 0)) break;
    }
    if (!best) break;
    trees.push(best);
    left = best.tree.left;
  }
  const cannot = left.map((count, kind) => (count > 0 ? (alone[kind] ?? null) : null));
  return { trees, left, miss: trees.length > 0 ? null : miss, cannot };
}

/** The nearer miss of a kind over the flasks; null once it hangs in one; undefined before any was tried. */
function nearer(
  before: (Miss & { room: number }) | null | undefined,
  miss: Miss | null,
  room: number,
): (Miss & { room: number }) | null {
  if (before === null || !miss) return null;
  return before && before.mm <= miss.mm ? before : { ...miss, room };
}
