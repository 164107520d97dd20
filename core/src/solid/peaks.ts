import { BRICK_CELLS, cellOf, entryOf, type Bricks } from './bricks';
import { sortByValue } from './ridge';

/** A separate maximum of a distance field, and the widest way from it to a higher one. */
export interface Peak {
  entry: number;
  /** Distance at the peak and at the saddle, cells. */
  distance: number;
  /** Index of the higher peak that the widest way leads to; −1 for the highest of a connected region. */
  parent: number;
  saddleEntry: number;
  saddleDistance: number;
}

export interface PeakTree {
  peaks: Peak[];
  /** Peak whose slope each cell lies on; −1 where the field is 0 or no brick stands. */
  basin: Int32Array;
  /** Every maximum of the field, those of one peak too. */
  all: AllPeaks;
}

/** All maxima, as they hang on each other: the narrowest saddle on the way between two is that of the widest way. */
export interface AllPeaks {
  /** Higher maximum that the widest way leads to, −1 for the highest of a connected region; and the saddle's cell. */
  parent: Int32Array;
  saddleEntry: Int32Array;
  /** Maximum whose slope each cell lies on; −1 in empty cells. Empty unless it was asked for. */
  basin: Int32Array;
}

/** Peaks whose saddle is higher than this share of the lower one are one (handbook 05, "Feed"). */
const ONE_PEAK_SHARE = 0.8;
/** … or that rise above it by no more than a cell. */
const ONE_PEAK_CELLS = 1;

/**
 * Cells in falling order of distance, joined to their neighbours (26 in thin places) that came before (sorted union-find): where
 * two regions meet is the narrowest place of the widest way between their peaks. O(N log N) in cells.
 * `keepAll` keeps the slopes of all maxima.
 */
export function findPeaks(bricks: Bricks, field: Uint16Array, keepAll = false): PeakTree {
  return new PeakSearch(bricks, field).run(keepAll);
}

class PeakSearch {
  private readonly root: Int32Array;
  private readonly basin: Int32Array;
  private readonly peaks: Peak[] = [];
  /** Peak that an absorbed peak belongs to; itself otherwise. */
  private readonly alias: number[] = [];
  /** Highest peak of the region under each region root, by the root's peak number. */
  private readonly highest: number[] = [];
  private readonly cell = new Int32Array(3);

  constructor(
    private readonly bricks: Bricks,
    private readonly field: Uint16Array,
  ) {
    this.root = new Int32Array(field.length).fill(-1);
    this.basin = new Int32Array(field.length).fill(-1);
  }

  run(keepAll: boolean): PeakTree {
    const { field } = this;
    const cells: number[] = [];
    for (let e = 0; e < field.length; e++) if (field[e] !== 0) cells.push(e);
    const sorted = sortByValue(field, Uint32Array.from(cells));
    for (let n = 0; n < sorted.length; n++) this.add(sorted[n]!);
    return this.result(keepAll);
  }

  private find(region: number): number {
    let at = region;
    const { root } = this;
    while (root[at] !== at) {
      root[at] = root[root[at]!]!;
      at = root[at]!;
    }
    return at;
  }

  /** Regions are named by the entry of their first cell; `basin` of that cell is its peak. */
  private add(entry: number): void {
    const { bricks, field, root, basin, cell } = this;
    cellOf(bricks, entry, cell);
    let uphill = -1;
    let region = -1;
    const interior = isInterior(entry);
    const steps = field[entry]! > WIDE2 ? FACES : ALL;
    for (let s = 0; s < steps.length; s++) {
      const n = steps[s]!;
      const e = interior
        ? entry + LOCAL[n]!
        : entryOf(bricks, cell[0]! + DX[n]!, cell[1]! + DY[n]!, cell[2]! + DZ[n]!);
      if (e < 0 || root[e]! < 0) continue;
      if (uphill < 0 || field[e]! > field[uphill]!) uphill = e;
      if (root[e] === region) continue;
      const other = this.find(e);
      if (region < 0) region = other;
      else if (other !== region) region = this.meet(region, other, entry);
    }
    if (region < 0) {
      root[entry] = entry;
      basin[entry] = this.peaks.length;
      this.alias.push(this.peaks.length);
      this.highest.push(this.peaks.length);
      this.peaks.push({
        entry,
        distance: Math.sqrt(field[entry]!),
        parent: -1,
        saddleEntry: -1,
        saddleDistance: 0,
      });
      return;
    }
    root[entry] = region;
    basin[entry] = basin[uphill]!;
  }

  /** Two regions meet at a cell: the lower peak is one with the higher, or hangs on it by this saddle. */
  private meet(a: number, b: number, saddle: number): number {
    const [pa, pb] = [this.highest[this.basin[a]!]!, this.highest[this.basin[b]!]!];
    const aIsHigher = this.peaks[pa]!.distance >= this.peaks[pb]!.distance;
    const [upper, lower] = aIsHigher ? [a, b] : [b, a];
    const [upperPeak, lowerPeak] = aIsHigher ? [pa, pb] : [pb, pa];
    const peak = this.peaks[lowerPeak]!;
    const distance = Math.sqrt(this.field[saddle]!);
    if (distance > ONE_PEAK_SHARE * peak.distance || peak.distance - distance <= ONE_PEAK_CELLS) {
      this.alias[lowerPeak] = upperPeak;
    }
    peak.parent = upperPeak;
    peak.saddleEntry = saddle;
    peak.saddleDistance = distance;
    this.root[lower] = upper;
    return upper;
  }

  private result(keepAll: boolean): PeakTree {
    const resolve = (p: number): number => {
      let at = p;
      while (this.alias[at] !== at) at = this.alias[at]!;
      return at;
    };
    const kept = this.peaks.map((_, p) => p).filter((p) => this.alias[p] === p);
    const number = new Map(kept.map((p, n) => [p, n]));
    const peaks = kept.map((p) => {
      const peak = this.peaks[p]!;
      return { ...peak, parent: peak.parent < 0 ? -1 : number.get(resolve(peak.parent))! };
    });
    const to = Int32Array.from(this.peaks, (_, p) => number.get(resolve(p))!);
    const { basin } = this;
    const all: AllPeaks = {
      parent: Int32Array.from(this.peaks, ({ parent }) => parent),
      saddleEntry: Int32Array.from(this.peaks, ({ saddleEntry }) => saddleEntry),
      basin: keepAll ? basin.slice() : new Int32Array(0),
    };
    for (let e = 0; e < basin.length; e++) if (basin[e]! >= 0) basin[e] = to[basin[e]!]!;
    return { peaks, basin, all };
  }
}

const DX = Int32Array.from({ length: 27 }, (_, n) => (n % 3) - 1);
const DY = Int32Array.from({ length: 27 }, (_, n) => (Math.floor(n / 3) % 3) - 1);
const DZ = Int32Array.from({ length: 27 }, (_, n) => Math.floor(n / 9) - 1);
const ALL = Int32Array.from({ length: 27 }, (_, n) => n).filter((n) => n !== 13);
const FACES = ALL.filter((n) => Math.abs(DX[n]!) + Math.abs(DY[n]!) + Math.abs(DZ[n]!) === 1);
/** Squared distance above which the way is wide enough to go by faces; a thin slanting wire hangs by corners. */
const WIDE2 = 8;
/** Steps to the 26 neighbours inside a brick. */
const LOCAL = Int32Array.from({ length: 27 }, (_, n) => DX[n]! + 8 * DY[n]! + 64 * DZ[n]!);

/** Whether all 26 neighbours lie in the same brick. */
function isInterior(entry: number): boolean {
  const local = entry % BRICK_CELLS;
  const [x, y, z] = [local & 7, (local >> 3) & 7, local >> 6];
  return x > 0 && x < 7 && y > 0 && y < 7 && z > 0 && z < 7;
}
