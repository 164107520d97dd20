import { measureBounds, sizeOf, type WeldedMesh } from '../mesh';
import { InputError } from '../numeric';
import { sweepDexels, type ColumnGrid } from '../solid';
import { findIslands, type Island } from './islands';
import { layerPerimeter, stackLayers, type LayerStack } from './layers';
import { measureOverhang, OVERHANG_LIMIT_DEG } from './overhang';
import { rotatePoints, rotationMatrix, type Rotation } from './rotation';
import { findSuctionCups, type SuctionCup } from './suctionCups';

export interface PrintDirectionInput {
  rotation: Rotation;
  layerMm: number;
  pixelMm: number;
  /** From the vertical; OVERHANG_LIMIT_DEG by default. */
  overhangLimitDeg?: number;
}

/** What a print in one direction meets, layer by layer from the plate. Places are in the turned part's mm. */
export interface PrintDirection {
  heightMm: number;
  areaMm2: number[];
  perimeterMm: number[];
  overhangByLayerMm2: number[];
  overhangMm2: number;
  firstLayerMm2: number;
  peak: { layer: number; areaMm2: number };
  meanAreaMm2: number;
  /** Largest change of area from one layer to the next: it leaves a line. */
  jump: { layer: number; changeMm2: number };
  islands: Island[];
  cups: SuctionCup[];
}

/** More cells than this are a wrong pixel or layer, not a print. */
const RAYS_MAX = 20_000_000;
/** Empty pixels round the part, so that what is outside is known. */
const RIM = 1;

/**
 * Cuts a part into layers for one rotation and finds what peeling meets (handbook 04, "Way up").
 * The stack itself comes back for showing. Throws InputError on a layer or pixel that makes no sense.
 * O(triangles + layers · rows).
 */
export function measurePrintDirection(
  mesh: Pick<WeldedMesh, 'positions' | 'triangles'>,
  input: PrintDirectionInput,
): { direction: PrintDirection; stack: LayerStack } {
  const { layerMm, pixelMm } = input;
  if (!(layerMm > 0)) throw new InputError('layerMm', 'a layer height above 0', layerMm);
  if (!(pixelMm > 0)) throw new InputError('pixelMm', 'a pixel size above 0', pixelMm);
  const positions = rotatePoints(mesh.positions, rotationMatrix(input.rotation));
  const { min, max } = measureBounds(positions);
  const [width, depth, heightMm] = sizeOf({ min, max });
  const layers = Math.max(1, Math.ceil(heightMm / layerMm));
  const rows = Math.ceil(depth / pixelMm) + 1 + 2 * RIM;
  if (layers * rows > RAYS_MAX)
    throw new InputError('layerMm', 'layers and pixels that the part can be cut into', layerMm);
  const columns = Math.ceil(width / pixelMm) + 1 + 2 * RIM;
  // Pixel lines stand an irrational share off the part's own round numbers, as in solid/columnGrid.
  const grid: ColumnGrid = {
    axes: [1, 2, 0],
    u0: min[1] - (RIM + Math.SQRT2 - 1) * pixelMm,
    v0: min[2] + layerMm / 2,
    du: pixelMm,
    dv: layerMm,
    nu: rows,
    nv: layers,
  };
  const dexels = sweepDexels(positions, mesh.triangles, grid);
  const stack = stackLayers(dexels, min[0] - (RIM + Math.sqrt(3) - 1) * pixelMm, columns, layerMm);
  const areaMm2 = layerAreas(dexels.starts, dexels.ends, rows, layers, pixelMm);
  const overhang = measureOverhang(
    { positions, triangles: mesh.triangles },
    input.overhangLimitDeg ?? OVERHANG_LIMIT_DEG,
    min[2],
    layerMm,
    layers,
  );
  const direction: PrintDirection = {
    heightMm,
    areaMm2,
    perimeterMm: areaMm2.map((area, layer) => (area > 0 ? layerPerimeter(stack, layer) : 0)),
    overhangByLayerMm2: [...overhang.byLayerMm2],
    overhangMm2: overhang.areaMm2,
    firstLayerMm2: areaMm2[0]!,
    ...peaksOf(areaMm2),
    islands: findIslands(stack),
    cups: findSuctionCups(stack),
  };
  return { direction, stack };
}

/** Exact run lengths times the pixel's width. */
function layerAreas(
  starts: Uint32Array,
  ends: Float64Array,
  rows: number,
  layers: number,
  pixelMm: number,
): number[] {
  return Array.from({ length: layers }, (_, layer) => {
    let length = 0;
    for (let r = starts[layer * rows]!; r < starts[(layer + 1) * rows]!; r++)
      length += ends[2 * r + 1]! - ends[2 * r]!;
    return length * pixelMm;
  });
}

function peaksOf(areaMm2: readonly number[]): Pick<PrintDirection, 'peak' | 'meanAreaMm2' | 'jump'> {
  const peak = { layer: 0, areaMm2: 0 };
  const jump = { layer: 0, changeMm2: 0 };
  areaMm2.forEach((area, layer) => {
    if (area > peak.areaMm2) Object.assign(peak, { layer, areaMm2: area });
    const change = layer > 0 ? area - areaMm2[layer - 1]! : 0;
    if (Math.abs(change) > Math.abs(jump.changeMm2)) Object.assign(jump, { layer, changeMm2: change });
  });
  return { peak, jump, meanAreaMm2: areaMm2.reduce((sum, area) => sum + area, 0) / areaMm2.length };
}
