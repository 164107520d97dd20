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
  /** It has begun, or was pinned: nothing moves it. */
  begun: boolean;
}

/** Everything that a load uses as it is placed. */
export function usesOf(
  { nodes, kiln }: WeekTree,
  places: TreePlaces,
  grid: Grid,
  there: ReadonlyMap<string, Int32Array>,
): Use[] {
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
        ...(present ? { only: present } : {}),
      });
    }
    if (machine !== undefined) uses.push({ thing: machineKey(machine), node: key, from, to, begun });
    if (node.inKiln) [heldFrom, heldTo] = [Math.min(heldFrom, from), Math.max(heldTo, to)];
  });
  if (kiln !== undefined && heldTo > heldFrom)
    uses.push({ thing: kilnKey(kiln), node: HOLD, from: heldFrom, to: heldTo, begun: kilnBegun });
  return uses;
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

/** Two uses of one thing in one slot: those of kilns first, they decide most; else the earliest. Undefined: everything fits. */
export function firstClash(
  placed: readonly { uses: readonly Use[] }[],
): { a: Whose; b: Whose; slot: number } | undefined {
  const byThing = new Map<string, Whose[]>();
  placed.forEach(({ uses }, load) =>
    uses.forEach((use) => {
      const of = byThing.get(use.thing);
      if (of) of.push({ load, use });
      else byThing.set(use.thing, [{ load, use }]);
    }),
  );
  let found: { a: Whose; b: Whose; slot: number; kiln: boolean } | undefined;
  for (const [thing, all] of byThing) {
    const kiln = thing.startsWith(kilnKey(''));
    all.sort((x, y) => x.use.from - y.use.from);
    for (let i = 0; i < all.length; i++)
      for (let j = i + 1; j < all.length && all[j]!.use.from < all[i]!.use.to; j++) {
        const [a, b] = [all[i]!, all[j]!];
        // What has begun is as it is: that it meets is told elsewhere, and no plan mends it.
        if (a.use.begun && b.use.begun) continue;
        const slot = meetAt(a.use, b.use);
        if (slot >= 0 && (!found || (kiln && !found.kiln) || (kiln === found.kiln && slot < found.slot)))
          found = { a, b, slot, kiln };
      }
  }
  return found;
}
