import type { LayerStack } from '../layers';

/** Answers questions about single places of a cut part. Turned mm. */
export class StackProbe {
  constructor(private readonly stack: LayerStack) {}

  layerAt(zMm: number): number {
    return Math.floor((zMm - this.stack.z0Mm) / this.stack.layerMm);
  }

  isSolid(xMm: number, yMm: number, layer: number): boolean {
    const { rows, layers, starts, spans, pixelMm, x0Mm, y0Mm } = this.stack;
    const row = Math.round((yMm - y0Mm) / pixelMm);
    if (layer < 0 || layer >= layers || row < 0 || row >= rows) return false;
    const pixel = Math.round((xMm - x0Mm) / pixelMm);
    for (let s = starts[layer * rows + row]!; s < starts[layer * rows + row + 1]!; s++) {
      if (pixel < spans[2 * s]!) return false;
      if (pixel <= spans[2 * s + 1]!) return true;
    }
    return false;
  }

  /** Area that is cured within a radius round a place of a layer, mm². */
  areaNear(xMm: number, yMm: number, layer: number, radiusMm: number): number {
    const { pixelMm } = this.stack;
    const reach = Math.floor(radiusMm / pixelMm);
    let pixels = 0;
    for (let i = -reach; i <= reach; i++)
      for (let j = -reach; j <= reach; j++)
        if (i * i + j * j <= reach * reach && this.isSolid(xMm + i * pixelMm, yMm + j * pixelMm, layer))
          pixels++;
    return pixels * pixelMm * pixelMm;
  }

  /** How many of `rays` level directions meet the part within a distance. */
  blockedRays(xMm: number, yMm: number, layer: number, withinMm: number, rays: number): number {
    let blocked = 0;
    for (let k = 0; k < rays; k++) {
      const [dx, dy] = [Math.cos((2 * Math.PI * k) / rays), Math.sin((2 * Math.PI * k) / rays)];
      for (let r = this.stack.pixelMm; r <= withinMm; r += this.stack.pixelMm)
        if (this.isSolid(xMm + r * dx, yMm + r * dy, layer)) {
          blocked++;
          break;
        }
    }
    return blocked;
  }
}
