import { entriesUnder, type FeedingGate } from '../gate';
import { cellAt, entryOf } from '../solid';
import type { FillField } from './fillField';
import { flowSpeed, stopTimeS, type Drive, type PouredHeat } from './flow';

/** Under these a place fills late, or does not (handbook 05, "Fill"). */
export const FILL_LIMITS = { good: 2, least: 1 } as const;
export type FillGrade = 'good' | 'watch' | 'fix';
export const gradeFill = (margin: number): FillGrade =>
  margin >= FILL_LIMITS.good ? 'good' : margin >= FILL_LIMITS.least ? 'watch' : 'fix';

/** A gate that metal runs in through; as long as it is. mm. */
export interface FillingGate extends FeedingGate {
  lengthMm: number;
}

export interface FillConditions {
  heat: PouredHeat;
  drive: Drive;
}

/**
 * Margin at each node: 1 / Σ ds / (speed · stop time) along the cheapest way from a gate: over 1 the metal comes before it
 * stops. 0 where no metal comes: no way leads there, or it is too narrow for the pressure. Dijkstra, O(E log N).
 */
export function fillMargins(
  field: FillField,
  gates: readonly FillingGate[],
  { heat, drive }: FillConditions,
): Float32Array {
  const { count, passage } = field.nodes;
  // Cost of a millimetre at each node; Infinity where metal does not run.
  const perMm = Float64Array.from({ length: count }, (_, n) => costPerMm(passage[n]!, { heat, drive }));
  const costs = new Float64Array(count).fill(Infinity);
  const heap = new CostHeap(costs);
  for (const gate of gates) {
    const round = { widthMm: gate.diameterMm, modulusMm: gate.diameterMm / 4 };
    const cost = gate.lengthMm > 0 ? gate.lengthMm * costPerMm(round, { heat, drive }) : 0;
    for (const n of nodesUnder(field, gate)) heap.lower(n, cost);
  }
  for (let n = heap.pop(); n >= 0; n = heap.pop()) {
    for (let k = field.starts[n]!; k < field.starts[n + 1]!; k++) {
      const to = field.ends[k]!;
      heap.lower(to, costs[n]! + 0.5 * field.lengthMm[k]! * (perMm[n]! + perMm[to]!));
    }
  }
  return Float32Array.from(costs, (cost) => 1 / cost);
}

/** What a millimetre of a passage costs of the metal's time. */
function costPerMm(passage: Parameters<typeof flowSpeed>[0], { heat, drive }: FillConditions): number {
  const reach = 1000 * flowSpeed(passage, drive, heat) * stopTimeS(passage, heat);
  return reach > 0 ? 1 / reach : Infinity;
}

/** Nodes with a cell under a gate. */
export const nodesUnder = ({ bricks, nodeOf }: FillField, gate: FeedingGate): Set<number> =>
  new Set(entriesUnder(bricks, gate).flatMap((entry) => (nodeOf[entry]! >= 0 ? [nodeOf[entry]!] : [])));

/** The node that a place of the surface belongs to, looked for a few cells round it; −1 where none is. */
export function nodeNear({ bricks, nodeOf }: FillField, x: number, y: number, z: number): number {
  const middle = new Int32Array(3);
  cellAt(bricks.frame, x, y, z, middle);
  let best = -1;
  let nearest = Infinity;
  for (let k = 0; k < 125; k++) {
    const [dx, dy, dz] = [(k % 5) - 2, (Math.floor(k / 5) % 5) - 2, Math.floor(k / 25) - 2];
    const away = dx * dx + dy * dy + dz * dz;
    if (away >= nearest) continue;
    const entry = entryOf(bricks, middle[0]! + dx, middle[1]! + dy, middle[2]! + dz);
    if (entry < 0 || nodeOf[entry]! < 0) continue;
    [best, nearest] = [nodeOf[entry]!, away];
  }
  return best;
}

/** A binary heap of nodes by their cost; a node whose cost was lowered since is passed over when it comes up. */
class CostHeap {
  private readonly nodes: number[] = [];
  private readonly keys: number[] = [];

  constructor(private readonly costs: Float64Array) {}

  lower(node: number, cost: number): void {
    if (!(cost < this.costs[node]!)) return;
    this.costs[node] = cost;
    const { nodes, keys } = this;
    let at = nodes.length;
    nodes.push(node);
    keys.push(cost);
    while (at > 0) {
      const up = (at - 1) >> 1;
      if (keys[up]! <= cost) break;
      nodes[at] = nodes[up]!;
      keys[at] = keys[up]!;
      at = up;
    }
    nodes[at] = node;
    keys[at] = cost;
  }

  /** The cheapest node whose cost still stands; −1 when none is left. */
  pop(): number {
    while (this.nodes.length > 0) {
      const [node, key] = [this.nodes[0]!, this.keys[0]!];
      this.sink(this.nodes.pop()!, this.keys.pop()!);
      if (key === this.costs[node]!) return node;
    }
    return -1;
  }

  private sink(node: number, key: number): void {
    const { nodes, keys } = this;
    if (nodes.length === 0) return;
    let at = 0;
    for (let down = 1; down < nodes.length; down = 2 * at + 1) {
      if (down + 1 < nodes.length && keys[down + 1]! < keys[down]!) down++;
      if (keys[down]! >= key) break;
      nodes[at] = nodes[down]!;
      keys[at] = keys[down]!;
      at = down;
    }
    nodes[at] = node;
    keys[at] = key;
  }
}
