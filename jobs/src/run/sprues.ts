import { cutSprues, findRodBodies, modelSprues, uniteFile } from '@zero-pour/core';
import type { DrawnSprues, FoundSprues, ModelSpruesInput, SpruesInput } from '../sprues';
import { asFile } from './asFile';
import type { Run } from './context';
import { readPart } from './readPart';

export const findSprues: Run<SpruesInput, FoundSprues> = async ({ part, marks }, context) => {
  const { mesh } = await readPart(part, context);
  if (marks.length === 0) return { output: { status: 'unmarked', rods: findRodBodies(mesh) } };
  context.report('cutting', 0.3);
  const found = cutSprues(mesh, marks, await context.engine());
  if (found.status === 'refused') return { output: found };
  const { hash: pieceHash, measure: piece, bytes } = await asFile(found.piece);
  return { output: { status: 'cut', sections: found.sections, pieceHash, piece, bytes } };
};

export const drawSprues: Run<ModelSpruesInput, DrawnSprues> = async ({ part, gates, sprue }, context) => {
  const { mesh, measure } = await readPart(part, context);
  context.report('uniting', 0.3);
  const engine = await context.engine();
  // Bodies that overlap are one first: a gate's foot may stand in several of them.
  const united = measure.overlapMm3 > 0 ? uniteFile(mesh, engine) : null;
  const made = modelSprues({ ...mesh, ...united }, gates, sprue, engine);
  if (made.status === 'refused') return { output: made };
  context.report('measuring', 0.8);
  const file = await asFile(made.united);
  // What float32 does not hold apart may leave it open: such a file is not offered.
  if (!file.measure.closed) return { output: { status: 'refused', gate: 0, why: 'not one' } };
  const { marks, sections } = made;
  return { output: { status: 'made', file, piece: await asFile(mesh), marks, sections } };
};
