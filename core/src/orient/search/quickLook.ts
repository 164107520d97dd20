import { OVERHANG_LIMIT_DEG } from '../overhang';
import type { SearchSurface } from './searchSurface';

/** Which way is up, in the file's axes; a unit vector. */
export type Direction = readonly [number, number, number];

/** What a direction means, by the surface alone: no layer is cut. */
export interface QuickLook {
  direction: Direction;
  heightMm: number;
  /** Places that begin in mid-air and grow by more than a layer before they meet the rest. */
  islands: number;
  /** Hollows that hold liquid towards the film: their number and how deep they are together. */
  cups: number;
  cupDepthMm: number;
  overhangMm2: number;
  /** Of the faces that must stay clean: overhang, and area where layers show as steps. */
  showOverhangMm2: number;
  showStepsMm2: number;
  peakMm2: number;
  /** Area of the lowest two layers' worth of height. */
  firstMm2: number;
}

export interface QuickLookOptions {
  layerMm: number;
  /** 1 for each face that must stay clean. */
  show?: Uint8Array | undefined;
}

const LEVELS = 96;
const SORT_BUCKETS = 1 << 16;
/** Faces flatter than this print as one layer, without steps. */
const FLAT_COS = 0.995;
/** What lies on the plate by itself is no overhang: as flat as this, and within a layer of the lowest place. */
const LYING_COS = 0.9999;

/** Buffers that one look leaves to the next. */
export class QuickLooker {
  private readonly z: Float64Array;
  private readonly order: Uint32Array;
  private readonly parent: Int32Array;
  /** Height of the lowest vertex of a set, by its root. */
  private readonly lowest: Float64Array;
  private readonly buckets = new Uint32Array(SORT_BUCKETS + 1);

  constructor(private readonly surface: SearchSurface) {
    this.z = new Float64Array(surface.vertices);
    this.order = new Uint32Array(surface.vertices);
    this.parent = new Int32Array(surface.vertices);
    this.lowest = new Float64Array(surface.vertices);
  }

  /** Extent along a direction. */
  heightMm(direction: Direction): number {
    const { low, high } = this.raise(direction);
    return high - low;
  }

  /** Looks from one direction. O(vertices + triangles). */
  look(direction: Direction, options: QuickLookOptions): QuickLook {
    return this.lookIf(direction, options, () => true)!;
  }

  /** … unless it would not be worth it even without islands and cups: those cost most to find. */
  lookIf(
    direction: Direction,
    { layerMm, show }: QuickLookOptions,
    worthIt: (atBest: QuickLook) => boolean,
  ): QuickLook | undefined {
    const { low, high } = this.raise(direction);
    const faces = this.lookAtFaces(direction, low, high, low + layerMm, show);
    const atBest = { direction, heightMm: high - low, ...faces, islands: 0, cups: 0, cupDepthMm: 0 };
    if (!worthIt(atBest)) return undefined;
    return { ...atBest, ...this.followUp(direction, low, high, layerMm) };
  }

  private raise([dx, dy, dz]: Direction): { low: number; high: number } {
    const { positions: p, vertices } = this.surface;
    let low = Infinity;
    let high = -Infinity;
    for (let v = 0; v < vertices; v++) {
      const z = p[3 * v]! * dx + p[3 * v + 1]! * dy + p[3 * v + 2]! * dz;
      this.z[v] = z;
      if (z < low) low = z;
      if (z > high) high = z;
    }
    return { low, high };
  }

  /** Overhang, and the section's area by height: what looks down below a height less what looks up (divergence). */
  private lookAtFaces(
    [dx, dy, dz]: Direction,
    low: number,
    high: number,
    plateMm: number,
    show: Uint8Array | undefined,
  ) {
    const { normals: n, areas, middles: m } = this.surface;
    const steep = 2 * Math.sin((OVERHANG_LIMIT_DEG * Math.PI) / 180);
    const levels = new Float64Array(LEVELS);
    const perMm = LEVELS / Math.max(1e-9, high - low);
    let overhangMm2 = 0;
    let showOverhangMm2 = 0;
    let showStepsMm2 = 0;
    for (let t = 0; t < areas.length; t++) {
      const nz = n[3 * t]! * dx + n[3 * t + 1]! * dy + n[3 * t + 2]! * dz;
      const area = areas[t]!;
      const z = m[3 * t]! * dx + m[3 * t + 1]! * dy + m[3 * t + 2]! * dz;
      const lying = -nz > 2 * LYING_COS * area && z <= plateMm;
      const over = !lying && -nz > steep * area;
      if (over) overhangMm2 += area;
      if (show?.[t]) {
        const slope = Math.abs(nz) / (2 * area || 1);
        // What is pressed on the plate is no clean face either.
        if (over || lying) showOverhangMm2 += area;
        if (slope < FLAT_COS) showStepsMm2 += area * slope;
      }
      levels[Math.min(LEVELS - 1, Math.floor((z - low) * perMm))]! -= nz / 2;
    }
    let area = 0;
    let peakMm2 = 0;
    let firstMm2 = 0;
    for (let level = 0; level < LEVELS; level++) {
      area += levels[level]!;
      if (area > peakMm2) peakMm2 = area;
      if (level === 1) firstMm2 = area;
    }
    return { overhangMm2, showOverhangMm2, showStepsMm2, peakMm2, firstMm2 };
  }

  /**
   * Sweeps the surface upwards and joins what meets: where a set that began higher meets an older one it has grown by
   * so much alone. A beginning that faces down is an island, one that faces up the floor of a cup.
   */
  private followUp([dx, dy, dz]: Direction, low: number, high: number, layerMm: number) {
    const { vertices, start, next, vertexNormals: vn } = this.surface;
    const { z, parent, lowest } = this;
    this.sortByHeight(low, high);
    parent.fill(-1);
    let islands = 0;
    let cups = 0;
    let cupDepthMm = 0;
    const end = (root: number, at: number): void => {
      const grown = at - lowest[root]!;
      if (grown <= layerMm || lowest[root]! <= low + layerMm) return;
      const up = vn[3 * root]! * dx + vn[3 * root + 1]! * dy + vn[3 * root + 2]! * dz;
      if (up < 0) islands++;
      else {
        cups++;
        cupDepthMm += grown;
      }
    };
    for (let o = 0; o < vertices; o++) {
      const v = this.order[o]!;
      parent[v] = v;
      lowest[v] = z[v]!;
      // The set that began lower goes on; its root stays the vertex that it began at.
      let own = v;
      for (let e = start[v]!; e < start[v + 1]!; e++) {
        const other = next[e]!;
        if (parent[other]! < 0) continue;
        const met = this.root(other);
        if (met === own) continue;
        if (lowest[met]! <= lowest[own]!) {
          if (own !== v) end(own, z[v]!);
          parent[own] = met;
          own = met;
        } else {
          end(met, z[v]!);
          parent[met] = own;
        }
      }
    }
    // A body that met no other begins in mid-air for good.
    for (let v = 0; v < vertices; v++) if (parent[v] === v) end(v, high);
    return { islands, cups, cupDepthMm };
  }

  private root(v: number): number {
    const { parent } = this;
    let at = v;
    while (parent[at] !== at) {
      parent[at] = parent[parent[at]!]!;
      at = parent[at]!;
    }
    return at;
  }

  /** Counting sort: heights closer than a 65,536th of the part count as alike. */
  private sortByHeight(low: number, high: number): void {
    const { buckets, order, z } = this;
    const scale = (SORT_BUCKETS - 1) / Math.max(1e-9, high - low);
    buckets.fill(0);
    for (let v = 0; v < z.length; v++) buckets[Math.floor((z[v]! - low) * scale) + 1]!++;
    for (let b = 0; b < SORT_BUCKETS; b++) buckets[b + 1]! += buckets[b]!;
    for (let v = 0; v < z.length; v++) order[buckets[Math.floor((z[v]! - low) * scale)]!++] = v;
  }
}
