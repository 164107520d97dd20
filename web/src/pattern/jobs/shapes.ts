import type { Pattern } from '@zero-pour/contracts';
import { readShape } from '@zero-pour/core';
import { partOf, pieceOf } from '@zero-pour/jobs';
import { fetchBytes } from '../../api/request';
import { useAnalyses } from './analysisStore';
import { keepShape, plainShape, type ViewShape } from './plainShapes';

export type { ViewShape };

const keepPainted = (hash: string): Promise<ViewShape> =>
  keepShape(hash, async () => readShape((await fetchBytes(hash)) as Uint8Array<ArrayBuffer>));

/**
 * Vertices and triangles of a kept pattern: of the piece, painted when it has been analysed; or of all that is printed,
 * with the sprues that its file holds.
 */
export async function shapeOf(pattern: Pattern, printed = false): Promise<ViewShape> {
  if (printed && pattern.sprues) return plainShape(partOf(pattern));
  const analyses = useAnalyses();
  await analyses.look(pattern);
  const state = analyses.of(pattern);
  return state.status === 'analysed' ? keepPainted(state.shapeHash) : plainShape(pieceOf(pattern));
}
