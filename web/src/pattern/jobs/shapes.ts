import type { Pattern } from '@zero-pour/contracts';
import { readShape, type SurfacePaint } from '@zero-pour/core';
import { partOf, pieceOf, shapeJob, type PartInput } from '@zero-pour/jobs';
import { fetchBytes } from '../../api/request';
import { runJob } from '../../jobs';
import { useAnalyses } from './analysisStore';

/** A part for the view; painted once it has been analysed. */
export interface ViewShape {
  positions: Float32Array;
  triangles: Uint32Array;
  paint?: SurfacePaint;
}

/** The last few shapes that were looked at, by the hash of their bytes. */
const KEPT = 4;
const shapes = new Map<string, Promise<ViewShape>>();

function keep(key: string, make: () => Promise<ViewShape>): Promise<ViewShape> {
  const found = shapes.get(key) ?? make();
  shapes.delete(key);
  shapes.set(key, found);
  found.catch(() => shapes.delete(key));
  while (shapes.size > KEPT) shapes.delete(shapes.keys().next().value!);
  return found;
}

const keepPlain = (part: PartInput): Promise<ViewShape> =>
  keep(`${part.file} ${part.unitMm}`, async () => (await runJob(shapeJob, part, { urgent: true })).output);
const keepPainted = (hash: string): Promise<ViewShape> =>
  keep(hash, async () => readShape((await fetchBytes(hash)) as Uint8Array<ArrayBuffer>));

/**
 * Vertices and triangles of a kept pattern: of the piece, painted when it has been analysed; or of all that is printed,
 * with the sprues that its file holds.
 */
export async function shapeOf(pattern: Pattern, printed = false): Promise<ViewShape> {
  if (printed && pattern.sprues) return keepPlain(partOf(pattern));
  const analyses = useAnalyses();
  await analyses.look(pattern);
  const state = analyses.of(pattern);
  return state.status === 'analysed' ? keepPainted(state.shapeHash) : keepPlain(pieceOf(pattern));
}
