import { growFaces } from '@zero-pour/core';
import type { Point, ViewShape } from '../../pattern';

const WAX_RGB = [0x2f, 0x6b, 0x6f] as const;
const CLEAN_RGB = [0xd8, 0xc0, 0x7a] as const;

/** Colours of the part with the faces that must stay clean in straw. RGB bytes for each vertex. */
export function cleanColours(shape: ViewShape, points: readonly Point[]): Uint8Array {
  const { positions, triangles } = shape;
  const colours = new Uint8Array(positions.length);
  for (let v = 0; v < colours.length; v += 3) colours.set(WAX_RGB, v);
  growFaces(shape, points).forEach((on, t) => {
    if (on) for (let k = 0; k < 3; k++) colours.set(CLEAN_RGB, 3 * triangles[3 * t + k]!);
  });
  return colours;
}

/** Whether a picked place lies on the face that an earlier point stands for. */
export function sameFace(shape: ViewShape, point: Point, picked: Point): boolean {
  const first = growFaces(shape, [point]);
  const second = growFaces(shape, [picked]);
  let common = 0;
  let own = 0;
  second.forEach((on, t) => {
    if (!on) return;
    own++;
    if (first[t]) common++;
  });
  return common > own / 2;
}
