import { measureBounds, type WeldedMesh } from '../../mesh';
import { OVERHANG_LIMIT_DEG } from '../overhang';
import { measurePrintDirection, type PrintDirection } from '../printDirection';
import { rotatePoints, rotationMatrix, transposed, type Rotation } from '../rotation';
import { hangingPieces } from './hanging';
import { mirrorPlane } from './mirror';
import { StackProbe } from './stackProbe';

export const SUPPORT_POINT_WEIGHTS = ['fine', 'middle', 'heavy'] as const;
export type SupportPointWeight = (typeof SUPPORT_POINT_WEIGHTS)[number];

/** A place that asks for a support. */
export interface SupportPoint {
  /** In the file's mm. */
  at: [number, number, number];
  why: 'island' | 'overhang' | 'other side';
  weight: SupportPointWeight;
  /** Among the first that carry the part: thick. */
  anchor: boolean;
  /** Whether cutters reach it again. */
  cut: 'free' | 'hard' | 'closed in';
  /** Its foot would stand on the part itself. */
  onPart: boolean;
}

export interface SupportAdvice {
  points: SupportPoint[];
  /** Where something begins in mid-air, in the file's mm. */
  islands: [number, number, number][];
  /** Left, or front and back, are alike, and so are their supports. */
  bothSides: boolean;
  /** Some places are left out: there are more than anybody would set. */
  more: boolean;
  direction: PrintDirection;
}

/** Points are no closer than this, mm: one for every 4 mm² of overhang (shop default). */
export const SUPPORT_SPACING_MM = 2;
/** Points this near its lowest carry the part from the first layers, mm. */
const ANCHOR_MM = 1.5;
/** What is cured this far above a point, and round it, hangs on it, mm; from which area it is middle and heavy, mm². */
const ABOVE_MM = 1;
const ROUND_MM = 1.5;
const MIDDLE_MM2 = 1.5;
const HEAVY_MM2 = 5;
/** A first layer of this share of the largest is a foot to stand on. */
const FOOT_SHARE = 0.25;
/** Cutters want this much room round a stub, a little below it, mm. */
const CUTTER_MM = 3;
const STUB_MM = 1;
const RAYS = 16;
const RAYS_HARD = 10;
const POINTS_MOST = 400;
const CUT_MM = 0.1;
/** The part is met within this above a point that holds it, mm. */
const ON_IT_MM = 0.3;

/** A place in turned mm, before it is weighed. */
interface Place {
  at: [number, number, number];
  why: SupportPoint['why'];
}

/** Places at least the spacing apart, in the order they are offered. */
class Spread {
  readonly places: Place[] = [];
  private readonly cells = new Map<string, Place[]>();

  private near([x, y, z]: Place['at']): boolean {
    const [cx, cy] = [Math.floor(x / SUPPORT_SPACING_MM), Math.floor(y / SUPPORT_SPACING_MM)];
    for (let i = -1; i <= 1; i++)
      for (let j = -1; j <= 1; j++)
        for (const { at } of this.cells.get(`${cx + i} ${cy + j}`) ?? [])
          if (Math.hypot(at[0] - x, at[1] - y, at[2] - z) < SUPPORT_SPACING_MM) return true;
    return false;
  }

  offer(place: Place): void {
    if (this.places.length >= POINTS_MOST || this.near(place.at)) return;
    const [x, y] = place.at;
    const key = `${Math.floor(x / SUPPORT_SPACING_MM)} ${Math.floor(y / SUPPORT_SPACING_MM)}`;
    this.cells.set(key, [...(this.cells.get(key) ?? []), place]);
    this.places.push(place);
  }
}

/**
 * Where a part standing so wants supports, how heavy each, and which will be hard to cut off again (handbook 04, "Way
 * up"): under islands, and over overhanging faces from the lowest up; a part that is alike on both sides is held alike,
 * since an unsupported side pulls oval. Advice, not a built support.
 */
export function adviseSupports(
  mesh: Pick<WeldedMesh, 'positions' | 'triangles'>,
  rotation: Rotation,
  layerMm: number,
): SupportAdvice {
  const cutMm = Math.max(CUT_MM, layerMm);
  const { direction, stack } = measurePrintDirection(mesh, { rotation, layerMm: cutMm, pixelMm: cutMm });
  const matrix = rotationMatrix(rotation);
  const positions = rotatePoints(mesh.positions, matrix);
  const lowestMm = measureBounds(positions).min[2];
  const spread = new Spread();
  for (const { at } of direction.islands) spread.offer({ at, why: 'island' });
  const turned = { positions, triangles: mesh.triangles };
  for (const { at } of hangingPieces(turned, OVERHANG_LIMIT_DEG, lowestMm))
    spread.offer({ at, why: 'overhang' });
  const probe = new StackProbe(stack);
  const planes = ([0, 1] as const).flatMap((axis) => {
    const plane = mirrorPlane(stack, axis);
    return plane === null ? [] : [{ axis, plane }];
  });
  for (const { axis, plane } of planes)
    for (const { at } of [...spread.places]) {
      const other: Place['at'] = [...at];
      other[axis] = 2 * plane - at[axis];
      // Alike is not the same: where the other side has nothing, nothing is held.
      if (isUnder(probe, other)) spread.offer({ at: other, why: 'other side' });
    }
  const back = transposed(matrix);
  const inFile = (at: Place['at']): [number, number, number] =>
    [...rotatePoints(at, back)] as [number, number, number];
  const hasFoot = direction.firstLayerMm2 >= FOOT_SHARE * direction.peak.areaMm2;
  return {
    points: spread.places.map(({ at, why }) => ({
      at: inFile(at),
      why,
      ...weigh(probe, at, !hasFoot && at[2] - lowestMm <= ANCHOR_MM),
    })),
    islands: direction.islands.map(({ at }) => inFile(at)),
    bothSides: planes.length > 0,
    more: spread.places.length >= POINTS_MOST,
    direction,
  };
}

/** Whether the part begins just above a place. */
const isUnder = (probe: StackProbe, [x, y, z]: Place['at']): boolean =>
  probe.isSolid(x, y, probe.layerAt(z + ON_IT_MM));

function weigh(
  probe: StackProbe,
  [x, y, z]: Place['at'],
  anchor: boolean,
): Pick<SupportPoint, 'weight' | 'anchor' | 'cut' | 'onPart'> {
  const above = probe.areaNear(x, y, probe.layerAt(z + ABOVE_MM), ROUND_MM);
  const byArea = above >= HEAVY_MM2 ? 2 : above >= MIDDLE_MM2 ? 1 : 0;
  const under = probe.layerAt(z - STUB_MM);
  const blocked = probe.blockedRays(x, y, under, CUTTER_MM, RAYS);
  let onPart = false;
  for (let layer = under; layer >= 0 && !onPart; layer--) onPart = probe.isSolid(x, y, layer);
  return {
    // An anchor is one step heavier than what hangs on it asks.
    weight: SUPPORT_POINT_WEIGHTS[Math.min(2, byArea + (anchor ? 1 : 0))]!,
    anchor,
    cut: blocked === RAYS ? 'closed in' : blocked >= RAYS_HARD ? 'hard' : 'free',
    onPart,
  };
}
