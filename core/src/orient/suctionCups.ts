import type { LayerStack } from './layers';

/** A hollow that is closed towards the plate while its mouth is on the film: peeling pulls a vacuum in it. */
export interface SuctionCup {
  /** First and last layer at which it was shut. */
  firstLayer: number;
  lastLayer: number;
  /** Largest mouth, mm². */
  areaMm2: number;
  /** Air and resin shut in when it was last so, mm³. */
  volumeMm3: number;
  /** In the largest mouth, mm. */
  at: [number, number, number];
}

/** Mouths smaller than this draw no noticeable vacuum, and are mostly steps of the pixels. mm². */
const MOUTH_MM2_MIN = 0.05;

interface Shut {
  first: number;
  last: number;
  areaPixels: number;
  volumePixels: number;
  at: [number, number, number];
}

/** Sets that grow node by node. Set 0 is the outside. */
class GrowingSets {
  private readonly parent: number[] = [0];

  add(): number {
    return this.parent.push(this.parent.length) - 1;
  }

  find(n: number): number {
    const { parent } = this;
    let at = n;
    while (parent[at] !== at) {
      parent[at] = parent[parent[at]!]!;
      at = parent[at]!;
    }
    return at;
  }

  join(a: number, b: number): void {
    const [ra, rb] = [this.find(a), this.find(b)];
    if (ra !== rb) this.parent[Math.max(ra, rb)] = Math.min(ra, rb);
  }
}

/** Empty stretches of a row, with the set each belongs to. */
interface EmptyRow {
  from: number[];
  to: number[];
  set: number[];
}

/**
 * At layer n: empty space that touches the layer's plane and has no way to the outside through layers 0 … n;
 * a later hole does not help (handbook 04). Stretches are joined within the layer (4 neighbours) and with the
 * layer before. O(stretches · α).
 */
export function findSuctionCups(stack: LayerStack): SuctionCup[] {
  const search = new CupSearch(stack);
  for (let layer = 0; layer < stack.layers; layer++) search.addLayer(layer);
  const pixel2 = stack.pixelMm ** 2;
  return search
    .all()
    .map((cup) => ({
      firstLayer: cup.first,
      lastLayer: cup.last,
      areaMm2: cup.areaPixels * pixel2,
      volumeMm3: cup.volumePixels * pixel2 * stack.layerMm,
      at: cup.at,
    }))
    .filter(({ areaMm2 }) => areaMm2 >= MOUTH_MM2_MIN)
    .sort((a, b) => b.areaMm2 - a.areaMm2);
}

class CupSearch {
  private readonly sets = new GrowingSets();
  /** Cups that are shut, by the root of their set. */
  private readonly shut = new Map<number, Shut>();
  private readonly opened: Shut[] = [];
  private before: EmptyRow[] = [];

  constructor(private readonly stack: LayerStack) {}

  all(): Shut[] {
    return [...this.opened, ...this.shut.values()];
  }

  addLayer(layer: number): void {
    const rows: EmptyRow[] = [];
    for (let r = 0; r < this.stack.rows; r++) {
      const row = this.emptyRow(layer, r);
      if (r > 0) this.join(rows[r - 1]!, row);
      if (this.before[r]) this.join(this.before[r]!, row);
      rows.push(row);
    }
    this.followMerges();
    this.noteShut(layer, rows);
    this.before = rows;
  }

  /** What the solid leaves of a row. Stretches at the edge of the field are outside; so is the whole first and last row. */
  private emptyRow(layer: number, r: number): EmptyRow {
    const { rows, columns, starts, spans } = this.stack;
    const edge = r === 0 || r === rows - 1;
    const out: EmptyRow = { from: [], to: [], set: [] };
    const add = (from: number, to: number): void => {
      if (to < from) return;
      out.from.push(from);
      out.to.push(to);
      out.set.push(edge || from === 0 || to === columns - 1 ? 0 : this.sets.add());
    };
    let next = 0;
    for (let s = starts[layer * rows + r]!; s < starts[layer * rows + r + 1]!; s++) {
      add(next, spans[2 * s]! - 1);
      next = spans[2 * s + 1]! + 1;
    }
    add(next, columns - 1);
    return out;
  }

  private join(a: EmptyRow, b: EmptyRow): void {
    for (let m = 0, n = 0; m < a.set.length && n < b.set.length;) {
      if (a.from[m]! <= b.to[n]! && b.from[n]! <= a.to[m]!) this.sets.join(a.set[m]!, b.set[n]!);
      if (a.to[m]! < b.to[n]!) m++;
      else n++;
    }
  }

  /** Cups whose sets have met the outside are over; those that met each other are one. */
  private followMerges(): void {
    for (const [set, cup] of [...this.shut]) {
      const root = this.sets.find(set);
      if (root === set) continue;
      this.shut.delete(set);
      const other = this.shut.get(root);
      if (root === 0) this.opened.push(cup);
      else if (!other) this.shut.set(root, cup);
      else {
        other.first = Math.min(other.first, cup.first);
        other.volumePixels += cup.volumePixels;
        if (cup.areaPixels > other.areaPixels)
          Object.assign(other, { areaPixels: cup.areaPixels, at: cup.at });
      }
    }
  }

  private noteShut(layer: number, rows: readonly EmptyRow[]): void {
    const mouths = new Map<number, { pixels: number; row: number; from: number; to: number }>();
    rows.forEach((row, r) => {
      row.set.forEach((set, n) => {
        const root = this.sets.find(set);
        if (root === 0) return;
        const mouth = mouths.get(root) ?? { pixels: 0, row: r, from: row.from[n]!, to: row.to[n]! };
        mouth.pixels += row.to[n]! - row.from[n]! + 1;
        if (row.to[n]! - row.from[n]! > mouth.to - mouth.from)
          Object.assign(mouth, { row: r, from: row.from[n], to: row.to[n] });
        mouths.set(root, mouth);
      });
    });
    const { x0Mm, y0Mm, z0Mm, pixelMm, layerMm } = this.stack;
    for (const [root, mouth] of mouths) {
      const cup = this.shut.get(root) ?? {
        first: layer,
        last: layer,
        areaPixels: 0,
        volumePixels: 0,
        at: [0, 0, 0],
      };
      cup.last = layer;
      cup.volumePixels += mouth.pixels;
      if (mouth.pixels > cup.areaPixels) {
        cup.areaPixels = mouth.pixels;
        cup.at = [
          x0Mm + (pixelMm * (mouth.from + mouth.to)) / 2,
          y0Mm + mouth.row * pixelMm,
          z0Mm + (layer + 0.5) * layerMm,
        ];
      }
      this.shut.set(root, cup);
    }
  }
}
