import { requirePositive } from '../numeric';
import { rotatePoints, rotationMatrix, transposed, type Rotation } from './rotation';

/**
 * Points of a file stretched along the axes of its print: turned as printed, stretched, turned back, so that the file
 * keeps its own axes. xyz triples; a new array.
 */
export function stretchAsPrinted(
  points: ArrayLike<number>,
  rotation: Rotation,
  percents: readonly [number, number, number],
): Float64Array {
  const [x, y, z] = percents.map((percent) => requirePositive('percent', percent) / 100) as [
    number,
    number,
    number,
  ];
  if (x === y && y === z) return Float64Array.from(points, (value) => value * x);
  const turn = rotationMatrix(rotation);
  const stretched = rotatePoints(points, turn);
  for (let i = 0; i < stretched.length; i += 3) {
    stretched[i]! *= x;
    stretched[i + 1]! *= y;
    stretched[i + 2]! *= z;
  }
  return rotatePoints(stretched, transposed(turn));
}

/** … and left turned as it is printed, its lowest point at z = 0: ready to be supported. A new array. */
export function standAsPrinted(
  points: ArrayLike<number>,
  rotation: Rotation,
  percents: readonly [number, number, number],
): Float64Array {
  const stood = rotatePoints(stretchAsPrinted(points, rotation, percents), rotationMatrix(rotation));
  let lowest = Infinity;
  for (let i = 2; i < stood.length; i += 3) lowest = Math.min(lowest, stood[i]!);
  for (let i = 2; i < stood.length; i += 3) stood[i]! -= lowest;
  return stood;
}
