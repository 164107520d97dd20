import { layerBitmap, type LayerStack } from '../layers';

/** Layers that are compared, and how alike the two sides must be (shared over all pixels). */
const LAYERS_LOOKED_AT = 16;
const ALIKE = 0.92;

/**
 * Where a part is the same on both sides of an upright plane through its middle, the plane's place; else null. `axis`: 0
 * for left and right, 1 for front and back. O(pixels of a few layers).
 */
export function mirrorPlane(stack: LayerStack, axis: 0 | 1): number | null {
  const { layers, rows, columns, pixelMm } = stack;
  let [low, high] = [Infinity, -Infinity];
  const bitmaps: Uint8Array[] = [];
  for (let n = 0; n < LAYERS_LOOKED_AT; n++) {
    const bitmap = layerBitmap(stack, Math.floor(((n + 0.5) * layers) / LAYERS_LOOKED_AT));
    bitmaps.push(bitmap);
    for (let i = 0; i < bitmap.length; i++) {
      if (bitmap[i] === 0) continue;
      const at = axis === 0 ? i % columns : Math.floor(i / columns);
      low = Math.min(low, at);
      high = Math.max(high, at);
    }
  }
  if (high < low) return null;
  let [common, all] = [0, 0];
  for (const bitmap of bitmaps)
    for (let i = 0; i < bitmap.length; i++) {
      if (bitmap[i] === 0) continue;
      all++;
      const [column, row] = [i % columns, Math.floor(i / columns)];
      const [x, y] = axis === 0 ? [low + high - column, row] : [column, low + high - row];
      if (x >= 0 && x < columns && y >= 0 && y < rows && bitmap[y * columns + x] === 1) common++;
    }
  if (common < ALIKE * all) return null;
  return (axis === 0 ? stack.x0Mm : stack.y0Mm) + (pixelMm * (low + high)) / 2;
}
