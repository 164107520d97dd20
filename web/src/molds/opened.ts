import type { ViewMesh } from '@zero-pour/jobs';
import { COLOURS } from '../theme/colours';
import type { Made } from './useMoldBlock';

/** At its widest each half stands off by so many times the block’s height. */
const WIDEST = 0.8;

/** Both halves moved apart along the pull, the part between them in its own colour. */
export interface OpenedMold extends ViewMesh {
  /** RGB bytes of each vertex. */
  colours: Uint8Array;
}

const rgbOf = (hex: string): [number, number, number] =>
  [1, 3, 5].map((at) => Number.parseInt(hex.slice(at, at + 2), 16)) as [number, number, number];

/** … as one surface round the block’s middle, each face with its own corners so that edges stay sharp. `open`: 0 to 1. */
export function opened({ shown, sizeMm }: Pick<Made, 'shown' | 'sizeMm'>, open: number): OpenedMold {
  const away = WIDEST * sizeMm[2] * open;
  const mold = rgbOf(COLOURS.bone);
  const bodies = [
    { mesh: shown.lower, up: -away, rgb: mold },
    ...(open > 0.02 ? [{ mesh: shown.part, up: 0, rgb: rgbOf(COLOURS.melt) }] : []),
    { mesh: shown.upper, up: away, rgb: mold },
  ];
  const middle = middleOf(shown.part.positions);
  const corners = bodies.reduce((sum, { mesh }) => sum + mesh.triangles.length, 0);
  const positions = new Float32Array(3 * corners);
  const colours = new Uint8Array(3 * corners);
  let v = 0;
  for (const { mesh, up, rgb } of bodies)
    for (const corner of mesh.triangles)
      for (let k = 0; k < 3; k++, v++) {
        positions[v] = mesh.positions[3 * corner + k]! - middle[k]! + (k === 2 ? up : 0);
        colours[v] = rgb[k]!;
      }
  return { positions, triangles: Uint32Array.from({ length: corners }, (_, n) => n), colours };
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
