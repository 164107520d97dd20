import { MINUTE_MS } from '../benchHours';
import type { TreePlaces } from './bestOfTree';

import type { Grid } from './slots';
import type { WeekTree } from './tree';
import { HOLD, kilnKey, machineKey, personKey } from './world';

/** A thing that something uses from slot to slot. `breaks`: only in the slots in which its person is there. */
export interface Use {
  thing: string;
  /** Which of the load's tasks, or HOLD for its kiln. */
  node: string;
  from: number;
  to: number;
  /** Where it is broken off: only these slots of it count. */
  only?: Int32Array;
  /** However it is placed it takes so many slots at least, without a break; 0: it may be broken off. */
  least: number;
  /** It has begun, or was pinned: nothing moves it. */
  begun: boolean;
}

/** Everything that a load uses as it is placed. */
export function usesOf(
  tree: WeekTree,
  places: TreePlaces,
  grid: Grid,
  there: ReadonlyMap<string, Int32Array>,
): Use[] {
  const { nodes, kiln } = tree;
  const slotMin = grid.slotMs / MINUTE_MS;
  const slotAfter = (minutes: number): number => Math.ceil(minutes / slotMin - 1e-6);
  const uses: Use[] = [];
  let [heldFrom, heldTo] = [Infinity, -Infinity];
  let kilnBegun = false;
  nodes.forEach((node, n) => {
    const { task, key, offsetMin } = node;
    const from = places.slots[n]!;
    const to = slotAfter(places.ends[n]!);
    const who = places.who[n];
    const machine = places.machine[n];
    const begun = task.at !== undefined;
    if (node.inKiln && begun) kilnBegun = true;
    if (who !== undefined) {
      const present = task.breakable ? there.get(who) : undefined;
      const handsTo = present ? to : from + slotAfter(offsetMin + task.handsMin);
      uses.push({
        thing: personKey(who),
        node: key,
        from,
        to: handsTo,
        begun,
        least: present ? 0 : handsTo - from,
        ...(present ? { only: present } : {}),
      });
    }
    if (machine !== undefined)
      uses.push({
        thing: machineKey(machine),
        node: key,
        from,
        to,
        begun,
        least: task.breakable && who !== undefined ? 0 : to - from,
      });
    if (node.inKiln) [heldFrom, heldTo] = [Math.min(heldFrom, from), Math.max(heldTo, to)];
  });
  if (kiln !== undefined && heldTo > heldFrom)
    uses.push({
      thing: kilnKey(kiln),
      node: HOLD,
      from: heldFrom,
      to: heldTo,
      begun: kilnBegun,
      least: leastHold(tree, slotMin),
    });
  return uses;
}

/** The slots that a kiln is held at least: its tasks and the least waits between them. */
function leastHold({ nodes, edges }: WeekTree, slotMin: number): number {
  const tasks = nodes.reduce((sum, { inKiln, task }) => sum + (inKiln ? task.minutes : 0), 0);
  const waits = edges.reduce((sum, { inKiln, gap }) => sum + (inKiln ? gap.leastMin : 0), 0);
  return Math.floor((tasks + waits) / slotMin);
}

/** Whether a use is really at its thing in a slot: broken work is not, while nobody is there. */
export const usesIn = ({ from, to, only }: Use, slot: number): boolean =>
  slot >= from && slot < to && (!only || only[slot + 1]! > only[slot]!);

/** The slots in which two uses of one thing meet first; −1: never. */
function meetAt(a: Use, b: Use): number {
  const to = Math.min(a.to, b.to);
  for (let slot = Math.max(a.from, b.from); slot < to; slot++)
    if (usesIn(a, slot) && usesIn(b, slot)) return slot;
  return -1;
}

/** A use, and whose of the loads it is. */
interface Whose {
  load: number;
  use: Use;
}

/** Two uses of one thing in one slot. */
export interface Clash {
  a: Whose;
  b: Whose;
  slot: number;
}

/** How many uses meet, and of them the first: those of kilns first, they decide most; else the earliest. Undefined: everything fits. */
export function clashesOf(placed: readonly { uses: readonly Use[] }[]): {
  first: Clash | undefined;
  count: number;
} {
  const byThing = new Map<string, Whose[]>();
  placed.forEach(({ uses }, load) =>
    uses.forEach((use) => {
      const of = byThing.get(use.thing);
      if (of) of.push({ load, use });
      else byThing.set(use.thing, [{ load, use }]);
    }),
  );
  let first: (Clash & { kiln: boolean }) | undefined;
  let count = 0;
  for (const [thing, all] of byThing) {
    const kiln = thing.startsWith(kilnKey(''));
    all.sort((x, y) => x.use.from - y.use.from);
    for (let i = 0; i < all.length; i++)
      for (let j = i + 1; j < all.length && all[j]!.use.from < all[i]!.use.to; j++) {
        const [a, b] = [all[i]!, all[j]!];
        // What has begun is as it is: that it meets is told elsewhere, and no plan mends it.
        if (a.use.begun && b.use.begun) continue;
        const slot = meetAt(a.use, b.use);
        if (slot < 0) continue;
        count++;
        if (!first || (kiln && !first.kiln) || (kiln === first.kiln && slot < first.slot))
          first = { a, b, slot, kiln };
      }
  }
  return { first, count };
}

/** One way to end a clash: of this use, what it must not do in the slots from … to. */
export interface Apart extends Whose {
  what: 'taken' | 'begins';
  from: number;
  to: number;
}

/**
 * Two ways out of a clash, of which any plan without it takes one at least. Where neither use can be broken off, all begins of the one in a stretch meet all
 * begins of the other in a stretch: one of them begins elsewhere. Else one of them is not there in the slot in which they met.
 */
export function waysApart({ a, b, slot }: Clash): [Apart, Apart] {
  const [early, late] = a.use.from <= b.use.from ? [a, b] : [b, a];
  // A kiln's hold begins with its first task only: nothing else is forbidden to begin it.
  if (early.use.from + early.use.least > late.use.from && late.use.least > 0)
    return [
      { ...early, what: 'begins', from: early.use.from, to: late.use.from + late.use.least - 1 },
      { ...late, what: 'begins', from: late.use.from, to: early.use.from + early.use.least - 1 },
    ];
  return [
    { ...early, what: 'taken', from: slot, to: slot },
    { ...late, what: 'taken', from: slot, to: slot },
  ];
}
