import { readPattern, writeBinaryStl, type WeldedMesh } from '@zero-pour/core';
import { sha256 } from '../key';

/** A mesh as the bytes of an STL in mm, with what they measure. */
export async function asFile({ positions, triangles }: Pick<WeldedMesh, 'positions' | 'triangles'>) {
  const bytes = writeBinaryStl(positions, triangles) as Uint8Array<ArrayBuffer>;
  const reading = readPattern(bytes, 'part.stl', 1);
  if (reading.status === 'unit needed') throw new Error('The unit of a part is given with it.');
  return { hash: await sha256(bytes), measure: reading.measure, bytes };
}
