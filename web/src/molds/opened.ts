import type { ViewMesh } from '@zero-pour/jobs';
import type { Made } from './useMoldBlock';

/** At its widest each half stands off by so many times the block’s height. */
const WIDEST = 0.7;

/** Both halves moved apart along the pull with the part between them, as one surface round the block’s middle. `open`: 0 to 1. */
export function opened({ shown, sizeMm }: Pick<Made, 'shown' | 'sizeMm'>, open: number): ViewMesh {
  const away = WIDEST * sizeMm[2] * open;
  const bodies = [
    { mesh: shown.lower, up: -away },
    ...(open > 0.02 ? [{ mesh: shown.part, up: 0 }] : []),
    { mesh: shown.upper, up: away },
  ];
  const middle = middleOf(shown.part.positions);
  const positions = new Float32Array(bodies.reduce((sum, { mesh }) => sum + mesh.positions.length, 0));
  const triangles = new Uint32Array(bodies.reduce((sum, { mesh }) => sum + mesh.triangles.length, 0));
  let [v, t] = [0, 0];
  for (const { mesh, up } of bodies) {
    for (const corner of mesh.triangles) triangles[t++] = corner + v / 3;
    for (let n = 0; n < mesh.positions.length; n++, v++)
      positions[v] = mesh.positions[n]! - middle[n % 3]! + (n % 3 === 2 ? up : 0);
  }
  return { positions, triangles };
}

function middleOf(positions: Float32Array): [number, number, number] {
  const low = [Infinity, Infinity, Infinity];
  const high = [-Infinity, -Infinity, -Infinity];
  for (let n = 0; n < positions.length; n++) {
    low[n % 3] = Math.min(low[n % 3]!, positions[n]!);
    high[n % 3] = Math.max(high[n % 3]!, positions[n]!);
  }
  return [0, 1, 2].map((k) => (low[k]! + high[k]!) / 2) as [number, number, number];
}
