import type { Pattern, PatternAnswer } from '@zero-pour/contracts';
import { fetchBytes } from '../api/request';
import { readInWorker } from './readInWorker';

type Shape = Extract<PatternAnswer, { status: 'read' }>;

/** The last few shapes that were looked at, by the hash of their file. */
const KEPT = 4;
const shapes = new Map<string, Promise<Shape>>();

async function read(pattern: Pattern): Promise<Shape> {
  const bytes = await fetchBytes(pattern.fileHash);
  const answer = await readInWorker(bytes, pattern.fileName, pattern.measure.unitMm, () => {});
  if (answer.status !== 'read') throw new Error('The kept file cannot be read any more.');
  return answer;
}

/** Vertices and triangles of a kept pattern, read again from its file. */
export function shapeOf(pattern: Pattern): Promise<Shape> {
  const key = `${pattern.fileHash} ${pattern.measure.unitMm}`;
  const found = shapes.get(key) ?? read(pattern);
  shapes.delete(key);
  shapes.set(key, found);
  found.catch(() => shapes.delete(key));
  while (shapes.size > KEPT) shapes.delete(shapes.keys().next().value!);
  return found;
}
