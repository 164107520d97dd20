import { frameSides, type DenseField } from './denseField';

/** A way through the part: its narrowest place, width there, and the direction it runs in. */
export interface ThroughHole {
  at: [number, number, number];
  widthMm: number;
  axis: [number, number, number];
}

/** A hole on the grid: the cells along its middle (indices along x, y, z) near where it was found. */
export interface HoleCells {
  along: [number, number, number][];
  axis: [number, number, number];
}

/** A plane across a hole: the cells that shut it, and its area in samples. */
interface Disc {
  cells: number[];
  area: number;
  axis: Vector;
}

/** Nearer the surface than this a cell is in a crevice of the grid. */
const DISTANCE_MIN = 1.5;
/**
 * Where the distance changes by less than this a step, the surface holds the cell from all sides. The second look is
 * for square holes whose middle lies between four cells, where the grid sees √½; it alone would run holes together.
 */
const FLATS = [0.66, 0.75];
/** Step of the plane that a hole is cut with, cells: under 1/√2, so that no wall is stepped over. */
const PLANE_STEP = 0.7;
/** The narrowest place is looked for this many cells either way along the hole. */
const SLIDE = 12;

type Vector = [number, number, number];

/** The 13 lattice directions, of length 1. */
const AXES = Array.from({ length: 13 }, (_, n) => n + 14)
  .map((n) => [(n % 3) - 1, (Math.floor(n / 3) % 3) - 1, Math.floor(n / 9) - 1] as const)
  .map((d) => d.map((v) => v / Math.hypot(...d)) as Vector);

/**
 * Holes that pass through a part. Where the distance to the surface is flat, the surface surrounds the place; a
 * plane through it on which empty space is closed off is a disc across a hole if both its sides reach the outside
 * (a pit's does not). Narrowest first, and each disc found stays shut, so that one hole is not counted
 * twice: the discs cut the outside without parting it, and there can be no more of them than the genus.
 * `outside`: full squared distances over a frame with a margin; `most`: the genus, where it is known.
 * O(candidates · cells) at worst.
 */
export function findThroughHoles(outside: DenseField, most = Infinity): HoleCells[] {
  const search = new HoleSearch(outside);
  const found: HoleCells[] = [];
  for (const flat of FLATS) {
    for (const at of search.candidates(flat)) {
      if (found.length >= most) return found;
      const hole = search.tryHole(at);
      if (hole) found.push(hole);
    }
  }
  return found;
}

class HoleSearch {
  private readonly values: Uint16Array;
  private readonly steps: readonly number[];
  private readonly sides: Uint8Array;
  private readonly shut: Uint8Array;
  private readonly seen: Uint32Array;
  private readonly stack: Uint32Array;
  private round = 0;

  constructor(private readonly outside: DenseField) {
    const { nx, ny } = outside.frame;
    this.values = outside.values;
    this.steps = [-1, 1, -nx, nx, -nx * ny, nx * ny];
    this.sides = frameSides(outside.frame);
    this.shut = new Uint8Array(this.values.length);
    this.seen = new Uint32Array(this.values.length);
    this.stack = new Uint32Array(this.values.length);
  }

  /** Index of a cell, or −1 outside the frame. */
  private index(x: number, y: number, z: number): number {
    const { nx, ny, nz } = this.outside.frame;
    return x < 0 || y < 0 || z < 0 || x >= nx || y >= ny || z >= nz ? -1 : (z * ny + y) * nx + x;
  }

  private cell(at: number): Vector {
    const { nx, ny } = this.outside.frame;
    return [at % nx, Math.floor(at / nx) % ny, Math.floor(at / (nx * ny))];
  }

  /** One cell for each cluster of flat cells, the narrowest cluster first. */
  candidates(slopeMax: number): number[] {
    const { values, sides, steps } = this;
    const flat = new Uint8Array(values.length);
    const roots = Float32Array.from({ length: 65536 }, (_, n) => Math.sqrt(n));
    const least = DISTANCE_MIN ** 2;
    for (let at = 0; at < values.length; at++) {
      if (values[at]! < least || sides[at] !== 0) continue;
      let slope2 = 0;
      for (let s = 0; s < 6; s += 2)
        slope2 += (roots[values[at + steps[s + 1]!]!]! - roots[values[at + steps[s]!]!]!) ** 2;
      if (slope2 < 4 * slopeMax * slopeMax) flat[at] = 1;
    }
    const found: number[] = [];
    for (let at = 0; at < flat.length; at++) if (flat[at] === 1) found.push(this.middleOfCluster(flat, at));
    return found.sort((a, b) => values[a]! - values[b]!);
  }

  /** The cell of a cluster (26 neighbours) nearest its middle; marks the cluster. */
  private middleOfCluster(flat: Uint8Array, start: number): number {
    const members = [start];
    const middle = [0, 0, 0];
    flat[start] = 2;
    for (let n = 0; n < members.length; n++) {
      const [x, y, z] = this.cell(members[n]!);
      middle[0]! += x;
      middle[1]! += y;
      middle[2]! += z;
      for (let d = 0; d < 27; d++) {
        const next = this.index(x + (d % 3) - 1, y + (Math.floor(d / 3) % 3) - 1, z + Math.floor(d / 9) - 1);
        if (next < 0 || flat[next] !== 1) continue;
        flat[next] = 2;
        members.push(next);
      }
    }
    const off = (at: number): number =>
      this.cell(at).reduce((sum, v, k) => sum + (v - middle[k]! / members.length) ** 2, 0);
    let best = start;
    let least = off(start);
    for (const at of members) {
      const here = off(at);
      if (here < least) [best, least] = [at, here];
    }
    return best;
  }

  tryHole(at: number): HoleCells | null {
    if (this.shut[at]) return null;
    const cell = this.cell(at);
    const discs = AXES.flatMap((axis) => this.disc(cell, axis) ?? []).sort((a, b) => a.area - b.area);
    for (const { cells, axis } of discs.slice(0, 3)) {
      for (const c of cells) this.shut[c]!++;
      const through = [-1, 1].every((side) =>
        this.reachesOutside(
          this.index(...(cell.map((v, k) => Math.round(v + 3 * side * axis[k]!)) as Vector)),
        ),
      );
      if (through) return { along: this.along(cell, axis), axis };
      for (const c of cells) this.shut[c]!--;
    }
    return null;
  }

  private isFree(at: number): boolean {
    return at >= 0 && this.values[at] !== 0 && this.shut[at] === 0;
  }

  /** Along the hole, the cells furthest from the wall, as far as the wall goes round. */
  private along(cell: Vector, axis: Vector): Vector[] {
    const [u, v] = acrossAxis(axis);
    const middle = this.climb(cell, axis);
    const cells = [middle];
    for (const side of [-1, 1]) {
      let at = middle;
      for (let step = 1; step <= SLIDE; step++) {
        const beside = at.map((c, k) => Math.round(c + side * Math.SQRT2 * axis[k]!)) as Vector;
        const index = this.index(...beside);
        if (index < 0 || this.values[index] === 0) break;
        at = this.climb(beside, axis);
        if (!this.walled(at, u, v)) break;
        cells.push(at);
      }
    }
    return cells;
  }

  /** Climbs away from the wall without leaving the plane across the axis by more than a cell. */
  private climb(start: Vector, axis: Vector): Vector {
    let at = start;
    for (;;) {
      const here = at;
      for (let d = 0; d < 27; d++) {
        const next: Vector = [
          here[0] + (d % 3) - 1,
          here[1] + (Math.floor(d / 3) % 3) - 1,
          here[2] + Math.floor(d / 9) - 1,
        ];
        const off = next.reduce((sum, v, k) => sum + (v - start[k]!) * axis[k]!, 0);
        const index = this.index(...next);
        if (index >= 0 && Math.abs(off) < 0.6 && this.values[index]! > this.values[this.index(...at)]!)
          at = next;
      }
      if (at === here) return at;
    }
  }

  /** The empty cells of the plane through a cell, thick enough to shut the way; null when they reach the frame. */
  private disc(cell: Vector, axis: Vector): Disc | null {
    const [u, v] = acrossAxis(axis);
    if (!this.walled(cell, u, v)) return null;
    const cells = new Set<number>();
    let area = 0;
    const seen = new Set<number>([0]);
    const queue: number[] = [0, 0];
    const place = (a: number, b: number, off: number): number =>
      this.index(
        Math.round(cell[0] + PLANE_STEP * (a * u[0]! + b * v[0]!) + off * axis[0]),
        Math.round(cell[1] + PLANE_STEP * (a * u[1]! + b * v[1]!) + off * axis[1]),
        Math.round(cell[2] + PLANE_STEP * (a * u[2]! + b * v[2]!) + off * axis[2]),
      );
    for (let n = 0; n < queue.length; n += 2) {
      const [a, b] = [queue[n]!, queue[n + 1]!];
      const at = place(a, b, 0);
      if (at < 0) return null;
      if (!this.isFree(at)) continue;
      area++;
      for (const off of [-0.6, 0, 0.6]) {
        const beside = place(a, b, off);
        if (beside >= 0 && this.values[beside] !== 0) cells.add(beside);
      }
      for (let side = 0; side < 4; side++) {
        const [na, nb] = [
          a + (side === 0 ? 1 : side === 1 ? -1 : 0),
          b + (side === 2 ? 1 : side === 3 ? -1 : 0),
        ];
        const key = na * 65536 + nb;
        if (seen.has(key)) continue;
        seen.add(key);
        queue.push(na, nb);
      }
    }
    return { cells: [...cells], area, axis };
  }

  /** Whether eight rays in the plane all meet the solid: a quick no for most planes. */
  private walled(cell: Vector, u: readonly number[], v: readonly number[]): boolean {
    for (let n = 0; n < 8; n++) {
      const [c, s] = [Math.cos((n * Math.PI) / 4), Math.sin((n * Math.PI) / 4)];
      const d = [0, 1, 2].map((k) => c * u[k]! + s * v[k]!) as Vector;
      for (let step = 1; ; step++) {
        const at = this.index(
          Math.round(cell[0] + step * d[0]),
          Math.round(cell[1] + step * d[1]),
          Math.round(cell[2] + step * d[2]),
        );
        if (at < 0) return false;
        if (!this.isFree(at)) break;
      }
    }
    return true;
  }

  /** Whether free cells lead from a place to the edge of the frame. */
  private reachesOutside(start: number): boolean {
    if (!this.isFree(start)) return false;
    const { seen, stack, sides, steps } = this;
    const round = ++this.round;
    let depth = 1;
    stack[0] = start;
    seen[start] = round;
    while (depth > 0) {
      const at = stack[--depth]!;
      if (sides[at] !== 0) return true;
      for (let s = 0; s < 6; s++) {
        const next = at + steps[s]!;
        if (seen[next] === round || !this.isFree(next)) continue;
        seen[next] = round;
        stack[depth++] = next;
      }
    }
    return false;
  }
}

/** Two directions at right angles to an axis and to each other. */
export function acrossAxis(axis: readonly number[]): [number[], number[]] {
  const small = axis.map(Math.abs).indexOf(Math.min(...axis.map(Math.abs)));
  const start = [0, 1, 2].map((k) => (k === small ? 1 : 0) - axis[small]! * axis[k]!);
  const length = Math.hypot(...start);
  const u = start.map((v) => v / length);
  const v = [
    axis[1]! * u[2]! - axis[2]! * u[1]!,
    axis[2]! * u[0]! - axis[0]! * u[2]!,
    axis[0]! * u[1]! - axis[1]! * u[0]!,
  ];
  return [u, v];
}
