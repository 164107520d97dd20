import { box, type Primitive } from './primitives';

/** Features of one kind and size on a coupon: what a count of them means. */
export interface CouponFeature {
  kind: 'strut' | 'slot' | 'pin' | 'wall' | 'hole' | 'frame';
  sizeMm: number;
  count: number;
}

/** Everything that stands on the raft reaches this far into it, so that no two faces only touch, mm. */
export const ROOT_MM = 0.3;
/** Part of a coupon from its own corner: x to the right, y to the back, z = 0 on top of the raft. */
export interface Block {
  add: Primitive[];
  cut: Primitive[];
  widthMm: number;
  depthMm: number;
  heightMm: number;
  volumeMm3: number;
  features: CouponFeature[];
}

export const EMPTY: Block = {
  add: [],
  cut: [],
  widthMm: 0,
  depthMm: 0,
  heightMm: 0,
  volumeMm3: 0,
  features: [],
};

/** Room between two rows, mm. */
export const ROW_GAP_MM = 1.5;

/** A bar standing on the raft. */
export const upright = (x0: number, y0: number, x1: number, y1: number, height: number): Primitive =>
  box([x0, y0, -ROOT_MM], [x1, y1, height]);

/** A solid at another place. */
export function moved(solid: Primitive, x: number, y: number, z: number): Primitive {
  if (solid.kind === 'box') {
    const by = [x, y, z];
    const shift = (p: readonly [number, number, number]) =>
      p.map((v, k) => v + by[k]!) as [number, number, number];
    return box(shift(solid.from), shift(solid.to));
  }
  if (solid.kind === 'pin') {
    return {
      ...solid,
      centre: [solid.centre[0] + x, solid.centre[1] + y],
      fromZ: solid.fromZ + z,
      toZ: solid.toZ + z,
    };
  }
  return {
    ...solid,
    centre: [solid.centre[0] + x, solid.centre[1] + z],
    fromY: solid.fromY + y,
    toY: solid.toY + y,
  };
}

/** Blocks one behind the other, each with its own stretch of raft, so that a long one does not widen all. */
export interface Stack extends Block {
  rafts: { widthMm: number; fromY: number; toY: number }[];
}

/** Stacks blocks from front to back; empty ones are left out. */
export function stacked(blocks: readonly Block[]): Stack {
  const out: Stack = { ...EMPTY, add: [], cut: [], features: [], rafts: [] };
  for (const block of blocks) {
    if (block.widthMm === 0) continue;
    const y = out.depthMm === 0 ? 0 : out.depthMm + ROW_GAP_MM;
    out.add.push(...block.add.map((solid) => moved(solid, 0, y, 0)));
    out.cut.push(...block.cut.map((solid) => moved(solid, 0, y, 0)));
    out.features.push(...block.features);
    out.rafts.push({ widthMm: block.widthMm, fromY: y, toY: y + block.depthMm });
    out.volumeMm3 += block.volumeMm3;
    out.widthMm = Math.max(out.widthMm, block.widthMm);
    out.depthMm = y + block.depthMm;
    out.heightMm = Math.max(out.heightMm, block.heightMm);
  }
  return out;
}
