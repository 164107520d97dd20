import type { WeldedMesh } from '../mesh';
import { columnsOf, type CellFrame } from './columnGrid';
import { crossColumns, solidRuns, type Dexels } from './dexels';
import { TriangleTree } from './triangleTree';
import { WindingField } from './windingNumber';

/** More rays than this share that end in the open: inside and outside cannot be told. */
export const OPEN_SHARE_MAX = 0.05;

/** Rays along z; those that end in the open are decided by winding numbers. `openShare`: of the rays that meet the part. */
export function cutSolid(
  { positions, triangles }: Pick<WeldedMesh, 'positions' | 'triangles'>,
  frame: CellFrame,
): { dexels: Dexels; openShare: number } {
  const crossings = crossColumns(positions, triangles, columnsOf(frame));
  let field: WindingField | undefined;
  const dexels = solidRuns(
    crossings,
    (u, v, w) => (field ??= new WindingField(new TriangleTree(positions, triangles))).at(u, v, w) > 0.5,
  );
  let met = 0;
  for (let c = 0; c + 1 < crossings.starts.length; c++)
    if (crossings.starts[c + 1]! > crossings.starts[c]!) met++;
  return { dexels, openShare: met > 0 ? dexels.unbalancedColumns / met : 0 };
}
