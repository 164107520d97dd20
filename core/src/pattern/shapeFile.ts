import { InputError } from '../numeric';
import type { SurfacePaint } from './readSurface';

/**
 * A painted shape as bytes, little endian, so that an analysed pattern is seen again without reading its file:
 *   8 bytes "ZPSHAPE1" | uint32 vertices | uint32 triangles | float32 xyz a vertex | uint32 abc a triangle |
 *   uint16 thickness µm a vertex | uint16 gap µm a vertex | uint8 feed % a vertex
 */
const MAGIC = 'ZPSHAPE1';
const HEAD_BYTES = 16;

export interface PaintedShape {
  positions: Float32Array<ArrayBuffer>;
  triangles: Uint32Array<ArrayBuffer>;
  paint: SurfacePaint;
}

const bytesFor = (vertices: number, triangles: number): number => HEAD_BYTES + 17 * vertices + 12 * triangles;

/** Packs a shape; positions are rounded to float32, which is what a view can show. */
export function writeShape(
  mesh: { positions: ArrayLike<number>; triangles: Uint32Array },
  paint: SurfacePaint,
): Uint8Array<ArrayBuffer> {
  const [vertices, triangles] = [mesh.positions.length / 3, mesh.triangles.length / 3];
  const bytes = new Uint8Array(bytesFor(vertices, triangles));
  for (let n = 0; n < MAGIC.length; n++) bytes[n] = MAGIC.charCodeAt(n);
  new Uint32Array(bytes.buffer, 8, 2).set([vertices, triangles]);
  const { positions, triangles: indices, paint: to } = views(bytes.buffer, vertices, triangles);
  positions.set(mesh.positions);
  indices.set(mesh.triangles);
  to.thicknessUm.set(paint.thicknessUm);
  to.gapUm.set(paint.gapUm);
  to.feedPercent.set(paint.feedPercent);
  return bytes;
}

function views(buffer: ArrayBuffer, vertices: number, triangles: number): PaintedShape {
  let at = HEAD_BYTES;
  const next = (bytes: number): number => {
    at += bytes;
    return at - bytes;
  };
  return {
    positions: new Float32Array(buffer, next(12 * vertices), 3 * vertices),
    triangles: new Uint32Array(buffer, next(12 * triangles), 3 * triangles),
    paint: {
      thicknessUm: new Uint16Array(buffer, next(2 * vertices), vertices),
      gapUm: new Uint16Array(buffer, next(2 * vertices), vertices),
      feedPercent: new Uint8Array(buffer, next(vertices), vertices),
    },
  };
}

/** Unpacks a shape as views on the bytes' own buffer. Throws InputError when they are not a whole shape. */
export function readShape(bytes: Uint8Array<ArrayBuffer>): PaintedShape {
  // Views need the data at its own alignment: bytes inside a larger buffer are copied out.
  const own = bytes.byteOffset === 0 && bytes.byteLength === bytes.buffer.byteLength ? bytes : bytes.slice();
  const magic = String.fromCharCode(...own.subarray(0, MAGIC.length));
  if (magic !== MAGIC || own.length < HEAD_BYTES)
    throw new InputError('shape', `bytes that begin with ${MAGIC}`, magic);
  const [vertices, triangles] = new Uint32Array(own.buffer, 8, 2) as unknown as [number, number];
  if (own.length !== bytesFor(vertices, triangles)) {
    throw new InputError('shape', `${bytesFor(vertices, triangles)} bytes`, own.length);
  }
  return views(own.buffer, vertices, triangles);
}
