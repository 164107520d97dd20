import { weldEqual, writeBinaryStl, type WeldedMesh } from '../mesh';
import { rotatePoints, rotationMatrix, type Rotation } from '../orient';
import { analysePattern, readPattern, type PatternAnalysis, type PatternMeasure } from '../pattern';
import type { TestMesh } from './solids';

/** The mesh turned, and scaled. */
export function turned({ positions, triangles }: TestMesh, rotation: Rotation, scale = 1): TestMesh {
  const points = rotatePoints(positions, rotationMatrix(rotation));
  return { positions: [...points].map((v) => v * scale), triangles };
}

/** A welded mesh with whole coordinates kept. */
export const welded = ({ positions, triangles }: TestMesh): WeldedMesh =>
  weldEqual(
    {
      format: 'stl-binary',
      unitMm: 1,
      positions: Float64Array.from(positions),
      triangles: Uint32Array.from(triangles),
    },
    1,
  );

/** A mesh written as a file, read back and measured. */
export function measured(mesh: TestMesh): { mesh: WeldedMesh; measure: PatternMeasure } {
  const reading = readPattern(writeBinaryStl(mesh.positions, mesh.triangles), 'part.stl', 1);
  if (reading.status !== 'read') throw new Error(reading.status);
  return reading;
}

/** … and analysed. */
export function analysed(part: TestMesh): { measure: PatternMeasure; analysis: PatternAnalysis } {
  const { mesh, measure } = measured(part);
  const result = analysePattern(mesh, measure);
  if (result.status !== 'analysed') throw new Error(result.status);
  return { measure, analysis: result.analysis };
}
