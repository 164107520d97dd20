import type { Pattern } from '@zero-pour/contracts';
import { readShape, type SurfacePaint } from '@zero-pour/core';
import { partOf, shapeJob } from '@zero-pour/jobs';
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

async function readPlain(pattern: Pattern): Promise<ViewShape> {
  return (await runJob(shapeJob, partOf(pattern), { urgent: true })).output;
}

async function readPainted(hash: string): Promise<ViewShape> {
  return readShape((await fetchBytes(hash)) as Uint8Array<ArrayBuffer>);
}

/** Vertices and triangles of a kept pattern: the painted shape when it has been analysed, else its own file's. */
export async function shapeOf(pattern: Pattern): Promise<ViewShape> {
  const analyses = useAnalyses();
  await analyses.look(pattern);
  const state = analyses.of(pattern);
  const painted = state.status === 'analysed' ? state.shapeHash : null;
  const key = painted ?? `${pattern.fileHash} ${pattern.measure.unitMm}`;
  const found = shapes.get(key) ?? (painted ? readPainted(painted) : readPlain(pattern));
  shapes.delete(key);
  shapes.set(key, found);
  found.catch(() => shapes.delete(key));
  while (shapes.size > KEPT) shapes.delete(shapes.keys().next().value!);
  return found;
}
