import { shapeJob, type PartInput } from '@zero-pour/jobs';
import type { SurfacePaint } from '@zero-pour/core';
import { runJob } from '../../jobs';

/** A part for the view; painted once it has been analysed. */
export interface ViewShape {
  positions: Float32Array;
  triangles: Uint32Array;
  paint?: SurfacePaint;
}

/** The last few shapes that were looked at, by the hash of their bytes. */
const KEPT = 4;
const shapes = new Map<string, Promise<ViewShape>>();

export function keepShape(key: string, make: () => Promise<ViewShape>): Promise<ViewShape> {
  const found = shapes.get(key) ?? make();
  shapes.delete(key);
  shapes.set(key, found);
  found.catch(() => shapes.delete(key));
  while (shapes.size > KEPT) shapes.delete(shapes.keys().next().value!);
  return found;
}

/** A part as its file has it. */
export const plainShape = (part: PartInput): Promise<ViewShape> =>
  keepShape(
    `${part.file} ${part.unitMm}`,
    async () => (await runJob(shapeJob, part, { urgent: true })).output,
  );
