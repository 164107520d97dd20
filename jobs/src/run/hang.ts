import {
  bestStand,
  chooseFlasks,
  endOf,
  hangBranches,
  hangRings,
  hangStraight,
  makeHungShape,
  measureHung,
  readHungAir,
  readPattern,
  treeSurface,
  type ChosenFlasks,
  type FlaskRoom,
  type HungClearance,
  type HungShape,
  type HungTree,
} from '@zero-pour/core';
import type { AirAnswer, AirInput, HangingPart, HangInput, HungInput, TreeShape } from '../hang';
import { canonicalJson } from '../key';
import type { JobContext, Run } from './context';
import type { SaveFormat } from '../savePart';
import { writeMesh } from './files';
import { readPart } from './readPart';

/** Parts of a tree stay with the runner together: a move of one of them reads none anew. */
const shapesOf = (parts: readonly HangingPart[], context: JobContext): Promise<HungShape[]> =>
  context.memo(parts.map(({ part }) => part.file).join(' '), `hung ${canonicalJson(parts)}`, async () => {
    const shapes: HungShape[] = [];
    for (const { part, gate, scale, volumeMm3 } of parts) {
      const reading = readPattern(await context.blob(part.file), `part.${part.format}`, part.unitMm);
      if (reading.status === 'unit needed') throw new Error('The unit of a part is given with it.');
      const { mesh } = reading;
      const at = gate.at ?? endOf(mesh.positions, gate.normal);
      shapes.push(makeHungShape(mesh, { ...gate, at }, { scale, volumeMm3 }));
      context.report('parts', shapes.length / parts.length / 2);
    }
    return shapes;
  });

export const hang: Run<HangInput, ChosenFlasks> = async (input, context) => {
  const shapes = await shapesOf(input.parts, context);
  const { gaps, mainSprue, arrangement, tiltsDeg } = input;
  const { diameterMm: mainSprueDiameterMm, branchDiameterMm = mainSprueDiameterMm } = mainSprue;
  const tell = (share: number): void => context.report('hanging', 0.5 + share / 2);
  const inOne = (room: FlaskRoom, counts: readonly number[]): HungTree => {
    if (arrangement === 'straight')
      return hangStraight(shapes, counts, room, { gaps, sprueMm: mainSprue.lengthMm });
    const form = { mainSprueDiameterMm, branchDiameterMm, tiltsDeg };
    const hangIn = arrangement === 'rings' ? hangRings : hangBranches;
    return hangIn(shapes, counts, room, { gaps, form, tell });
  };
  return { output: chooseFlasks(input.rooms, input.counts, input.wish, inOne) };
};

export const measureTree: Run<HungInput, HungClearance> = async (
  { parts, pieces, room, sprue },
  context,
) => ({
  output: measureHung(await shapesOf(parts, context), pieces, room, sprue),
});

export const showTree: Run<HungInput, TreeShape> = async ({ parts, pieces, room, sprue }, context) => ({
  output: treeSurface(await shapesOf(parts, context), pieces, room, sprue),
});

export const saveTree: Run<{ tree: HungInput; to: SaveFormat }, Uint8Array<ArrayBuffer>> = async ({ tree, to }, context) => {
  const { positions, triangles } = (await showTree(tree, context)).output;
  return { output: writeMesh(positions, triangles, to) };
}; // prettier-ignore

export const readAir: Run<AirInput, AirAnswer> = async ({ part, normal, tiltDeg, spinDeg }, context) => {
  const { mesh } = await readPart(part, context);
  const stand = { tiltDeg, spinDeg };
  const now = readHungAir(mesh, normal, stand);
  const best = bestStand(mesh, normal, stand, (share) => context.report('turning', share));
  return { output: { now, best } };
};
