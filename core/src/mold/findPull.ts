import { measureBounds } from '../mesh';
import { evenDirection } from '../numeric';
import { pullAlong, type Direction, type PartMesh } from './pull';
import { findUndercuts, type UndercutMap } from './undercut';
import { choosePlane } from './partingPlane';

/** Directions over the half sphere that are tried, besides the axes and the part's own flat faces. */
const SPREAD = 40;
const FACES = 6;
/** Cells across the part: coarse to choose among many, in the end as fine as undercuts are told by. */
const COARSE = 40;
export const ACROSS = 180;
const BEST = 6;
/** Anything that is caught weighs more than what is convenient. */
const CAUGHT_COST = 0.05;
/** What a share of the outline off one plane, and a tall mold, weigh against trapped volume. */
const STEPPED_COST = 0.02;
const TALL_COST = 0.01;

export const cellFor = (part: Pick<PartMesh, 'positions'>, across: number): number => {
  const { min, max } = measureBounds(part.positions);
  return Math.max(...min.map((low, k) => max[k]! - low)) / across;
};

/** The direction that traps least (handbook 06); of as little, the one that one plane parts and that makes the lower mold. */
export function findPull(mesh: PartMesh, tell: (share: number) => void = () => {}): Direction {
  const own = [...AXES, ...faceDirections(mesh)];
  const coarse = spread().map((direction, n) => {
    tell((0.6 * n) / SPREAD);
    return { direction, cost: costOf(mesh, direction, COARSE) };
  });
  coarse.sort((a, b) => a.cost - b.cost);
  // What is finer than the coarse grid is caught by some of them all the same.
  const last = [...own, ...coarse.slice(0, BEST).map(({ direction }) => direction)];
  let best: { direction: Direction; cost: number } | undefined;
  for (const [n, direction] of last.entries()) {
    tell(0.6 + (0.4 * n) / last.length);
    const cost = costOf(mesh, direction, ACROSS);
    if (!best || cost < best.cost - 1e-9) best = { direction, cost };
  }
  return best!.direction;
}

const AXES: readonly Direction[] = [[0, 0, 1], [1, 0, 0], [0, 1, 0]]; // prettier-ignore
const spread = (): Direction[] =>
  Array.from({ length: 2 * SPREAD }, (_, n) => evenDirection(n, 2 * SPREAD)).filter(([, , z]) => z > 0);

/** Normals of the largest flat faces, each way along one line once. */
function faceDirections({ positions, triangles }: PartMesh): Direction[] {
  const areas = new Map<string, { sum: [number, number, number]; area: number }>();
  const p = (v: number, k: number): number => positions[3 * v + k]!;
  for (let t = 0; t < triangles.length; t += 3) {
    const [a, b, c] = [triangles[t]!, triangles[t + 1]!, triangles[t + 2]!];
    const e = [0, 1, 2].map((k) => p(b, k) - p(a, k));
    const f = [0, 1, 2].map((k) => p(c, k) - p(a, k));
    const n = [e[1]! * f[2]! - e[2]! * f[1]!, e[2]! * f[0]! - e[0]! * f[2]!, e[0]! * f[1]! - e[1]! * f[0]!];
    const area = Math.hypot(...n);
    if (!(area > 0)) continue;
    const lead = n.find((v) => Math.abs(v) > 0.3 * area)!;
    const unit = n.map((v) => (Math.sign(lead) * v) / area);
    const name = unit.map((v) => Math.round(12 * v)).join(' ');
    const face = areas.get(name) ?? { sum: [0, 0, 0], area: 0 };
    areas.set(name, face);
    face.area += area;
    unit.forEach((v, k) => (face.sum[k]! += v * area));
  }
  return [...areas.values()]
    .sort((a, b) => b.area - a.area)
    .slice(0, FACES)
    .map(({ sum }) => sum.map((v) => v / (Math.hypot(...sum) || 1)) as unknown as Direction);
}

function costOf(mesh: PartMesh, direction: Direction, across: number): number {
  const part = pullAlong(mesh, direction);
  const cell = cellFor(mesh, across);
  const map = findUndercuts(part, cell);
  return costOfMap(map);
}

function costOfMap(map: UndercutMap): number {
  const { frame, trappedMm3, solidMm3, undercuts } = map;
  const tallest = Math.max(frame.nx, frame.ny, frame.nz);
  return (
    trappedMm3 / (solidMm3 || 1) +
    (undercuts.length > 0 ? CAUGHT_COST : 0) +
    STEPPED_COST * choosePlane(map).offShare +
    (TALL_COST * frame.nz) / tallest
  );
}

/** What is caught of a part along a pull, on the grid that is told by. `scale`: how much larger the cavity is than the part is drawn. */
export function readAlong(mesh: PartMesh, pull: Direction, scale = 1): UndercutMap {
  const part = pullAlong(mesh, pull, scale);
  return findUndercuts(part, cellFor(part, ACROSS));
}
