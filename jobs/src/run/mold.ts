import {
  asDrawn,
  cutLine,
  findPull,
  makeMoldBlock,
  pullAlong,
  readAlong,
  rotatePoints,
  uprightTurn,
  type MoldHalf,
  type WeldedMesh,
} from '@zero-pour/core';
import type { BlockInput, MadeBlock, PullReading, ShadesInput, Undercuts, UndercutsInput } from '../mold';
import type { ViewMesh } from '../shape';
import { asFile } from './asFile';
import type { Run } from './context';
import { readPart } from './readPart';

function pullReading(mesh: WeldedMesh, pull: [number, number, number], scale: number): PullReading {
  const map = readAlong(mesh, pull, scale);
  const { turn } = pullAlong(mesh, pull);
  return {
    pull,
    undercuts: map.undercuts.map((one) => ({ ...one, at: asDrawn(one.at, turn, scale) })),
    trappedMm3: map.trappedMm3,
    cellMm: map.frame.cellMm,
    line: cutLine(map, turn, scale),
  };
}

export const readUndercuts: Run<UndercutsInput, Undercuts> = async ({ part, scale, pull }, context) => {
  const { mesh } = await readPart(part, context);
  const report = (share: number): void => context.report('turning', 0.1 + 0.7 * share);
  const best = [...findPull(mesh, report)] as [number, number, number];
  context.report('reading', 0.85);
  if (!pull) return { output: { asked: pullReading(mesh, best, scale), best: null } };
  return { output: { asked: pullReading(mesh, pull, scale), best: pullReading(mesh, best, scale) } };
};

export const shadeUndercuts: Run<ShadesInput, Float32Array> = async ({ part, pull, places }, context) => {
  const { mesh } = await readPart(part, context);
  const { frame, depths } = readAlong(mesh, pull);
  const { nx, ny, nz, cellMm, originMm } = frame;
  const bytes = await context.blob(places);
  const points = new Float32Array(bytes.buffer, bytes.byteOffset, bytes.byteLength / 4);
  const at = rotatePoints(points, uprightTurn(pull));
  const shades = new Float32Array(points.length / 3);
  for (let v = 0; v < shades.length; v++) {
    const [i, j, k] = [0, 1, 2].map((n) => Math.round((at[3 * v + n]! - originMm[n]!) / cellMm)) as [
      number,
      number,
      number,
    ];
    // The mold beside a vertex lies in one of the cells round it.
    for (let dk = -1; dk <= 1; dk++)
      for (let dj = -1; dj <= 1; dj++)
        for (let di = -1; di <= 1; di++) {
          const [a, b, c] = [i + di, j + dj, k + dk];
          if (a < 0 || b < 0 || c < 0 || a >= nx || b >= ny || c >= nz) continue;
          shades[v] = Math.max(shades[v]!, depths[(c * ny + b) * nx + a]!);
        }
  }
  return { output: shades };
};

export const makeBlock: Run<BlockInput, MadeBlock> = async ({ part, scale, pull, form }, context) => {
  const { mesh } = await readPart(part, context);
  const engine = await context.engine();
  const made = makeMoldBlock(mesh, pull, { scale, form }, engine, context.report);
  if (made.status === 'refused') return { output: made };
  const { lower, upper, ...facts } = made;
  const [lowerFile, upperFile] = [await asFile(lower), await asFile(turnedOver(upper))];
  // What float32 does not hold apart may leave a half open: such a file is not offered.
  if (!lowerFile.measure.closed || !upperFile.measure.closed)
    return { output: { status: 'refused', why: 'not one', mm: 0 } };
  const shown = { lower: viewOf(lower), upper: viewOf(upper), part: viewOf(pullAlong(mesh, pull, scale)) };
  return { output: { ...facts, lower: lowerFile, upper: upperFile, shown } } as { output: MadeBlock };
};

/** The upper half lies on its outside. */
const turnedOver = ({ positions, triangles }: MoldHalf) => ({
  positions: positions.map((v, n) => (n % 3 === 0 ? v : -v)),
  triangles,
});
const viewOf = ({ positions, triangles }: Pick<WeldedMesh, 'positions' | 'triangles'>): ViewMesh => ({
  positions: Float32Array.from(positions),
  triangles: triangles.slice(),
});
