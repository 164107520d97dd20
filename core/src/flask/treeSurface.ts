import type { TriangleTree } from '../solid';
import { branchAxis, branchesOf, type TreeSprue } from './branches';
import { hang } from './clearOf';
import type { FlaskRoom, HungPiece } from './hangTree';
import type { HungShape } from './hungShape';
import { middleOf } from './hungShape';
import { frameRoundAxis, type Pose } from './pose';

type Vec = readonly [number, number, number];

/** Sides of a round sprue in the picture. */
const SIDES = 24;

/** A tree as one surface: parts, gates, branches and main sprue down to the base. Positions in the flask's axes, mm. */
export function treeSurface(
  shapes: readonly HungShape[],
  pieces: readonly HungPiece[],
  room: FlaskRoom,
  sprue: TreeSprue | null,
): { positions: Float32Array; triangles: Uint32Array; middles: [number, number, number][] } {
  const hung = pieces.map((piece) => hang(shapes[piece.kind]!, piece));
  const bodies = hung.flatMap(({ shape, pose }) => [
    { tree: shape.tree as Surface, pose: pose as Pose | undefined },
    ...(shape.bar ? [{ tree: shape.bar as Surface, pose: pose as Pose | undefined }] : []),
  ]);
  const bars = sprue ? barsOf(pieces, room, sprue) : [];
  bodies.push(...bars.map((tree) => ({ tree, pose: undefined })));
  const corners = bodies.reduce((sum, { tree }) => sum + tree.positions.length, 0);
  const faces = bodies.reduce((sum, { tree }) => sum + tree.triangles.length, 0);
  const positions = new Float32Array(corners);
  const triangles = new Uint32Array(faces);
  let [v, t] = [0, 0];
  for (const { tree, pose } of bodies) {
    for (let n = 0; n < tree.triangles.length; n++) triangles[t++] = tree.triangles[n]! + v / 3;
    v = copyPosed(tree.positions, pose, positions, v);
  }
  return { positions, triangles, middles: hung.map(({ shape, pose }) => [...middleOf(shape, pose)]) };
}

type Surface = Pick<TriangleTree, 'positions' | 'triangles'>;

function copyPosed(from: Float64Array, pose: Pose | undefined, to: Float32Array, at: number): number {
  if (!pose) {
    to.set(from, at);
    return at + from.length;
  }
  const { turn: m, at: o } = pose;
  for (let n = 0; n < from.length; n += 3, at += 3) {
    const x = from[n]!, y = from[n + 1]!, z = from[n + 2]!; // prettier-ignore
    to[at] = m[0]! * x + m[1]! * y + m[2]! * z + o[0];
    to[at + 1] = m[3]! * x + m[4]! * y + m[5]! * z + o[1];
    to[at + 2] = m[6]! * x + m[7]! * y + m[8]! * z + o[2];
  }
  return at;
}

function barsOf(pieces: readonly HungPiece[], { coneHeightMm }: FlaskRoom, sprue: TreeSprue): Surface[] {
  const { branchDiameterMm = 0 } = sprue;
  return [
    bar(sprue.diameterMm / 2, [0, 0, 0], [0, 0, coneHeightMm + sprue.lengthMm]),
    ...branchesOf(pieces, branchDiameterMm).map((branch) =>
      bar(branchDiameterMm / 2, ...branchAxis(branch, branchDiameterMm)),
    ),
  ];
}

/** A round bar from one place to another, closed at both ends. */
function bar(radius: number, from: Vec, to: Vec): Surface {
  const length = Math.hypot(to[0] - from[0], to[1] - from[1], to[2] - from[2]) || 1;
  const along: Vec = [(to[0] - from[0]) / length, (to[1] - from[1]) / length, (to[2] - from[2]) / length];
  const [u, w] = frameRoundAxis(along);
  const positions: number[] = [...from, ...to];
  const triangles: number[] = [];
  for (let n = 0; n < SIDES; n++) {
    const angle = (2 * Math.PI * n) / SIDES;
    const [c, s] = [radius * Math.cos(angle), radius * Math.sin(angle)];
    for (const end of [from, to])
      positions.push(
        end[0] + c * u[0] + s * w[0],
        end[1] + c * u[1] + s * w[1],
        end[2] + c * u[2] + s * w[2],
      );
    const [a, b] = [2 + 2 * n, 2 + 2 * ((n + 1) % SIDES)];
    triangles.push(a, b, a + 1, b, b + 1, a + 1, 0, b, a, 1, a + 1, b + 1);
  }
  return { positions: Float64Array.from(positions), triangles: Uint32Array.from(triangles) };
}
