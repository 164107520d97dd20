import { measureBounds, splitLongEdges, type Bounds, type WeldedMesh } from '../mesh';
import {
  boundaryTest,
  boundaryTriangles,
  bricksNearSolid,
  cutSolid,
  distancesInside,
  distancesOutside,
  frameRound,
  TriangleTree,
  type Bricks,
  type CellFrame,
  type Dexels,
} from '../solid';
import { BAND_CELLS_MAX, chooseResolution, GAP_MAX_MM, type Resolution } from './grids';
import type { PatternMeasure } from './readPattern';

type Mesh = Pick<WeldedMesh, 'positions' | 'triangles'>;

/** A part as it is read, in plain buffers: another thread that is given it reads the same. */
export interface Part {
  mesh: Mesh;
  measure: PatternMeasure;
  /** Bodies of it overlap, and no engine has united them: their inner faces are no surface. */
  overlaps: boolean;
}

/** Distances to the surface over some bricks. */
export interface FieldGrid {
  bricks: Bricks;
  field: Uint16Array;
}

/** Longest edge over which a value at the corners may be carried, and how many pieces a part may be split into. */
const EDGE_MM = 0.8;
const PIECES_MAX = 400_000;
/** … or this many times its triangles, where they are slivers. */
const PIECES_EACH = 4;

/**
 * The mesh that the paint belongs to: vertices of the file first, then those of its long edges. A part with few
 * large faces has too few corners to carry what was measured over them.
 */
export function paintedMesh({ mesh, measure }: Part): Mesh {
  const longestMm = Math.max(EDGE_MM, Math.sqrt((6 * measure.areaMm2) / PIECES_MAX));
  return splitLongEdges(mesh, longestMm, Math.max(PIECES_MAX, PIECES_EACH * (mesh.triangles.length / 3)));
}

/**
 * What all readings of a part go by: rays, grids, the tree of its surface. Each is made when it is first asked for, so that
 * a thread makes no more than its own readings need. O(triangles · log triangles + cells).
 */
export class PartSolid {
  readonly bounds: Bounds;
  readonly resolution: Resolution;
  readonly bandCells: number;
  /** Margin and cells of the mid grid. */
  private readonly frame: CellFrame;
  private readonly made = new Map<string, unknown>();

  constructor(readonly part: Part) {
    this.bounds = measureBounds(part.mesh.positions);
    this.resolution = chooseResolution(this.bounds, part.measure.volumeMm3);
    const { midMm } = this.resolution;
    this.bandCells = Math.min(BAND_CELLS_MAX, Math.ceil(GAP_MAX_MM / 2 / midMm));
    this.frame = frameRound(this.bounds, midMm, this.bandCells + 2);
  }

  private once<T>(name: string, make: () => T): T {
    if (!this.made.has(name)) this.made.set(name, make());
    return this.made.get(name) as T;
  }

  private get fineCut(): { dexels: Dexels; openShare: number } {
    const frame = frameRound(this.bounds, this.resolution.fineMm, 1);
    return this.once('fine', () => cutSolid(this.part.mesh, frame));
  }
  /** Share of the finest rays that end in the open. */
  get openShare(): number {
    return this.fineCut.openShare;
  }
  /** The finest rays. */
  get fine(): Dexels {
    return this.fineCut.dexels;
  }
  get mid(): Dexels {
    return this.once('mid', () => cutSolid(this.part.mesh, this.frame).dexels);
  }
  /** The mid grid's bricks: of the solid, and of the band round it. */
  get bricks(): Bricks {
    return this.once('bricks', () => bricksNearSolid(this.mid, this.frame, this.bandCells));
  }
  /** Distances in the solid, on the mid grid. */
  get inside(): Uint16Array {
    return this.once('inside', () => distancesInside(this.mid, this.bricks));
  }
  /** … and in the band round it. */
  get outside(): Uint16Array {
    return this.once('outside', () => distancesOutside(this.mid, this.bricks, this.bandCells));
  }
  get tree(): TriangleTree {
    const { mesh, overlaps } = this.part;
    return this.once('tree', () =>
      overlaps
        ? boundaryTree(paintedMesh(this.part), this.fine)
        : new TriangleTree(mesh.positions, mesh.triangles),
    );
  }
}

/** Overlapping bodies that no engine has united: their faces inside each other are not surface. */
function boundaryTree(mesh: Mesh, dexels: Dexels): TriangleTree {
  const isBoundary = boundaryTest(mesh, dexels);
  return new TriangleTree(mesh.positions, mesh.triangles, boundaryTriangles(mesh, isBoundary), isBoundary);
}
