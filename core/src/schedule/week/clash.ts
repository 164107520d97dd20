import { MINUTE_MS } from '../benchHours';
import { HOLD, kilnKey, machineKey, personKey, type TreePlaces } from './bestOfTree';
import type { Grid } from './slots';
import type { WeekTree } from './tree';

/** A thing that something uses from slot to slot. `breaks`: only in the slots in which its person is there. */
export interface Use {
  thing: string;
  /** Which load, and which of its tasks, or HOLD for its kiln. */
  load: number;
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
  load: number,
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
        load,
        node: key,
        from,
        to: handsTo,
        begun,
        ...(present ? { only: present } : {}),
      });
    }
    if (machine !== undefined) uses.push({ thing: machineKey(machine), load, node: key, from, to, begun });
    if (node.inKiln) [heldFrom, heldTo] = [Math.min(heldFrom, from), Math.max(heldTo, to)];
  });
  if (kiln !== undefined && heldTo > heldFrom)
    uses.push({ thing: kilnKey(kiln), load, node: HOLD, from: heldFrom, to: heldTo, begun: kilnBegun });
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

/** Two uses of one thing in one slot: those of kilns first, they decide most; else the earliest. Undefined: everything fits. */
export function firstClash(uses: readonly Use[]): { a: Use; b: Use; slot: number } | undefined {
  const byThing = new Map<string, Use[]>();
  for (const use of uses) byThing.set(use.thing, [...(byThing.get(use.thing) ?? []), use]);
  let found: { a: Use; b: Use; slot: number; kiln: boolean } | undefined;
  for (const [thing, all] of byThing) {
    const kiln = thing.startsWith(kilnKey(''));
    all.sort((x, y) => x.from - y.from);
    for (let i = 0; i < all.length; i++)
      for (let j = i + 1; j < all.length && all[j]!.from < all[i]!.to; j++) {
        // What has begun is as it is: that it meets is told elsewhere, and no plan mends it.
        if (all[i]!.begun && all[j]!.begun) continue;
        const slot = meetAt(all[i]!, all[j]!);
        if (slot < 0) continue;
        const better = !found || (kiln && !found.kiln) || (kiln === found.kiln && slot < found.slot);
        if (better) found = { a: all[i]!, b: all[j]!, slot, kiln };
      }
  }
  return found;
}
