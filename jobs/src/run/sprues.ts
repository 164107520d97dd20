import { cutSprues, findRodBodies, readPattern, writeBinaryStl } from '@zero-pour/core';
import { sha256 } from '../key';
import type { FoundSprues, SpruesInput } from '../sprues';
import type { Run } from './context';
import { readPart } from './readPart';

export const findSprues: Run<SpruesInput, FoundSprues> = async ({ part, marks }, context) => {
  const { mesh } = await readPart(part, context);
  if (marks.length === 0) return { output: { status: 'unmarked', rods: findRodBodies(mesh) } };
  context.report('cutting', 0.3);
  const found = cutSprues(mesh, marks, await context.engine());
  if (found.status === 'refused') return { output: found };
  const bytes = writeBinaryStl(found.piece.positions, found.piece.triangles) as Uint8Array<ArrayBuffer>;
  const reading = readPattern(bytes, 'piece.stl', 1);
  if (reading.status === 'unit needed') throw new Error('The unit of a part is given with it.');
  const pieceHash = await sha256(bytes);
  return {
    output: { status: 'cut', sections: found.sections, pieceHash, piece: reading.measure, bytes },
  };
};
