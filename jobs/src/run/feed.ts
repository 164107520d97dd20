import {
  centreOfMass,
  feedByGates,
  growFaces,
  readFeedField,
  readGatePlaces,
  suggestGates,
  TriangleTree,
  uniteFile,
  type FeedField,
  type SuggestedGate,
} from '@zero-pour/core';
import type { FeedAnswer, FeedInput, PlacesAnswer, PlacesInput, SuggestInput } from '../feed';
import type { JobContext, Run } from './context';
import { readPart } from './readPart';

/** The grid of a part stays with the runner: only the ways are found anew when a gate is moved. */
export async function fieldOf(
  { part, cellMm, medianMm }: Pick<FeedInput, 'part' | 'cellMm' | 'medianMm'>,
  context: JobContext,
): Promise<FeedField> {
  return context.memo(part.file, `feed ${cellMm} ${medianMm} ${part.unitMm}`, async () => {
    const { mesh, measure } = await readPart(part, context);
    context.report('feed', 0.2);
    // Faces inside each other are no surface that the metal freezes from.
    const overlaps = measure.closed && measure.overlapMm3 > 0;
    const united = overlaps ? uniteFile(mesh, await context.engine()) : null;
    return readFeedField({ ...mesh, ...united }, measure.volumeMm3, { cellMm, medianMm });
  });
}

export const feed: Run<FeedInput, FeedAnswer> = async (input, context) => {
  const field = await fieldOf(input, context);
  const masses = field.hotSpots.map(({ at, widthMm, modulusMm }) => ({ at, widthMm, modulusMm }));
  return { output: { cellMm: field.cellMm, masses, feeds: feedByGates(field, input.gates) } };
};

export const places: Run<PlacesInput, PlacesAnswer> = async ({ part, gates, cleanPoints }, context) => {
  const { mesh } = await readPart(part, context);
  const tree = await context.memo(part.file, `tree ${part.unitMm}`, () =>
    Promise.resolve(new TriangleTree(mesh.positions, mesh.triangles)),
  );
  const show = cleanPoints.length > 0 ? growFaces(mesh, cleanPoints) : undefined;
  return {
    output: { centreMm: centreOfMass(mesh), places: readGatePlaces(mesh, tree, gates, show) },
  };
};

export const suggest: Run<SuggestInput, SuggestedGate[]> = async (input, context) => {
  const field = await fieldOf(input, context);
  const { mesh } = await readPart(input.part, context);
  const show = input.cleanPoints.length > 0 ? growFaces(mesh, input.cleanPoints) : undefined;
  return { output: suggestGates(field, mesh, input.school, show) };
};
